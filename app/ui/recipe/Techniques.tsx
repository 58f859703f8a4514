import { TechniqueList } from "~/ui/parts/recipe";
import type { Technique } from "~/core/look";
import { TechniquePicture } from "~/ui/draw/Techniques";
import { techniqueWords } from "~/ui/words/looks";

/** How hands do it, drawn, with the one sentence that belongs to each; on the wall larger than at a step. */
export const Techniques = ({ of, isLarge = false }: { of: readonly Technique[]; isLarge?: boolean }) =>
  of.length === 0 ? null : (
    <TechniqueList isLarge={isLarge}>
      {of.map((technique) => (
        <li key={technique}>
          <TechniquePicture technique={technique} />
          <span>
            <b>{techniqueWords[technique].name}</b>
            <span> {techniqueWords[technique].says}</span>
          </span>
        </li>
      ))}
    </TechniqueList>
  );
