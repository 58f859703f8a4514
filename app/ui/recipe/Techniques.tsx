import type { Technique } from "~/core/look";
import { TechniquePicture } from "~/ui/draw/Techniques";
import { techniqueWords } from "~/ui/words/looks";
import { look } from "~/ui/theme/look";

/** How hands do it, drawn, with the one sentence that belongs to each; on the wall larger than at a step. */
export const Techniques = ({ of, isLarge = false }: { of: readonly Technique[]; isLarge?: boolean }) =>
  of.length === 0 ? null : (
    <ul className={isLarge ? look("techniques", "is-large") : look("techniques")}>
      {of.map((technique) => (
        <li key={technique}>
          <TechniquePicture technique={technique} />
          <span>
            <b>{techniqueWords[technique].name}</b>
            <span> {techniqueWords[technique].says}</span>
          </span>
        </li>
      ))}
    </ul>
  );
