import type { KitLine } from "~/core/kit";
import { bowls } from "~/core/recipe";
import { bowlWords } from "~/ui/words/en";

/** The lines of a kit as they are laid out: the batter by its bowls, then each sauce or filling by its name, what is put on as it is last. */
export function byBowl(kit: readonly KitLine[]) {
  const groups = bowls.map((bowl) => ({
    key: bowl as string,
    bowl,
    title: bowlWords[bowl],
    lines: kit.filter((line) => line.bowl === bowl && line.part === undefined),
  }));
  const named = [...new Set(kit.flatMap((line) => line.part ?? []))].map((part) => ({
    key: `part ${part}`,
    bowl: "bowl" as const,
    title: `For the ${part.toLowerCase()}`,
    lines: kit.filter((line) => line.part === part),
  }));
  const plated = groups.filter((group) => group.bowl === "topping");
  return [...groups.filter((group) => group.bowl !== "topping"), ...named, ...plated].filter(
    (group) => group.lines.length > 0,
  );
}
