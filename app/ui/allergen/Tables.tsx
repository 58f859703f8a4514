import { type ItemVerdict, type PersonVerdict, regimes } from "~/core/allergen";
import type { Participant } from "~/core/people";
import type { ClassInput, ClassPlan, StationPlan } from "~/core/plan";
import { TextLink } from "~/ui/sheet/controls";
import { needsInWords } from "~/ui/people/needs";
import { sayReason, substanceWords, verdictTitle } from "~/ui/words/en";
import type { Names } from "~/ui/words/findings";

/** The reasons of one item that bear on its verdict, as one sentence. */
const because = (item: ItemVerdict, names: Names): string =>
  `${names.ingredient(item.ingredientId)}: ${verdictTitle[item.verdict]}, because ${sayReason(item.reasons[0] ?? { why: "not-in-pantry" }, names.ingredient(item.ingredientId))}`;

interface PlateProps {
  readonly people: readonly Participant[];
  readonly plates: readonly PersonVerdict[];
  readonly stations: readonly StationPlan[];
  readonly names: Names;
}

/** A line a person, gravest first: the word, then what it rests on. */
export function PlateTable({ people, plates, stations, names }: PlateProps) {
  const order = ["contains", "unknown", "may-contain", "clear"];
  const rows = people
    .flatMap((person) => {
      const plate = plates.find((one) => one.participantId === person.id);
      return plate ? [{ person, plate }] : [];
    })
    .sort((a, b) => order.indexOf(a.plate.verdict) - order.indexOf(b.plate.verdict));
  if (rows.length === 0)
    return (
      <p>
        Nobody is on the register yet. <TextLink to="../people">Add people</TextLink>; this table then fills itself.
      </p>
    );
  return (
    <table className="ruled">
      <caption>By person</caption>
      <thead>
        <tr>
          <th scope="col">Person</th>
          <th scope="col">Their plate</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ person, plate }) => {
          const grave = plate.items.filter((item) => item.verdict === plate.verdict);
          const rest = plate.items.filter((item) => item.verdict !== plate.verdict);
          const station = stations.find((one) => one.people.includes(person.id));
          return (
            <tr key={person.id} className={plate.verdict === "clear" ? undefined : "needs"}>
              <td>
                <b>{person.name}</b>
                <div className="small quiet">
                  {station ? station.name : "no station"}
                  {needsInWords(person) ? `; ${needsInWords(person)}` : ""}
                </div>
              </td>
              <td>
                <span className={`verdict-word ${plate.verdict}`}>
                  {person.hasAnswered && person.needs.length === 0 ? "nothing to avoid" : verdictTitle[plate.verdict]}
                </span>
              </td>
              <td>
                {!person.hasAnswered ? (
                  "Has not answered yet. No answer is not “none”."
                ) : person.needs.length === 0 ? (
                  <span className="quiet">answered: nothing to avoid</span>
                ) : (
                  <details className="verdict" open={plate.verdict !== "clear" && grave.length <= 2}>
                    <summary>
                      {grave.length === 1 ? "one item" : `${grave.length} items`}:{" "}
                      {grave.map((item) => names.ingredient(item.ingredientId)).join(", ")}
                    </summary>
                    {grave.map((item) => (
                      <p className="small" key={item.ingredientId}>
                        {because(item, names)}.
                      </p>
                    ))}
                    {rest.length > 0 ? (
                      <p className="small quiet">
                        Of the rest:{" "}
                        {rest
                          .map((item) => `${names.ingredient(item.ingredientId)} ${verdictTitle[item.verdict]}`)
                          .join("; ")}
                        .
                      </p>
                    ) : null}
                  </details>
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
  return (
    <table className="ruled">
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
          const label = input.labels.find((one) => one.ingredientId === id);
          const isWhole = ingredient?.label === "whole";
          const nature = ingredient?.contains.map((one) => substanceWords[one]) ?? [];
          return (
            <tr key={id} className={label || isWhole ? undefined : "needs"}>
              <td>
                {names.ingredient(id)}
                {nature.length > 0 ? <div className="small quiet">by nature: {nature.join(", ")}</div> : null}
              </td>
              <td>
                {isWhole ? (
                  <span className="quiet">whole food, no label</span>
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
                    <div className="small quiet">
                      “{label.product}”, read by {label.readBy}, {label.readOn}
                    </div>
                  </span>
                ) : (
                  <span className="needs-you">not read </span>
                )}
                {isWhole ? null : (
                  <TextLink className="text small no-print" to={`${base}/labels/${id}`}>
                    {label ? "Read again" : "Read the label"}
                  </TextLink>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
