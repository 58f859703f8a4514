import { RuledTable } from "~/ui/parts/tables";
import { Heading, Text, VisuallyHidden } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { ScrollArea } from "~/ui/parts/forms";
import {} from "~/ui/parts/people";
import { Caution } from "~/ui/parts/recipe";
import { useClass } from "../class-context";
import type { VerdictWord } from "~/core/allergen";
import { matrixOf } from "~/core/plan";
import { TextLink } from "~/ui/parts/fields";
import { closingCaution, verdictTitle } from "~/ui/words/en";
import { useMemo } from "react";

/** Shapes as well as words, so that no cell hangs on its colour: drawn for this program, read in the key below. */
const marks: Readonly<Record<VerdictWord, string>> = { contains: "✕", unknown: "?", "may-contain": "△", clear: "·" };

/** Every person against every item: who avoids nothing is not in it. */
export default function Matrix() {
  const { input, plan, names, action } = useClass();
  const { items, rows } = useMemo(() => matrixOf(input, plan), [input, plan]);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Every person, every item
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
        </SheetTools>
      </SheetHead>
      {rows.length === 0 ? (
        <Text>Everybody answered, and nobody avoids anything.</Text>
      ) : (
        <ScrollArea tabIndex={0} role="group" aria-label="Every person, every item">
          <RuledTable kind="matrix">
            <thead>
              <tr>
                <th scope="col">Person</th>
                {items.map((id) => (
                  <th scope="col" key={id}>
                    <span>{names.ingredient(id).replace(/ \(brought.*/, ", brought")}</span>
                  </th>
                ))}
                <th scope="col">
                  <span>from the rest of the room</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ person, own, room, verdicts }) => (
                <tr key={person.id}>
                  <th scope="row">
                    <TextLink to={`${action}/allergies/${person.id}`}>{person.name}</TextLink>
                  </th>
                  {verdicts.map((item) => (
                    <td
                      key={item.ingredientId}
                      data-verdict={item.verdict}
                      data-elsewhere={own.has(item.ingredientId) ? undefined : ""}
                      title={`${person.name}, ${names.ingredient(item.ingredientId)}: ${verdictTitle[item.verdict]}`}
                    >
                      <span aria-hidden="true">{marks[item.verdict]}</span>
                      <VisuallyHidden>{verdictTitle[item.verdict]}</VisuallyHidden>
                    </td>
                  ))}
                  <td data-verdict={room} title={`${person.name}, from the rest of the room: ${verdictTitle[room]}`}>
                    <span aria-hidden="true">{marks[room]}</span>
                    <VisuallyHidden>{verdictTitle[room]}</VisuallyHidden>
                  </td>
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollArea>
      )}
      <Text fontSize="sm" color="fg.muted" mt="3.5">
        {(Object.keys(marks) as VerdictWord[]).map((word) => `${marks[word]} ${verdictTitle[word]}`).join("; ")}. Pale:
        made elsewhere in the room, not on their plate.
      </Text>
      <Caution mt="3.5">{closingCaution}</Caution>
    </>
  );
}
