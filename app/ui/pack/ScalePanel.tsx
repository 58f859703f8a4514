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
    <details className="scale-panel">
      <summary>Practice scale: no real one is connected</summary>
      <div className="scale-hands">
        {spoons.map((grams) => (
          <button key={grams} type="button" onClick={() => act({ kind: "put", grams })}>
            {grams > 0 ? `pour ${grams}` : `take ${-grams}`} g
          </button>
        ))}
        <button type="button" onClick={() => act({ kind: "clear" })}>
          lift off
        </button>
      </div>
      <div className="checks">
        <label>
          <input
            type="checkbox"
            checked={isSlow}
            onChange={(event) => act({ kind: "slow", isOn: event.target.checked })}
          />
          settles slowly
        </label>
        <label>
          <input
            type="checkbox"
            checked={isDrifting}
            onChange={(event) => act({ kind: "drift", isOn: event.target.checked })}
          />
          wanders
        </label>
        <label>
          <input
            type="checkbox"
            checked={!isPlugged}
            onChange={(event) => act({ kind: "plug", isIn: !event.target.checked })}
          />
          unplugged
        </label>
      </div>
    </details>
  );
}
