import { List, Text } from "@chakra-ui/react";
import { LooksColumn, LooksRow, StopMixingNote } from "~/ui/parts/recipe";
import { useLocale } from "~/ui/sheet/locale";
import { wordsIn } from "~/ui/words/regional";
import { looksOf, stopOf } from "~/core/look";
import type { Cue, Recipe, Step } from "~/core/recipe";
import { CuePicture } from "~/ui/draw/Cues";
import { cueWords } from "~/ui/words/en";
import { stopWords } from "~/ui/words/looks";

function Row({ title, cues }: { title: string; cues: readonly Cue[] }) {
  const words = wordsIn(cueWords, useLocale());
  return cues.length === 0 ? null : (
    <LooksColumn>
      <b>{title}</b>
      <List.Root>
        {cues.map((cue) => (
          <li key={cue}>
            <CuePicture cue={cue} />
            {words[cue]}
          </li>
        ))}
      </List.Root>
    </LooksColumn>
  );
}

/** When a piece is turned and when it is done: two looks, drawn, and what cannot be seen with this batter. */
export function Looks({ recipe }: { recipe: Recipe }) {
  const { turn, done } = looksOf(recipe);
  return (
    <LooksRow>
      <Row title="Turn when" cues={turn} />
      <Row title="Done when" cues={done} />
      {recipe.blindNote ? <Text fontSize="sm">{recipe.blindNote}</Text> : null}
    </LooksRow>
  );
}

/** When to stop, at the step where a batter is spoilt or saved. */
export function StopMixing({ step, recipe }: { step: Step; recipe: Recipe }) {
  const stop = stopOf(step, recipe);
  return stop ? <StopMixingNote>{stopWords[stop].says}</StopMixingNote> : null;
}
