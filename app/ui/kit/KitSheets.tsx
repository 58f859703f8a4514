import { Link } from "react-router";
import type { ClassContainer, ContainerState } from "~/core/pack";
import { grams, list, timeOfDay } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import type { Names } from "~/ui/words/names";
import {
  containerName,
  contentGrams,
  contentScoops,
  groupWords,
  sayContentChange,
  sayMarks,
  saySteps,
  sayMix,
} from "~/ui/words/kits";
import { KitDrawing } from "~/ui/draw/KitDrawing";
import { Heads } from "~/ui/sheet/Heads";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

interface Props {
  readonly name: string;
  readonly note: string;
  readonly containers: readonly ClassContainer[];
  readonly stateOf: (container: ClassContainer) => ContainerState;
  readonly names: Names;
  readonly timeZone: string;
  readonly base: string;
}

/** One kit as it is packed and unpacked: a row for each container, grouped as it stands in the box. */
export function KitSheet({ name, note, containers, stateOf, names, timeZone, base }: Props) {
  const locale = useLocale();
  const isSealed = containers.some((one) => one.isSealed);
  return (
    <section className={isSealed ? look("kit-sheet", "apart") : look("kit-sheet")}>
      <div className={parts.card.head}>
        <h3>{name}</h3>
        <span>{isSealed ? "apart: packed first, sealed" : note}</span>
      </div>
      <KitDrawing containers={containers} names={names} />
      <table className={look("ruled")}>
        <Heads of={["Container", "What", { n: "By scale" }, "By spoon and cup", "Packed"]} />
        <tbody>
          {containers.map((container) => {
            const state = stateOf(container);
            return (
              <tr key={container.key} className={state.kind === "reopened" ? look("needs") : undefined}>
                <td>
                  <Link className={look("text")} to={`${base}/containers/${container.key}`}>
                    {containerName(container)}
                  </Link>
                  <b>{sayMix(container)}</b>
                  <div className={look("small", "quiet")}>
                    {groupWords[container.group]}, {saySteps(container.steps, locale)}
                  </div>
                </td>
                <td>
                  {container.isBatter ? <b>batter, made before the doors: </b> : null}
                  {list(
                    container.contents.map((one) => names.ingredient(one.ingredientId)),
                    locale,
                  )}
                  <div className={look("small", "quiet")}>{sayMarks(container.marks, names).join(" ")}</div>
                </td>
                <td className={look("n")}>
                  {container.contents.length === 1 && container.contents[0]
                    ? contentGrams(container.contents[0], locale)
                    : container.grams === undefined
                      ? "not known"
                      : grams(Math.round(container.grams), locale)}
                </td>
                <td>
                  {container.contents.length === 1 && container.contents[0]
                    ? contentScoops(container.contents[0], locale)
                    : container.contents.map((one) => (
                        <div key={one.lineId} className={look("small")}>
                          {names.ingredient(one.ingredientId)} {contentScoops(one, locale)}
                        </div>
                      ))}
                </td>
                <td>
                  {state.kind === "packed" ? (
                    <span className={look("small")}>
                      {state.tick.by}, {timeOfDay(state.tick.at, locale, timeZone)}
                    </span>
                  ) : state.kind === "reopened" ? (
                    <span className={look("small", "needs-you")}>
                      {list(
                        state.changes.map((change) => sayContentChange(change, names)),
                        locale,
                      )}
                    </span>
                  ) : (
                    "☐"
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
