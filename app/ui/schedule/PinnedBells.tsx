import { Form } from "react-router";
import { type Pin, type Timeline, pinnableBells } from "~/core/schedule";
import { clock, minutes } from "~/ui/format/format";
import { Secondary } from "~/ui/parts/fields";
import { Fold, FoldTitle, Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { useLocale } from "~/ui/sheet/locale";
import { bellWords } from "~/ui/words/en";
import { look } from "~/ui/theme/look";

interface Props {
  readonly pins: readonly Pin[];
  readonly timeline: Timeline;
  readonly startsAt: string;
  readonly timeZone: string;
  readonly version: number;
}

/** Bells that ring when somebody says: the parents come at eleven, so at eleven it is eaten. */
export function PinnedBells({ pins, timeline, startsAt, timeZone, version }: Props) {
  const locale = useLocale();
  const at = (after: number) => clock(startsAt, timeZone, after, locale);
  const rings = (bell: Pin["bell"]) => timeline.bells.find((one) => one.kind === bell)?.at;
  return (
    <Fold className={look("drawer", "no-print")} open={pins.length > 0}>
      <FoldTitle>Pin a bell</FoldTitle>
      <p className={look("small", "quiet")}>It rings at that time, or as soon after it as can be; never before.</p>
      {pins.map((pin) => {
        const late = (rings(pin.bell) ?? pin.at) - pin.at;
        return (
          <Form method="post" className={look("actions")} key={pin.bell}>
            <Hidden name="version" value={version} />
            <Hidden name="bell" value={pin.bell} />
            <span>
              {bellWords[pin.bell]}: {at(pin.at)}
              {late > 0.5 ? <span className={look("needs-you")}>, rings {minutes(late, locale)} later</span> : null}
            </span>
            <Secondary name="intent" value="let-go">
              Let “{bellWords[pin.bell]}” go
            </Secondary>
          </Form>
        );
      })}
      <Form method="post" className={look("form")}>
        <Hidden name="version" value={version} />
        <label className={look("cell", "c4")}>
          <span className={look("cell-label")}>Bell</span>
          <PlainSelect name="bell" aria-label="Bell to pin" defaultValue="eat">
            {pinnableBells.map((bell) => (
              <option key={bell} value={bell}>
                {bellWords[bell]}
              </option>
            ))}
          </PlainSelect>
        </label>
        <label className={look("cell", "c4")}>
          <span className={look("cell-label")}>Rings at</span>
          <PlainInput
            name="time"
            aria-label="Rings at"
            inputMode="numeric"
            placeholder={startsAt.slice(11, 16)}
            maxLength={5}
            required
            autoComplete="off"
          />
        </label>
        <div className={look("actions")}>
          <Secondary name="intent" value="pin">
            Pin it
          </Secondary>
        </div>
      </Form>
    </Fold>
  );
}
