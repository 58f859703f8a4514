import { TroublesTable } from "~/ui/parts/recipe";
import { type CorrectionStep, sights, troublesOf } from "~/core/look";
import type { Family, SurfaceKind } from "~/core/recipe";
import { causeWords, sayAct, sightWords } from "~/ui/words/looks";
import type { Names } from "~/ui/words/names";

interface Props {
  readonly family: Family;
  /** The kinds of surface it is cooked on. */
  readonly kinds: readonly SurfaceKind[];
  /** By how much this batter is thinned or thickened at one go. */
  readonly step?: CorrectionStep | undefined;
  readonly names: Names;
}

/** What is seen, why, and what to do about it. */
export function Troubles({ family, kinds, step, names }: Props) {
  const troubles = troublesOf(family, kinds);
  return (
    <TroublesTable>
      <thead>
        <tr>
          <th scope="col">What you see</th>
          <th scope="col">Why</th>
          <th scope="col">What to do</th>
        </tr>
      </thead>
      <tbody>
        {sights.flatMap((sight) => {
          const own = troubles.filter((trouble) => trouble.sight === sight);
          return own.map((trouble, index) => (
            <tr key={`${sight} ${trouble.cause}`}>
              {index === 0 ? (
                <th scope="row" rowSpan={own.length}>
                  {sightWords[sight]}
                </th>
              ) : null}
              <td>{causeWords[trouble.cause]}</td>
              <td>{sayAct(trouble, step, names)}</td>
            </tr>
          ));
        })}
      </tbody>
    </TroublesTable>
  );
}
