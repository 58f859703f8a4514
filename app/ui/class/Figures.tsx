import { VisuallyHidden } from "@chakra-ui/react";
import { FigureList } from "~/ui/parts/findings";
import type { KeyFigure } from "~/core/plan";
import { figureWords } from "~/ui/words/en";
import { sayFigure, sayWhy } from "~/ui/words/findings";
import type { Names } from "~/ui/words/names";
import { Fold, FoldTitle } from "~/ui/parts/plain";

interface Props {
  readonly figures: readonly KeyFigure[];
  /** What stands saved; figures that differ from it are marked. */
  readonly before?: readonly KeyFigure[];
  /** Ingredients that are counted, not weighed. */
  readonly counted: ReadonlySet<string>;
  readonly names: Names;
}

const keyOf = (figure: KeyFigure) => `${figure.code} ${figure.of ?? ""}`;

/** Figures, each with its reason one step away and, while typing, what it was before. */
export function Figures({ figures, before, counted, names }: Props) {
  const was = new Map(before?.map((figure) => [keyOf(figure), figure]));
  const titleOf = (figure: KeyFigure) => {
    if (figure.code === "total") return names.ingredient(figure.of ?? "");
    const several = figures.filter((one) => one.code === figure.code).length > 1;
    return several && figure.of ? `${figureWords[figure.code]}, ${names.dish(figure.of)}` : figureWords[figure.code];
  };
  return (
    <FigureList>
      {figures.map((figure) => {
        const old = was.get(keyOf(figure));
        const say = (one: KeyFigure) => sayFigure(one, counted.has(one.of ?? ""), names);
        const isChanged = before !== undefined && (old === undefined || say(old) !== say(figure));
        return (
          <div key={keyOf(figure)} data-changed={isChanged ? "" : undefined}>
            <dt>
              {titleOf(figure)}
              <Fold>
                <FoldTitle>why {say(figure)}?</FoldTitle>
                <div data-part="why">{sayWhy(figure.why, names)}</div>
              </Fold>
            </dt>
            <dd>
              {isChanged && old ? (
                <span data-part="was">
                  <VisuallyHidden>was </VisuallyHidden>
                  {say(old)}
                </span>
              ) : null}
              {isChanged ? <VisuallyHidden>changed to </VisuallyHidden> : null}
              {say(figure)}
            </dd>
          </div>
        );
      })}
    </FigureList>
  );
}
