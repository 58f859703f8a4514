import type { Stage } from "~/core/plan";
import { stageWords } from "./en";

/** What a page is for, what to do on it first, and the words it uses. */
export interface Help {
  readonly title: string;
  readonly purpose: string;
  readonly first: string;
  readonly words: readonly (readonly [word: string, means: string])[];
}

/** The glossary: one word for one thing, on every page. */
export const glossary = {
  station: "One table of people who work through the recipe together.",
  surface: "Anything that cooks: a griddle, a pan, an iron, an oven.",
  "hot place": "A surface in use that an adult watches.",
  load: "The pieces that cook together on one surface.",
  tester: "A first piece that proves the heat; it is thrown away and is in the batter.",
  kit: "Everything one station gets, by container.",
  variant: "The same recipe another way: without egg, with berries.",
  "kept back": "Liquid or flour that is packed apart, for a batter that turns out too thick or too thin.",
  "sign off":
    "To say that a page is checked, with your name and the time; the allergies with a decision for all that stands open. A later change says what it touched.",
  "kept apart": "A station that cooks first, on a surface of its own, from a kit that is packed first.",
  window: "How long a batter must rest at the least and may stand at the most.",
  bell: "A moment at which you call the room.",
  save: "To store what a form or an editor holds. Ticks and bells are stored by themselves.",
  "way out":
    "Something that would mend what stands in the way, worked out with the whole class, done and taken back with one press.",
  "step along": "Everybody does each step with whoever leads; nobody goes on before the room is there.",
  "batter pen": "What batter is drawn with. With fewer pens than tables they go round.",
  household: "A station of a class on video: it shares nothing with any other.",
} as const;

/** The glossary as the page that is kept in the documents. */
export const glossaryText = (of: Readonly<Record<string, string>>): string =>
  [
    "# Glossary",
    "",
    "One word for one thing, in the program as in its documents. Written from `ui/words/help.ts` by `npm run schema`.",
    "",
    ...Object.entries(of)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([word, meaning]) => `- **${word}**: ${meaning}`),
    "",
  ].join("\n");

const words = (...names: (keyof typeof glossary)[]): Help["words"] => names.map((name) => [name, glossary[name]]);

const stageHelp: Readonly<Record<Stage, Omit<Help, "title">>> = {
  recipe: {
    purpose: "The recipe as this class makes it, with what is wrong with it and how to mend it.",
    first:
      "Look at what stands in the way first: nothing can be packed from a recipe with an amount that nobody knows.",
    words: words("variant", "window", "tester"),
  },
  brief: {
    purpose: "The few facts that decide all others: how many, how old, how long, which recipe, which kitchen.",
    first: "Change a number and watch what follows beside it; nothing is saved until you say so.",
    words: words("station", "hot place", "tester"),
  },
  allergies: {
    purpose: "Every person against everything that touches their plate, from labels that somebody read.",
    first: "Read the labels that are not read yet; until then a plate is unknown, and unknown is never clear.",
    words: words("kept apart", "variant", "sign off"),
  },
  amounts: {
    purpose: "What each station takes, in cups, spoons and grams.",
    first: "Look at the amounts that no spoon comes close to: those are weighed.",
    words: words("station", "kept back", "kit"),
  },
  kits: {
    purpose: "What is packed into which container, for whom, in which order.",
    first: "Open the packing table on a tablet beside the scale.",
    words: words("kit", "kept back", "kept apart"),
  },
  gear: {
    purpose: "What has to be there, counted against what the kitchen owns, and where it is plugged in.",
    first: "Look at what is short: beside it stands what else would do.",
    words: words("surface", "hot place"),
  },
  timeline: {
    purpose: "Who does what when, whether it fits, and what holds it up.",
    first: "Where it does not fit, the ways out stand below, each worked out with the whole class.",
    words: words("load", "tester", "window", "bell", "way out", "step along"),
  },
  teach: {
    purpose: "The class as it runs, for a tablet on the counter.",
    first: "Start the class, then ring each bell when the room is there.",
    words: words("bell", "load", "hot place"),
  },
  log: {
    purpose: "What happened beside what was planned, for the next time.",
    first: "Write down what you would do differently while you still know.",
    words: words("bell", "load"),
  },
};

const otherHelp: readonly (readonly [path: RegExp, help: Help])[] = [
  [
    /^\/$/,
    {
      title: "Classes",
      purpose: "Every class, the next one first.",
      first: "Begin with “New class”, or plan one again that went well.",
      words: words("sign off"),
    },
  ],
  [
    /^\/recipes/,
    {
      title: "Batter book",
      purpose: "Recipes with their revisions; a class keeps the revision it was planned with.",
      first: "Paste a recipe as you have it: what is not understood is asked about.",
      words: words("variant", "window", "kept back"),
    },
  ],
  [
    /^\/pantry/,
    {
      title: "Pantry",
      purpose: "What a cup, a spoon and a piece of each ingredient weigh, and what is in it by nature.",
      first: "Weigh what matters to you once and put your own figure in.",
      words: [],
    },
  ],
  [
    /^\/kitchens/,
    {
      title: "Kitchens",
      purpose: "Where you teach: what cooks, what is in the drawers, what the sockets carry.",
      first: "Begin with the kind of room that is most like yours and open row by row.",
      words: words("surface", "hot place"),
    },
  ],
  [
    /^\/bench/,
    {
      title: "Bench",
      purpose: "Change a batter and see at once how thick it gets and what else that does.",
      first: "Choose a recipe, then move one amount.",
      words: words("window"),
    },
  ],
];

const beside: Readonly<Record<string, Stage>> = {
  people: "brief",
  labels: "allergies",
  "day-sheet": "allergies",
  scaling: "amounts",
  shopping: "kits",
  prep: "kits",
  "kit-labels": "kits",
  containers: "kits",
  pack: "kits",
  load: "gear",
  call: "teach",
};

/** The help of the page at an address; undefined where the page says all itself. */
export function helpOf(pathname: string): Help | undefined {
  const page = /^\/classes\/[0-9a-f-]{36}\/([a-z-]+)/.exec(pathname)?.[1];
  if (page !== undefined) {
    const stage = page in stageHelp ? (page as Stage) : beside[page];
    return stage ? { title: stageWords[stage], ...stageHelp[stage] } : undefined;
  }
  return otherHelp.find(([path]) => path.test(pathname))?.[1];
}
