import type { Family, StepKind, Tool } from "~/core/recipe";

/**
 * The method of a pasted recipe: its rows as steps. A row that says more than one thing to do with time ("whisk, rest 30 minutes,
 * and cook") is as many steps, so that every wait and every heat stands with the step it belongs to.
 */
const kinds: readonly (readonly [RegExp, StepKind])[] = [
  [/^(?:then )?(?:keep|hold)\b[^.]*\b(?:warm|hot)\b/i, "hold"],
  [
    /\b(?:pre-?heat|heat (?:up )?(?:the|a|your)|warm (?:the|a|your) (?:pan|griddle|iron)|switch on|turn on|put the (?:griddle|iron|pan) on)\b/i,
    "preheat",
  ],
  [
    /\b(?:rest|stand|sit|prove|swell|chill|leave)\b[^.]*\b(?:min(?:ute)?s?|hours?|overnight|while|aside)\b|^(?:let|leave)\b[^.]*\b(?:rest|stand|sit)\b/i,
    "rest",
  ],
  [
    /\b(?:fry|cook|bake|flip|turn(?: it| them)? over|griddle until|until bubbles|close the (?:lid|iron)|ladle|pour (?:a |one |about |in |into |\d|¼|½).*\b(?:pan|griddle|iron|batter))\b/i,
    "cook",
  ],
  [/\breheat(?:ed|ing)?\b|\bwarm(?:ed)? (?:up |through )?again\b/i, "reheat"],
  [/\b(?:whisk|mix|stir|beat|combine|fold|sift|blend|add|rub|cream|knead|pour)\b/i, "mix"],
  [/\b(?:serve|top with|dust|drizzle|sprinkle|roll up|plate|spread with|eat)\b/i, "serve"],
];

/** Words a method begins with and a list does not. */
export const startsMethod =
  /^(?:whisk|mix|stir|beat|combine|fold|fry|cook|bake|sift|sieve|mash|blend|melt|heat|preheat|pour|let|leave|soak|squeeze|serve|boil|put|make|rest|add|drop|stand)\b[ ,]/i;

/** The first time a text names, in minutes. */
export const minutesIn = (text: string): { low: number; high: number } | undefined => {
  const found =
    /(\d{1,3})(?:\s*(?:-|–|to|or)\s*(\d{1,3}))?\s*(seconds?|secs?|s|minutes?|mins?|min|hours?|hrs?|h)\b/i.exec(text);
  if (!found) return /\bovernight\b/i.test(text) ? { low: 480, high: 720 } : undefined;
  const factor = /^s/i.test(found[3] ?? "") ? 1 / 60 : /^h/i.test(found[3] ?? "") ? 60 : 1;
  const low = Number(found[1]) * factor;
  return { low, high: found[2] ? Number(found[2]) * factor : low };
};

const heat =
  /(\d{2,3})\s*(?:°|º|degrees?)?\s*([CF])?\s*(?:-|–|to)\s*(\d{2,3})\s*(?:(?:°|º|degrees?)\s*([CF])?\b|([CF])\b)|(\d{2,3})\s*(?:(?:°|º|degrees?)\s*([CF])?\b|([CF])\b)/gi;
/** What is kept, held or served warm is another heat than the pan's. */
const holding =
  /\b(?:keep|kept|keeping|hold|stay|serv)\w*\b[^.;]*\bwarm|\bwarm (?:in|until|while)|\bwarming\b|\bholding\b/i;

const sentencesOf = (text: string): string[] => text.split(/(?<=[.;!?])\s+/);

/**
 * The heat of the surface that a method names, °C; where one is said in both scales the first counts.
 * @returns undefined where none is named, or none of a pan, an iron or an oven (50 to 350 °C).
 */
export function celsiusIn(method: string): { from: number; to: number } | undefined {
  for (const sentence of sentencesOf(method)) {
    // "Cook, then keep warm in a 95 °C oven": what follows the holding word is not the pan's.
    const held = holding.exec(sentence);
    const said = held ? sentence.slice(0, held.index) : sentence;
    for (const found of said.matchAll(heat)) {
      const from = Number(found[1] ?? found[6]);
      const to = Number(found[3] ?? found[6]);
      const scale = found[2] ?? found[4] ?? found[5] ?? found[7] ?? found[8] ?? (from > 260 ? "F" : "C");
      const convert = (value: number) => Math.round(scale.toUpperCase() === "F" ? ((value - 32) * 5) / 9 : value);
      const [a, b] = [convert(from), convert(to)];
      if (a >= 50 && b <= 350 && a <= b) return { from: a, to: b };
    }
  }
  return undefined;
}

/** Where a row goes on to another thing to do: a new sentence, or ", then", "and" before a verb of its own. */
const joints =
  /(?<=[.;!?])\s+|,?\s+(?:and then|then|and)\s+(?=(?:let|leave|rest|stand|chill|cook|fry|bake|heat|serve|keep|whisk|stir|fold|mix|pour)\b)|,\s+(?=(?:let|leave|rest|stand|chill|cook|fry|bake|serve)\b)/i;

export interface MethodStep {
  readonly kind: StepKind;
  readonly text: string;
  /** The wait of a rest, in minutes. */
  readonly wait: { readonly low: number; readonly high: number } | undefined;
}

export const kindOfStep = (text: string): StepKind => kinds.find(([pattern]) => pattern.test(text))?.[1] ?? "prepare";
export const isStep = (text: string): boolean => kinds.some(([pattern]) => pattern.test(text));

/** A row of the method as steps: one, unless it holds a wait beside other work. */
export function stepsOfRow(row: string): MethodStep[] {
  const whole = (text: string): MethodStep => {
    const kind = kindOfStep(text);
    return { kind, text, wait: kind === "rest" ? minutesIn(text) : undefined };
  };
  const isWait = (clause: string) => kindOfStep(clause) === "rest" && minutesIn(clause) !== undefined;
  const cuts = [...row.matchAll(new RegExp(joints, "gi"))].map((found) => ({
    end: found.index,
    start: found.index + found[0].length,
  }));
  const clauses = [{ start: 0, end: row.length }, ...cuts].map(({ start }, index) =>
    row.slice(start, cuts[index]?.end ?? row.length),
  );
  if (clauses.length < 2 || !clauses.some(isWait)) return [whole(row)];
  const texts: string[] = [];
  let from = 0;
  clauses.forEach((clause, index) => {
    const next = clauses[index + 1];
    if (next !== undefined && !isWait(clause) && !isWait(next)) return;
    const text = row.slice(from, cuts[index]?.end ?? row.length).trim();
    from = cuts[index]?.start ?? row.length;
    if (text !== "") texts.push(text.charAt(0).toUpperCase() + text.slice(1));
  });
  return texts.map((text) => whole(/[.!?]$/.test(text) ? text : `${text.replace(/[,;]$/, "")}.`));
}

/** What a step has in hand by the words it uses; a tool named by its own name counts too. */
const toolWords: readonly (readonly [RegExp, readonly Tool[]])[] = [
  [/\bgrat(?:e|ed|ing|er)\b/i, ["grater"]],
  [/\b(?:chop|slice|dice|cut|peel|core|halve|quarter)(?:s|d|ped|ping|ing)?\b|\bknife\b/i, ["knife", "board"]],
  [/\b(?:sift|sieve|strain)(?:s|ed|ing)?\b/i, ["sieve"]],
  [/\bcrack(?:s|ed|ing)?\b|\b(?:eggs?|yolks?)\b.*\b(?:separate|beat)|\b(?:separate|beat)\b.*\beggs?\b/i, ["egg-cup"]],
  [/\bfold(?:s|ed|ing)?\b|\bspatula\b|\bscrap(?:e|ing)\b/i, ["spatula"]],
  [/\bwhisk(?:s|ed|ing)?\b/i, ["whisk", "mixing-bowl"]],
  [/\bjug\b|\b(?:add|pour|stir)\b.*\b(?:milk|water|drink|buttermilk)\b/i, ["jug"]],
  [/\bbrush(?:es|ed|ing)?\b|\bgreas(?:e|ed|ing)\b/i, ["brush"]],
  [/\bbaking (?:paper|parchment)\b|\bparchment\b/i, ["baking-paper"]],
  [/\btrays?\b|\bkeep(?:ing)? warm\b|\brack\b/i, ["tray"]],
  [/\bweigh(?:s|ed|ing)?\b|\bscales?\b/i, ["scale"]],
  [/\bskewers?\b|\bsticks?\b(?! of)/i, ["stick"]],
  [/\bsqueez(?:e|ed|ing)\b|\bpat dry\b|\btowel\b/i, ["towel"]],
];
/** What the pour and the turn of a family are done with. */
const atTheHeat: Readonly<Record<Family, readonly Tool[]>> = {
  drawn: ["ladle", "turner"],
  drop: ["ladle", "turner"],
  pancake: ["ladle", "turner"],
  crepe: ["ladle", "turner", "spatula"],
  waffle: ["ladle", "fork"],
  "ridged-waffle": ["ladle", "turner"],
  fritter: ["turner", "tray"],
  "oven-puffed": ["oven-dish", "oven-gloves"],
};

/**
 * Tools of a pasted step: what its words name, what its kind and the family always take, plates and forks where it is eaten, a cloth
 * where there is a batter to wipe up.
 */
export function toolsOfStep(text: string, kind: StepKind, family: Family): Tool[] {
  const named = toolWords.flatMap(([pattern, tools]) => (pattern.test(text) ? tools : []));
  const usual: Readonly<Record<StepKind, readonly Tool[]>> = {
    prepare: [],
    mix: ["mixing-bowl", "whisk", "towel"],
    rest: [],
    preheat: [],
    hold: ["tray"],
    reheat: [],
    cook: atTheHeat[family],
    serve: ["plate", "fork"],
  };
  return [...new Set([...usual[kind], ...named])];
}
