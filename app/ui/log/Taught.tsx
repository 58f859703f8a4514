import type { ReactNode } from "react";
import { type CorrectionStep, sights, troublesOf } from "~/core/look";
import type { Recipe, SurfaceKind } from "~/core/recipe";
import { aimKey } from "~/core/pack";
import type { SpokenStep } from "~/core/schedule";
import type { useTicks } from "~/ui/pack/useTicks";
import { Tick } from "~/ui/parts/plain";
import type { Names } from "~/ui/words/names";
import { causeWords, sayAct, sightWords } from "~/ui/words/looks";
import { look } from "~/ui/theme/look";

type Ticking = Pick<ReturnType<typeof useTicks>, "ticks" | "tick" | "isReady">;

/** One thing that was done or seen in class; kept as everything ticked is, from any device. */
function TaughtTick({ ticking, of, children }: { ticking: Ticking; of: string; children: ReactNode }) {
  const { ticks, tick, isReady } = ticking;
  return (
    <label className={look("check")}>
      <Tick
        checked={ticks.teaching.has(of)}
        disabled={!isReady}
        onChange={(event) => tick({ list: "teaching", key: of, isOn: event.target.checked })}
      />
      <span>{children}</span>
    </label>
  );
}

/** What they were to learn, ticked when they can. Kept by its words: an aim written anew is another. */
export const Reached = ({ aims, ticking }: { aims: readonly string[] | undefined; ticking: Ticking }) =>
  aims === undefined ? null : (
    <section aria-label="What they were to learn" className={look("taught")}>
      <h3>What they were to learn</h3>
      <ul className={look("plain")}>
        {aims.map((aim) => (
          <li key={aim}>
            <TaughtTick ticking={ticking} of={aimKey(aim)}>
              {aim}
            </TaughtTick>
          </li>
        ))}
      </ul>
    </section>
  );

/** The points and questions of the class, ticked when they were made. */
export const Said = ({ points, ticking }: { points: readonly SpokenStep[]; ticking: Ticking }) =>
  points.length === 0 ? null : (
    <section aria-label="Said and asked" className={look("taught")}>
      <h3>Said and asked</h3>
      <ul className={look("plain")}>
        {points.flatMap(({ recipeId, step }) =>
          (["point", "question"] as const).flatMap((kind) =>
            step[kind] ? (
              <li key={`${recipeId}/${step.id}/${kind}`}>
                <TaughtTick ticking={ticking} of={`${recipeId}/${step.id}/${kind}`}>
                  <span className={look("quiet")}>{kind === "point" ? "said: " : "asked: "}</span>
                  {step[kind]}
                </TaughtTick>
              </li>
            ) : (
              []
            ),
          ),
        )}
      </ul>
    </section>
  );

/** What was seen on pieces: ticked, each says why it comes and what to do the next time, from the recipe's own table. */
export function Seen({
  recipe,
  kinds,
  step,
  names,
  ticking,
}: {
  recipe: Recipe;
  kinds: readonly SurfaceKind[];
  step: CorrectionStep | undefined;
  names: Names;
  ticking: Ticking;
}) {
  const troubles = troublesOf(recipe.family, kinds);
  return (
    <section aria-label={`Seen on a piece: ${recipe.title}`} className={look("taught")}>
      <h3>Seen on a piece: {recipe.title}</h3>
      <ul className={look("plain")}>
        {sights.flatMap((sight) => {
          const own = troubles.filter((trouble) => trouble.sight === sight);
          if (own.length === 0) return [];
          const key = `${recipe.id}/seen/${sight}`;
          return (
            <li key={sight}>
              <TaughtTick ticking={ticking} of={key}>
                {sightWords[sight]}
              </TaughtTick>
              {ticking.ticks.teaching.has(key)
                ? own.map((trouble) => (
                    <p key={trouble.cause} className={look("small", "seen-why")}>
                      {causeWords[trouble.cause]}: {sayAct(trouble, step, names)}
                    </p>
                  ))
                : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
