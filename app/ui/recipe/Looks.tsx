import { useLocale } from "~/ui/sheet/locale";
import { wordsIn } from "~/ui/words/regional";
import { looksOf, stopOf } from "~/core/look";
import type { Cue, Recipe, Step } from "~/core/recipe";
import { CuePicture } from "~/ui/draw/Cues";
import { cueWords } from "~/ui/words/en";
import { stopWords } from "~/ui/words/looks";
import { look } from "~/ui/theme/look";

function Row({ title, cues }: { title: string; cues: readonly Cue[] }) {
  const words = wordsIn(cueWords, useLocale());
  return cues.length === 0 ? null : (
    <div className={look("look")}>
      <b>{title}</b>
      <ul>
        {cues.map((cue) => (
          <li key={cue}>
            <CuePicture cue={cue} />
            {words[cue]}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** When a piece is turned and when it is done: two looks, drawn, and what cannot be seen with this batter. */
export function Looks({ recipe }: { recipe: Recipe }) {
  const { turn, done } = looksOf(recipe);
  return (
    <div className={look("looks")}>
      <Row title="Turn when" cues={turn} />
      <Row title="Done when" cues={done} />
      {recipe.blindNote ? <p className={look("small")}>{recipe.blindNote}</p> : null}
    </div>
  );
}

/** When to stop, at the step where a batter is spoilt or saved. */
export function StopMixing({ step, recipe }: { step: Step; recipe: Recipe }) {
  const stop = stopOf(step, recipe);
  return stop ? <em className={look("stop-mixing")}>{stopWords[stop].says}</em> : null;
}
