import { useClass } from "../class-context";
import type { VerdictWord } from "~/core/allergen";
import { matrixOf } from "~/core/plan";
import { TextLink } from "~/ui/parts/fields";
import { closingCaution, verdictTitle } from "~/ui/words/en";
import { useMemo } from "react";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** Shapes as well as words, so that no cell hangs on its colour: drawn for this program, read in the key below. */
const marks: Readonly<Record<VerdictWord, string>> = { contains: "✕", unknown: "?", "may-contain": "△", clear: "·" };

/** Every person against every item: who avoids nothing is not in it. */
export default function Matrix() {
  const { input, plan, names, action } = useClass();
  const { items, rows } = useMemo(() => matrixOf(input, plan), [input, plan]);
  return (
    <>
      <div className={parts.sheet.head}>
        <h2>Every person, every item</h2>
        <div className={parts.sheet.tools}>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
        </div>
      </div>
      {rows.length === 0 ? (
        <p>Everybody answered, and nobody avoids anything.</p>
      ) : (
        <div className={look("scroll-x")} tabIndex={0} role="group" aria-label="Every person, every item">
          <table className={look("ruled", "matrix")}>
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
                      className={look(
                        "mark",
                        item.verdict !== "clear" && item.verdict,
                        !own.has(item.ingredientId) && "elsewhere",
                      )}
                      title={`${person.name}, ${names.ingredient(item.ingredientId)}: ${verdictTitle[item.verdict]}`}
                    >
                      <span aria-hidden="true">{marks[item.verdict]}</span>
                      <span className={look("vh")}>{verdictTitle[item.verdict]}</span>
                    </td>
                  ))}
                  <td
                    className={look("mark", room !== "clear" && room)}
                    title={`${person.name}, from the rest of the room: ${verdictTitle[room]}`}
                  >
                    <span aria-hidden="true">{marks[room]}</span>
                    <span className={look("vh")}>{verdictTitle[room]}</span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className={look("small", "quiet", "above-s")}>
        {(Object.keys(marks) as VerdictWord[]).map((word) => `${marks[word]} ${verdictTitle[word]}`).join("   ")} Pale:
        made elsewhere in the room, not on their plate.
      </p>
      <p className={look("caution", "above-s")}>{closingCaution}</p>
    </>
  );
}
