import { Heading, List, Span, Text } from "@chakra-ui/react";
import { TickLabel } from "~/ui/parts/forms";
import { TaughtSection } from "~/ui/parts/recipe";
import type { ReactNode } from "react";
import { type CorrectionStep, sights, troublesOf } from "~/core/look";
import type { Recipe, SurfaceKind } from "~/core/recipe";
import { aimKey } from "~/core/pack";
import type { SpokenStep } from "~/core/schedule";
import type { useTicks } from "~/ui/pack/useTicks";
import { Tick } from "~/ui/parts/plain";
import type { Names } from "~/ui/words/names";
import { causeWords, sayAct, sightWords } from "~/ui/words/looks";

type Ticking = Pick<ReturnType<typeof useTicks>, "ticks" | "tick" | "isReady">;

/** One thing that was done or seen in class; kept as everything ticked is, from any device. */
function TaughtTick({ ticking, of, children }: { ticking: Ticking; of: string; children: ReactNode }) {
  const { ticks, tick, isReady } = ticking;
  return (
    <TickLabel>
      <Tick
        checked={ticks.teaching.has(of)}
        disabled={!isReady}
        onChange={(event) => tick({ list: "teaching", key: of, isOn: event.target.checked })}
      />
      <span>{children}</span>
    </TickLabel>
  );
}

/** What they were to learn, ticked when they can. Kept by its words: an aim written anew is another. */
export const Reached = ({ aims, ticking }: { aims: readonly string[] | undefined; ticking: Ticking }) =>
  aims === undefined ? null : (
    <TaughtSection aria-label="What they were to learn">
      <Heading as="h3" size="lg">
        What they were to learn
      </Heading>
      <List.Root>
        {aims.map((aim) => (
          <li key={aim}>
            <TaughtTick ticking={ticking} of={aimKey(aim)}>
              {aim}
            </TaughtTick>
          </li>
        ))}
      </List.Root>
    </TaughtSection>
  );

/** The points and questions of the class, ticked when they were made. */
export const Said = ({ points, ticking }: { points: readonly SpokenStep[]; ticking: Ticking }) =>
  points.length === 0 ? null : (
    <TaughtSection aria-label="Said and asked">
      <Heading as="h3" size="lg">
        Said and asked
      </Heading>
      <List.Root>
        {points.flatMap(({ recipeId, step }) =>
          (["point", "question"] as const).flatMap((kind) =>
            step[kind] ? (
              <li key={`${recipeId}/${step.id}/${kind}`}>
                <TaughtTick ticking={ticking} of={`${recipeId}/${step.id}/${kind}`}>
                  <Span color="fg.muted">{kind === "point" ? "said: " : "asked: "}</Span>
                  {step[kind]}
                </TaughtTick>
              </li>
            ) : (
              []
            ),
          ),
        )}
      </List.Root>
    </TaughtSection>
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
    <TaughtSection aria-label={`Seen on a piece: ${recipe.title}`}>
      <Heading as="h3" size="lg">
        Seen on a piece: {recipe.title}
      </Heading>
      <List.Root>
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
                    <Text fontSize="sm" data-part="seen-why" key={trouble.cause}>
                      {causeWords[trouble.cause]}: {sayAct(trouble, step, names)}
                    </Text>
                  ))
                : null}
            </li>
          );
        })}
      </List.Root>
    </TaughtSection>
  );
}
