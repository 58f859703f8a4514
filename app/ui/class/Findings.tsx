import { FindingList } from "~/ui/parts/findings";
import type { Finding } from "~/core/plan";
import { sayFinding } from "~/ui/words/findings";
import type { Names } from "~/ui/words/names";

const levelWords = { blocks: "In the way", warns: "Look at this", notes: "Good to know" } as const;
const order = ["blocks", "warns", "notes"];

/** The margin notes of a stage, gravest first. The same sentence about several recipes is said once, with their names. */
export function Findings({ findings, names }: { findings: readonly Finding[]; names: Names }) {
  if (findings.length === 0) return null;
  const said = new Map<string, { level: Finding["level"]; dishes: Set<string> }>();
  for (const finding of findings) {
    const sentence = sayFinding(finding, names);
    const dishes = said.get(sentence)?.dishes ?? new Set<string>();
    if (finding.dishId) dishes.add(names.dish(finding.dishId));
    said.set(sentence, { level: finding.level, dishes });
  }
  const rows = [...said].sort((a, b) => order.indexOf(a[1].level) - order.indexOf(b[1].level));
  const hasSeveralDishes = new Set(rows.flatMap(([, { dishes }]) => [...dishes])).size > 1;
  return (
    <FindingList aria-label="What to look at">
      {rows.map(([sentence, { level, dishes }]) => (
        <li key={sentence} data-grade={level}>
          <span>{levelWords[level]}</span>
          <span>
            {hasSeveralDishes && dishes.size > 0 ? <b>{[...dishes].join("; ")}: </b> : null}
            {sentence}
          </span>
        </li>
      ))}
    </FindingList>
  );
}
