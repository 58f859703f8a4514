import { Table, Text } from "@chakra-ui/react";
import { Verdict, VerdictReasons } from "~/ui/parts/findings";
import { type ItemVerdict, hasOpenWords, rankOf, regimes } from "~/core/allergen";
import type { Participant } from "~/core/people";
import { labelsInHand, sharedFoodId } from "~/core/pantry";
import type { ClassInput, ClassPlan, Plate, StationPlan } from "~/core/plan";
import { TextLink } from "~/ui/parts/fields";
import { needsInWords } from "~/ui/people/needs";
import { sayReason, substanceWords, verdictTitle } from "~/ui/words/en";
import type { Names } from "~/ui/words/names";
import { Heads } from "~/ui/sheet/Heads";
import { FoldTitle } from "~/ui/parts/plain";

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
      <Text>
        Nobody is on the register yet. <TextLink to="../people">Add people</TextLink>; this table then fills itself.
      </Text>
    );
  return (
    <Table.Root native>
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
            <tr data-needs={!(plate.verdict === "clear") ? "" : undefined} key={person.id}>
              <td>
                <TextLink to={`${base}/allergies/${person.id}`}>
                  <b>{person.name}</b>
                </TextLink>
                <div data-small data-quiet>
                  {station ? station.name : "no station"}
                  {needsInWords(person, names.locale) ? `; ${needsInWords(person, names.locale)}` : ""}
                </div>
              </td>
              <td>
                <Verdict is={plate.verdict}>
                  {person.hasAnswered && person.needs.length === 0 && plate.verdict === "clear"
                    ? "nothing to avoid"
                    : verdictTitle[plate.verdict]}
                </Verdict>
              </td>
              <td>
                {!person.hasAnswered ? (
                  "Has not answered yet. No answer is not “none”."
                ) : hasOpenWords(person) ? (
                  sayOpen(person)
                ) : person.needs.length === 0 && person.ageBand !== "under-1" ? (
                  <span data-quiet>answered: nothing to avoid</span>
                ) : (
                  <>
                    {grave.length > 0 ? (
                      <VerdictReasons open={plate.verdict !== "clear" && grave.length <= 2}>
                        <FoldTitle>
                          {grave.length === 1 ? "one item" : `${grave.length} items`}:{" "}
                          {grave.map((item) => names.ingredient(item.ingredientId)).join(", ")}
                        </FoldTitle>
                        {grave.map((item) => (
                          <Text fontSize="sm" key={item.ingredientId}>
                            {because(item, names)}.
                          </Text>
                        ))}
                        {rest.length > 0 ? (
                          <Text fontSize="sm" color="fg.muted">
                            Of the rest:{" "}
                            {rest
                              .map((item) => `${names.ingredient(item.ingredientId)} ${verdictTitle[item.verdict]}`)
                              .join("; ")}
                            .
                          </Text>
                        ) : null}
                      </VerdictReasons>
                    ) : null}
                    {ways.slice(0, 2).map((way) => (
                      <Text fontSize="sm" key={way}>
                        {way}.
                      </Text>
                    ))}
                    {ways.length > 2 ? (
                      <Text fontSize="sm" color="fg.muted">
                        And {ways.length - 2} more ways.
                      </Text>
                    ) : null}
                  </>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </Table.Root>
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
    <Table.Root native>
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
            <tr data-needs={!(label || isWhole) ? "" : undefined} key={id}>
              <td>
                {names.ingredient(id)}
                {nature.length > 0 ? (
                  <div data-small data-quiet>
                    by nature: {nature.join(", ")}
                  </div>
                ) : null}
              </td>
              <td>
                {isWhole ? (
                  <span data-quiet>whole food, no label</span>
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
                    <div data-small data-quiet>
                      “{label.product}”, read by {label.readBy}, {label.readOn}
                    </div>
                  </span>
                ) : (
                  <span data-alert>not read </span>
                )}
                {isWhole ? null : (
                  <TextLink fontSize="sm" _print={{ display: "none" }} to={`${base}/labels/${id}`}>
                    {label ? "Read again" : "Read the label"}
                  </TextLink>
                )}
              </td>
            </tr>
          );
        })}
        {(input.shared ?? []).map((food) => (
          <tr data-needs={!food.label ? "" : undefined} key={sharedFoodId(food)}>
            <td>
              <TextLink to={`${base}/allergies/brought/${food.id}`}>{food.name}</TextLink>
              <div data-small data-quiet>
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
                  <div data-small data-quiet>
                    “{food.label.product}”, read by {food.label.readBy}, {food.label.readOn}
                  </div>
                </>
              ) : (
                <span data-alert>no packet read: unknown</span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Table.Root>
  );
}
