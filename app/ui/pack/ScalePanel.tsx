import { ScaleHands, ScalePanelFold } from "~/ui/parts/packing";
import { TickRow } from "~/ui/parts/forms";
import { FoldTitle, PlainButton, Tick } from "~/ui/parts/plain";

/** What a hand can do to the scale that stands in for a real one. */
export type ScaleHand =
  | { readonly kind: "put"; readonly grams: number }
  | { readonly kind: "clear" }
  | { readonly kind: "tare" }
  | { readonly kind: "drift"; readonly isOn: boolean }
  | { readonly kind: "slow"; readonly isOn: boolean }
  | { readonly kind: "plug"; readonly isIn: boolean };

const spoons = [200, 50, 10, 1, -1, -10];

/** The small panel of the scale's stand-in: put on, take off, and its faults. */
export function ScalePanel({
  act,
  isDrifting,
  isSlow,
  isPlugged,
}: {
  act: (hand: ScaleHand) => void;
  isDrifting: boolean;
  isSlow: boolean;
  isPlugged: boolean;
}) {
  return (
    <ScalePanelFold>
      <FoldTitle>Practice scale: no real one is connected</FoldTitle>
      <ScaleHands>
        {spoons.map((grams) => (
          <PlainButton key={grams} type="button" onClick={() => act({ kind: "put", grams })}>
            {grams > 0 ? `pour ${grams}` : `take ${-grams}`} g
          </PlainButton>
        ))}
        <PlainButton type="button" onClick={() => act({ kind: "clear" })}>
          lift off
        </PlainButton>
      </ScaleHands>
      <TickRow>
        <label>
          <Tick checked={isSlow} onChange={(event) => act({ kind: "slow", isOn: event.target.checked })} />
          settles slowly
        </label>
        <label>
          <Tick checked={isDrifting} onChange={(event) => act({ kind: "drift", isOn: event.target.checked })} />
          wanders
        </label>
        <label>
          <Tick checked={!isPlugged} onChange={(event) => act({ kind: "plug", isIn: !event.target.checked })} />
          unplugged
        </label>
      </TickRow>
    </ScalePanelFold>
  );
}
