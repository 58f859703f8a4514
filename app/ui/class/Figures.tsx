import type { KeyFigure } from "~/core/plan";
import { figureWords } from "~/ui/words/en";
import { sayFigure, sayWhy } from "~/ui/words/findings";
import type { Names } from "~/ui/words/names";
import { Fold, FoldTitle } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

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
    <dl className={parts.figure.root}>
      {figures.map((figure) => {
        const old = was.get(keyOf(figure));
        const say = (one: KeyFigure) => sayFigure(one, counted.has(one.of ?? ""), names);
        const isChanged = before !== undefined && (old === undefined || say(old) !== say(figure));
        return (
          <div className={parts.figure.of({ isChanged }).row} key={keyOf(figure)}>
            <dt>
              {titleOf(figure)}
              <Fold>
                <FoldTitle>why {say(figure)}?</FoldTitle>
                <div className={parts.figure.why}>{sayWhy(figure.why, names)}</div>
              </Fold>
            </dt>
            <dd>
              {isChanged && old ? (
                <span className={parts.figure.was}>
                  <span className={look("vh")}>was </span>
                  {say(old)}
                </span>
              ) : null}
              {isChanged ? <span className={look("vh")}>changed to </span> : null}
              {say(figure)}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
