import { type ItemVerdict, hasOpenWords, rankOf, regimes } from "~/core/allergen";
import type { Participant } from "~/core/people";
import { labelsInHand, sharedFoodId } from "~/core/pantry";
import type { ClassInput, ClassPlan, Plate, StationPlan } from "~/core/plan";
import { TextLink } from "~/ui/parts/fields";
import { needsInWords } from "~/ui/people/needs";
import { sayReason, substanceWords, verdictTitle } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";
import { Heads } from "~/ui/sheet/Heads";
import { Fold, FoldTitle } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** The reasons of one item that bear on its verdict, as one sentence. */
export const because = (item: ItemVerdict, names: Names): string =>
  `${names.ingredient(item.ingredientId)}: ${verdictTitle[item.verdict]}, because ${sayReason(item.reasons[0] ?? { why: "not-in-pantry" }, names.ingredient(item.ingredientId), names.locale)}`;

const sayOpen = (person: Participant): string =>
  person.isContested
    ? "A second answer came in. Compare the two before anything counts."
    : "Wrote something in their own words that nobody has turned into needs yet.";

interface PlateProps {
  readonly people: readonly Participant[];
  readonly plates: readonly Plate[];
  /** Where a person's verdict is laid out with its ways out. */
  readonly base: string;
  readonly sayWay: (exposure: Plate["exposures"][number]) => string;
  readonly stations: readonly StationPlan[];
  readonly names: Names;
}

/** A line a person, gravest first: the word, then what it rests on. */
export function PlateTable({ people, plates, stations, names, base, sayWay }: PlateProps) {
  const rows = people
    .flatMap((person) => {
      const plate = plates.find((one) => one.participantId === person.id);
      return plate ? [{ person, plate }] : [];
    })
    .sort((a, b) => rankOf[a.plate.verdict] - rankOf[b.plate.verdict]);
  if (rows.length === 0)
    return (
      <p>
        Nobody is on the register yet. <TextLink to="../people">Add people</TextLink>; this table then fills itself.
      </p>
    );
  return (
    <table className={look("ruled")}>
      <caption>By person</caption>
      <Heads of={["Person", "Their plate", "Why"]} />
      <tbody>
        {rows.map(({ person, plate }) => {
          const grave = plate.items.filter((item) => item.verdict === plate.verdict);
          const rest = plate.items.filter((item) => item.verdict !== plate.verdict);
          const station = stations.find((one) => one.people.includes(person.id));
          // A diet avoids several things that one unread label may hold: one way, said once.
          const ways = [...new Set(plate.exposures.map(sayWay))];
          return (
            <tr key={person.id} className={plate.verdict === "clear" ? undefined : look("needs")}>
              <td>
                <TextLink to={`${base}/allergies/${person.id}`}>
                  <b>{person.name}</b>
                </TextLink>
                <div className={look("small", "quiet")}>
                  {station ? station.name : "no station"}
                  {needsInWords(person, names.locale) ? `; ${needsInWords(person, names.locale)}` : ""}
                </div>
              </td>
              <td>
                <span className={parts.verdict.of({ is: plate.verdict }).word}>
                  {person.hasAnswered && person.needs.length === 0 && plate.verdict === "clear"
                    ? "nothing to avoid"
                    : verdictTitle[plate.verdict]}
                </span>
              </td>
              <td>
                {!person.hasAnswered ? (
                  "Has not answered yet. No answer is not “none”."
                ) : hasOpenWords(person) ? (
                  sayOpen(person)
                ) : person.needs.length === 0 && person.ageBand !== "under-1" ? (
                  <span className={look("quiet")}>answered: nothing to avoid</span>
                ) : (
                  <>
                    {grave.length > 0 ? (
                      <Fold className={parts.verdict.reasons} open={plate.verdict !== "clear" && grave.length <= 2}>
                        <FoldTitle>
                          {grave.length === 1 ? "one item" : `${grave.length} items`}:{" "}
                          {grave.map((item) => names.ingredient(item.ingredientId)).join(", ")}
                        </FoldTitle>
                        {grave.map((item) => (
                          <p className={look("small")} key={item.ingredientId}>
                            {because(item, names)}.
                          </p>
                        ))}
                        {rest.length > 0 ? (
                          <p className={look("small", "quiet")}>
                            Of the rest:{" "}
                            {rest
                              .map((item) => `${names.ingredient(item.ingredientId)} ${verdictTitle[item.verdict]}`)
                              .join("; ")}
                            .
                          </p>
                        ) : null}
                      </Fold>
                    ) : null}
                    {ways.slice(0, 2).map((way) => (
                      <p className={look("small")} key={way}>
                        {way}.
                      </p>
                    ))}
                    {ways.length > 2 ? (
                      <p className={look("small", "quiet")}>And {ways.length - 2} more ways.</p>
                    ) : null}
                  </>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Everything that touches a plate, with the state of its label. */
export function ItemTable({
  input,
  plan,
  names,
  base,
}: {
  input: ClassInput;
  plan: ClassPlan;
  names: Names;
  base: string;
}) {
  const used = [...new Set(plan.dishes.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId)))];
  const listed: readonly string[] = regimes[input.brief.regime];
  const inHand = labelsInHand(input.labels, input.packs);
  const stationAt = (index: number) => plan.stations[index]?.name ?? `table ${index + 1}`;
  return (
    <table className={look("ruled")}>
      <caption>By item</caption>
      <thead>
        <tr>
          <th scope="col">Item</th>
          <th scope="col">Label</th>
        </tr>
      </thead>
      <tbody>
        {used.map((id) => {
          const ingredient = input.pantry.find((one) => one.id === id);
          const label = inHand.get(id);
          const isWhole = ingredient?.label === "whole";
          const nature = ingredient?.contains.map((one) => substanceWords[one]) ?? [];
          return (
            <tr key={id} className={label || isWhole ? undefined : look("needs")}>
              <td>
                {names.ingredient(id)}
                {nature.length > 0 ? (
                  <div className={look("small", "quiet")}>by nature: {nature.join(", ")}</div>
                ) : null}
              </td>
              <td>
                {isWhole ? (
                  <span className={look("quiet")}>whole food, no label</span>
                ) : label ? (
                  <span>
                    {label.contains.length > 0 ? (
                      <>
                        contains{" "}
                        {label.contains.map((one) =>
                          listed.includes(one) ? <b key={one}>{substanceWords[one]} </b> : `${substanceWords[one]} `,
                        )}
                      </>
                    ) : (
                      "none declared"
                    )}
                    {label.mayContain.length > 0
                      ? `; may contain ${label.mayContain.map((one) => substanceWords[one]).join(", ")}`
                      : ""}
                    <div className={look("small", "quiet")}>
                      “{label.product}”, read by {label.readBy}, {label.readOn}
                    </div>
                  </span>
                ) : (
                  <span className={look("needs-you")}>not read </span>
                )}
                {isWhole ? null : (
                  <TextLink className={look("text", "small", "no-print")} to={`${base}/labels/${id}`}>
                    {label ? "Read again" : "Read the label"}
                  </TextLink>
                )}
              </td>
            </tr>
          );
        })}
        {(input.shared ?? []).map((food) => (
          <tr key={sharedFoodId(food)} className={food.label ? undefined : look("needs")}>
            <td>
              <TextLink to={`${base}/allergies/brought/${food.id}`}>{food.name}</TextLink>
              <div className={look("small", "quiet")}>
                {food.instead
                  ? `in place of ${names.ingredient(food.instead.ingredientId)}, ${stationAt(food.instead.station)} only`
                  : `brought by ${food.broughtBy}`}
              </div>
            </td>
            <td>
              {food.label ? (
                <>
                  {food.label.contains.length > 0
                    ? `contains ${food.label.contains.map((one) => substanceWords[one]).join(", ")}`
                    : "none declared"}
                  {food.label.mayContain.length > 0
                    ? `; may contain ${food.label.mayContain.map((one) => substanceWords[one]).join(", ")}`
                    : ""}
                  <div className={look("small", "quiet")}>
                    “{food.label.product}”, read by {food.label.readBy}, {food.label.readOn}
                  </div>
                </>
              ) : (
                <span className={look("needs-you")}>no packet read: unknown</span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
