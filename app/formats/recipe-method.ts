import type { Cue, Family, StepKind, Tool } from "~/core/recipe";

/**
 * The method of a pasted recipe: its rows as steps. A row that says more than one thing to do with time ("whisk, rest 30 minutes,
 * and cook") is as many steps, so that every wait and every heat stands with the step it belongs to.
 */
const place = "(?:pan|griddle|iron|skillet|grill|plate|surface|moulds?|molds?|dish(?:es)?)";
const kinds: readonly (readonly [RegExp, StepKind])[] = [
  [/^(?:then )?(?:keep|hold)\b[^.]*\b(?:warm|hot)\b|\bkeep (?:them |it |each )?warm\b/i, "hold"],
  [
    new RegExp(
      String.raw`\b(?:pre-?heat|heat (?:up )?(?:the|a|your|an?y?|some|oil|butter|(?:[^\s.,;]+ ){0,4}${place})\b|warm (?:the|a|your) (?:[^\s.,;]+ ){0,3}${place}|switch on\b|turn on\b|put (?:the|a|your) (?:[^\s.,;]+ ){0,3}${place} (?:on|over)|(?:set|place) (?:the|a|your) (?:[^\s.,;]+ ){0,4}${place} (?:on|over)|(?:set|place|put) it (?:on|over)\b|bring (?:the|a|your) (?:[^\s.,;]+ ){0,3}${place})`,
      "i",
    ),
    "preheat",
  ],
  [
    /\b(?:rest|stand|sit|prove|swell|chill|leave)\b[^.]*\b(?:min(?:ute)?s?|hours?|overnight|while|aside)\b|^(?:let|leave)\b[^.]*\b(?:rest|stand|sit)\b/i,
    "rest",
  ],
  [
    new RegExp(
      String.raw`\b(?:fry|cook|bake|brown (?:on|both|the)|flip|turn(?:ing)?(?: it| them| (?:the|each) \w+)? over|turn (?:it|them|once|when|the (?:pancakes?|cr[eê]pes?|fritters?))|griddle until|until bubbles|when (?:the )?bubbles|bubbles? (?:form|appear|rise|pop|break|stay)|close the (?:lid|iron)|ladle(?:ful)?s?|(?:pour|spoon|scoop|drop|tip|swirl|spread)\b[^.;]*\b(?:on(?:to)?|into|in|over|across|on) (?:the |a |your |each |hot |preheated |greased )*(?:[^\s.,;]+ ){0,2}${place}|pour (?:a |one |about |in |into |\d|¼|½).*\b(?:pan|griddle|iron|batter)|pour (?:or \w+ )?(?:the |some )?batter|(?:swirl|tilt)\b|other side|second side|both sides)`,
      "i",
    ),
    "cook",
  ],
  [/\breheat(?:ed|ing)?\b|\bwarm(?:ed)? (?:up |through )?again\b/i, "reheat"],
  [/\b(?:whisk|mix|stir|beat|combine|fold|sift|blend|add|rub|cream|knead|pour)\b/i, "mix"],
  [/\b(?:serve|top with|dust|drizzle|sprinkle|roll up|plate|spread with|eat)\b/i, "serve"],
];

/** Words a method begins with and a list does not. */
export const startsMethod =
  /^(?:whisk|mix|stir|beat|combine|fold|fry|cook|bake|sift|sieve|mash|blend|melt|heat|preheat|pour|let|leave|soak|squeeze|serve|boil|put|make|rest|add|drop|stand)\b[ ,]/i;

const figures: Readonly<Record<string, number>> = {
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
};

/** The first time a text names, in minutes. */
export const minutesIn = (written: string): { low: number; high: number } | undefined => {
  const text = written
    .replace(/\b(?:an?|one)(?= (?:more |further )?(?:min|sec|hour))/gi, "1")
    .replace(/\b(two|three|four|five|six|seven|eight|nine|ten|fifteen|twenty|thirty)\b/gi, (word) =>
      String(figures[word.toLowerCase()] ?? word),
    )
    .replace(/\bhalf an? (?=hour)/gi, "0.5 ")
    .replace(/\banother (?=min)/gi, "1 ");
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
  /(?<=[.;!?])\s+|,?\s+(?:and then|then|and)\s+(?=(?:let|leave|rest|stand|chill|cook|fry|bake|heat|serve|keep|whisk|stir|fold|mix|pour|ladle|spoon|scoop|drop)\b)|,\s+(?=(?:let|leave|rest|stand|chill|cook|fry|bake|serve|pour|ladle|spoon|scoop|flip|turn)\b)/i;

export interface MethodStep {
  readonly kind: StepKind;
  readonly text: string;
  /** The wait of a rest, in minutes. */
  readonly wait: { readonly low: number; readonly high: number } | undefined;
}

export const kindOfStep = (text: string): StepKind => kinds.find(([pattern]) => pattern.test(text))?.[1] ?? "prepare";
export const isStep = (text: string): boolean => kinds.some(([pattern]) => pattern.test(text));

/** What a clause is about where it stands behind others: a wait at the heat is part of the cooking, greasing goes with what it is for. */
function phaseOf(clause: string, before: StepKind | undefined): StepKind | undefined {
  const kind = kinds.find(([pattern]) => pattern.test(clause))?.[1];
  const isGreasing =
    /\b(?:grease|greased|butter|oil|brush|wipe)\b/i.test(clause) &&
    !/\b(?:batter|bowl|whisk|stir|beat)\b/i.test(clause);
  // Into a pan that is hot something is poured, whatever the words for it.
  if (
    (before === "preheat" || before === "cook") &&
    /^(?:then |and )?(?:pour|drop|spoon|ladle|scoop|tip|add) (?:in\b|a (?:little|spoon|ladle)|spoon|ladle|table|heaped|the batter|some batter|batter|mixture|one\b|\d)/i.test(
      clause.trim(),
    ) &&
    !/\b(?:oil|butter|fat)\b/i.test(clause)
  )
    return "cook";
  if (kind === undefined) return isGreasing && before !== "preheat" && before !== "cook" ? undefined : before;
  if (before === "cook" && kind === "rest" && !/\bbatter\b/i.test(clause)) return "cook";
  // "Add a little butter" in a hot pan mixes nothing.
  if (
    (before === "preheat" || before === "cook") &&
    kind === "mix" &&
    (isGreasing || /\b(?:the rest|remaining) (?:of the )?batter\b|\brepeat\b/i.test(clause))
  )
    return before;
  return kind;
}

/** A row of the method as steps: one for each thing it goes through, so that every wait and every heat stands with its own. */
export function stepsOfRow(row: string): MethodStep[] {
  const isWait = (clause: string) => kindOfStep(clause) === "rest" && minutesIn(clause) !== undefined;
  const cuts = [...row.matchAll(new RegExp(joints, "gi"))].map((found) => ({
    end: found.index,
    start: found.index + found[0].length,
  }));
  const clauses = [{ start: 0, end: row.length }, ...cuts].map(({ start }, index) => ({
    start,
    end: cuts[index]?.end ?? row.length,
    text: row.slice(start, cuts[index]?.end ?? row.length),
  }));
  const groups: { kind: StepKind | undefined; start: number; end: number }[] = [];
  for (const { start, end, text } of clauses) {
    const last = groups.at(-1);
    const kind = phaseOf(text, last?.kind);
    // A rest without minutes is a remark of what it stands in, unless it is all there is.
    const isRemark = kind === "rest" && !isWait(text) && last !== undefined;
    if (last && (kind === last.kind || isRemark || last.kind === undefined)) {
      last.end = end;
      last.kind ??= kind;
    } else groups.push({ kind, start, end });
  }
  return groups.map(({ kind: phase, start, end }): MethodStep => {
    const said = row.slice(start, end).trim();
    const text = said.charAt(0).toUpperCase() + said.slice(1);
    const kind = phase ?? "prepare";
    const told = groups.length === 1 || /[.!?]$/.test(text) ? text : `${text.replace(/[,;]$/, "")}.`;
    return { kind, text: groups.length === 1 ? row : told, wait: kind === "rest" ? minutesIn(said) : undefined };
  });
}

const turning = /\b(?:flip|turn(?:ing)?(?: it| them| over| once|,|\b))/i;
/**
 * The minutes of both sides that a cooking step names: before the turn and after it; "2 minutes on each side" is both.
 * @returns undefined where none is named.
 */
export function sidesIn(
  text: string,
): { side1: { low: number; high: number }; side2: { low: number; high: number } | undefined } | undefined {
  const first = minutesIn(text);
  if (!first) return undefined;
  if (/\b(?:per|each|both|a|either) sides?\b/i.test(text)) return { side1: first, side2: first };
  const at = turning.exec(text);
  if (!at) return { side1: first, side2: undefined };
  const [before, after] = [minutesIn(text.slice(0, at.index)), minutesIn(text.slice(at.index))];
  return before ? { side1: before, side2: after } : { side1: first, side2: undefined };
}

/** What a method says is seen: on the upper side before the turn, and when a piece is done. */
const looks: readonly (readonly [RegExp, Cue])[] = [
  [/\bbubbles?\b[^.]*\b(?:stay|pop|burst|break|holes?|open)\b|\bholes? (?:stay|remain)\b/i, "bubbles-stay-open"],
  [/\b(?:first|a few|small) bubbles?\b/i, "first-bubbles"],
  [/\bbubbles?\b[^.]*\b(?:cover|all over|whole|surface|top)\b/i, "whole-top"],
  [/\b(?:edges?|rims?|sides?)\b[^.]*\b(?:dull|matt?e)\b|\b(?:dull|matte)\b[^.]*\b(?:edges?|rims?)\b/i, "dull-rim"],
  [/\b(?:edges?|sides?)\b[^.]*\b(?:dry|set|firm)\b/i, "dry-sides"],
  [/\bedges?\b[^.,;]*\b(?:brown|golden|curl|lift)/i, "brown-edge"],
  [/\b(?:slides?|loosens?|comes? away|releases?)\b/i, "slides"],
  [/\b(?:steam(?:ing)?)\b[^.]*\b(?:stop|dies|less)/i, "steam-stops"],
  [/\b(?:lamp|light)\b[^.]*\b(?:goes|turns|comes|green|off|on)\b/i, "lamp"],
  [/\bpuffed\b/i, "puffed-and-brown"],
  [/\b(?:golden|browned|brown)\b/i, "golden-below"],
  [/\bcooked through\b|\bset in the middle\b/i, "set-in-middle"],
];
export const cuesIn = (text: string): Cue[] => [
  ...new Set(looks.flatMap(([pattern, cue]) => (pattern.test(text) ? [cue] : []))),
];

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
