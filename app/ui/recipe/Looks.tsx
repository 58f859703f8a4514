import { looksOf } from "~/core/look";
import type { Cue, Recipe } from "~/core/recipe";
import { CuePicture } from "~/ui/draw/Cues";
import { cueWords } from "~/ui/words/en";

const Row = ({ title, cues }: { title: string; cues: readonly Cue[] }) =>
  cues.length === 0 ? null : (
    <div className="look">
      <b>{title}</b>
      <ul>
        {cues.map((cue) => (
          <li key={cue}>
            <CuePicture cue={cue} />
            {cueWords[cue]}
          </li>
        ))}
      </ul>
    </div>
  );

/** When a piece is turned and when it is done: two looks, drawn, and what cannot be seen with this batter. */
export function Looks({ recipe }: { recipe: Recipe }) {
  const { turn, done } = looksOf(recipe);
  return (
    <div className="looks">
      <Row title="Turn when" cues={turn} />
      <Row title="Done when" cues={done} />
      {recipe.blindNote ? <p className="small">{recipe.blindNote}</p> : null}
    </div>
  );
}
