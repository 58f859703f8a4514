import { parseDateTime } from "@internationalized/date";
import { Form, useSearchParams } from "react-router";
import { useClass } from "../class-context";
import { storedMixesOf, takeHomeOf, traysOf } from "~/core/pack";
import { clock, day } from "~/ui/format/format";
import { StoredMixLabel } from "~/ui/kit/StoredMixLabel";
import { TakeHomeLabel } from "~/ui/kit/TakeHomeLabel";
import { TrayLabel } from "~/ui/kit/TrayLabel";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { PlainInput } from "~/ui/parts/plain";
import { PrintButton } from "~/ui/parts/PrintButton";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

const mostOfEach = 60;

/** Labels for what is taken home: by dish, as many of each as are wanted. */
export default function TakeHomeLabels() {
  const { input, plan, names, action } = useClass();
  const [search] = useSearchParams();
  const asked = Number(search.get("each") ?? "");
  const each = Number.isInteger(asked) && asked >= 1 && asked <= mostOfEach ? asked : undefined;
  const labels = takeHomeOf(input, plan);
  const mixes = storedMixesOf(input, plan);
  const trays = traysOf(plan);
  const at = (minutes: number) => clock(input.startsAt, input.timeZone, minutes, names.locale);
  const eatBy = (days: number) => day(parseDateTime(input.startsAt).add({ days }).toString(), names.locale);
  const peopleAt = (dishId: string) =>
    plan.stations.filter((station) => station.dishId === dishId).reduce((sum, station) => sum + station.size, 0);
  return (
    <>
      <div className={look(parts.sheet.head, "no-print")}>
        <h2>Labels to take home</h2>
        <p className={look("quiet")}>
          For pieces that are cooled fully and packed. One for each who cooked, unless you say so.
        </p>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/kits`}>Kits</TextLink>
          <PrintButton>Print the labels</PrintButton>
        </div>
      </div>
      <Form method="get" className={look("facts", "no-print", "below-s")}>
        <label className={look("cell")}>
          <span className={look("cell-label")}>Of each dish</span>
          <PlainInput
            name="each"
            inputMode="numeric"
            defaultValue={each ?? ""}
            placeholder="one each"
            aria-label={`Labels of each dish, 1 to ${mostOfEach}`}
          />
        </label>
        <Secondary type="submit">Lay out</Secondary>
        {search.get("each") && each === undefined ? (
          <span className={look("field-error")} role="alert">
            “{search.get("each")?.slice(0, 20)}” is no whole number from 1 to {mostOfEach}; one for each who cooked is
            laid out.
          </span>
        ) : null}
      </Form>
      {labels.length === 0 ? (
        <p className={look("quiet")}>Nobody makes a dish yet: there is nothing to take home.</p>
      ) : null}
      <div className={look("take-home-labels")}>
        {labels.flatMap((label) =>
          Array.from({ length: each ?? Math.min(mostOfEach, Math.max(1, peopleAt(label.dishId))) }, (_, index) => (
            <TakeHomeLabel
              key={`${label.dishId} ${label.roundId ?? ""} ${index}`}
              label={label}
              made={day(input.startsAt, names.locale)}
              eatBy={eatBy(label.keepsDays)}
              names={names}
            />
          )),
        )}
      </div>
      {mixes.length > 0 ? (
        <section aria-label="Dry mix to keep" className={look("tray-labels")}>
          <h3>Dry mix to keep</h3>
          <div className={look("take-home-labels")}>
            {mixes.flatMap((mix) =>
              Array.from({ length: mix.bags }, (_, index) => (
                <StoredMixLabel
                  key={`${mix.dishId} ${index}`}
                  mix={mix}
                  made={day(input.startsAt, names.locale)}
                  useBy={eatBy(mix.keepsDays)}
                  names={names}
                />
              )),
            )}
          </div>
        </section>
      ) : null}
      {trays.length > 0 ? (
        <section aria-label="Tray labels" className={look("tray-labels")}>
          <h3>For the trays of each round</h3>
          <div className={look("take-home-labels")}>
            {trays.map((tray) => (
              <TrayLabel
                key={`${tray.stationId} ${tray.roundId}`}
                tray={tray}
                out={at(tray.out)}
                by={at(tray.by)}
                names={names}
              />
            ))}
          </div>
        </section>
      ) : null}
    </>
  );
}
