import { LuSquare } from "react-icons/lu";
import { KitSheetSection } from "~/ui/parts/shopping";
import { Heading, Table } from "@chakra-ui/react";
import { CardHead } from "~/ui/parts/card";
import { TextLink } from "~/ui/parts/fields";
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
    <KitSheetSection data-apart={isSealed ? "" : undefined}>
      <CardHead>
        <Heading as="h3" size="lg">
          {name}
        </Heading>
        <span>{isSealed ? "apart: packed first, sealed" : note}</span>
      </CardHead>
      <KitDrawing containers={containers} names={names} />
      <Table.Root native>
        <Heads of={["Container", "What", { n: "By scale" }, "By spoon and cup", "Packed"]} />
        <tbody>
          {containers.map((container) => {
            const state = stateOf(container);
            return (
              <tr data-needs={state.kind === "reopened" ? "" : undefined} key={container.key}>
                <td>
                  <TextLink to={`${base}/containers/${container.key}`}>{containerName(container)}</TextLink>
                  <b>{sayMix(container)}</b>
                  <div data-small data-quiet>
                    {groupWords[container.group]}, {saySteps(container.steps, locale)}
                  </div>
                </td>
                <td>
                  {container.isBatter ? <b>batter, made before the doors: </b> : null}
                  {list(
                    container.contents.map((one) => names.ingredient(one.ingredientId)),
                    locale,
                  )}
                  <div data-small data-quiet>
                    {sayMarks(container.marks, names).join(" ")}
                  </div>
                </td>
                <td data-numeric>
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
                        <div data-small key={one.lineId}>
                          {names.ingredient(one.ingredientId)} {contentScoops(one, locale)}
                        </div>
                      ))}
                </td>
                <td>
                  {state.kind === "packed" ? (
                    <span data-small>
                      {state.tick.by}, {timeOfDay(state.tick.at, locale, timeZone)}
                    </span>
                  ) : state.kind === "reopened" ? (
                    <span data-small data-alert>
                      {list(
                        state.changes.map((change) => sayContentChange(change, names)),
                        locale,
                      )}
                    </span>
                  ) : (
                    <LuSquare aria-hidden="true" />
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table.Root>
    </KitSheetSection>
  );
}
