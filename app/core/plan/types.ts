import type { Regime, PersonVerdict } from "~/core/allergen";
import type { AltitudeAdvice, Batter, BatchYield, BatterFinding } from "~/core/batter";
import type { GearFinding, GearLine, Kitchen } from "~/core/gear";
import type { KitLine, Total } from "~/core/kit";
import type { Exposure } from "~/core/contact";
import type { Ingredient, LabelReading, PackSize, SharedFood, Substance } from "~/core/pantry";
import type { Arrangement, Audience, Participant, Station } from "~/core/people";
import type { Ratio, Grams, Millilitres, Minutes, Pieces } from "~/core/quantity";
import type { Recipe, RecipeFinding, RoundParts, ShapeId, Take, TrayKeeping } from "~/core/recipe";
import type { BatchRule, EggRule, StationScale } from "~/core/scale";
import type { HouseRule } from "~/core/turns";
import type { DemoMode, KitMode, Order, Pin, ScheduleFinding, Timeline } from "~/core/schedule";

/** The few facts that decide the rest. Minutes are whole. */
export interface Brief {
  /** People who cook, whether or not the register names them yet; 0 to 400. */
  readonly people: number;
  /** People who eat and do not cook: fed by the stations, spread over them; 0 to 400. */
  readonly tasters: number;
  readonly audience: Audience;
  /** From doors to the last person out. */
  readonly minutes: Minutes;
  readonly piecesEach: Ratio;
  readonly stationSize: number;
  /** Adults beside the instructor. */
  readonly helpers: number;
  readonly kitMode: KitMode;
  readonly demo: DemoMode;
  readonly testersPerSurface: number;
  readonly batchRule: BatchRule;
  readonly eggRule: EggRule;
  /** A container for each line of a kit, or one for all that a bowl takes at once. */
  readonly containerPer: "line" | "bowl";
  readonly measuringSetId: string;
  /** What is missing from the set, by the names of scoops such as “1/3 cup”. Never all that it has. */
  readonly missingScoops: readonly string[];
  /** How far scoops may be off, in percent: leaveners and salt, and everything else. */
  readonly strictTolerancePercent: number;
  readonly usualTolerancePercent: number;
  /** Salt and strong spice at nine tenths where a station makes more than four batches. */
  readonly easesSpice: boolean;
  readonly regime: Regime;
  /** Hot places one adult can watch; 0 for no such rule. Applies where children cook. */
  readonly hotPlacesPerAdult: number;
  readonly doorsMinutes: Minutes;
  readonly eatMinutes: Minutes;
  readonly cleanMinutes: Minutes;
  /** All eat together once the last piece is out; or each piece is eaten as it comes, at the tables. Absent: together. */
  readonly mealMode?: MealMode | undefined;
  /** A batch for the instructor's own bowl. */
  readonly hasDemoBatch: boolean;
  /** A whole kit more, for the bowl that goes on the floor. */
  readonly hasSpareKit: boolean;
  /** Every station is a household of its own: nothing but the packing table is shared. */
  readonly isRemote: boolean;
  readonly stationNames: readonly string[];
  /** What people should be able to do or say afterwards, a line each, in the instructor's words; absent where nobody wrote any. */
  readonly aims?: readonly string[] | undefined;
}

/** How a class eats: two schools, and what waits on a tray follows. */
export const mealModes = ["together", "as-it-comes"] as const;
export type MealMode = (typeof mealModes)[number];

/** Aims a class can have, and letters of one, at the most. */
export const mostAims = 12;
export const longestAim = 160;

/** A recipe revision in one of its variants, and how many stations make it; null for all that are left. */
export interface Dish {
  readonly id: string;
  readonly recipe: Recipe;
  readonly variantId: string | null;
  readonly stations: number | null;
  /** Batches each of its stations makes whatever is wanted; absent where as many as are wanted are made. Above 0, at most 8. */
  readonly bowl?: Ratio | undefined;
  /** Only what is wanted is cooked of a larger batter; absent where all of it is. */
  readonly cooks?: "wanted" | undefined;
  /**
   * Its stations mix in two halves, the second while the first is cooked; or its batter is made before the doors and comes cold. Absent
   * where they mix at once.
   */
  readonly mixing?: Mixing | undefined;
  /** Alternatives of the recipe that this class takes. */
  readonly takes?: readonly Take[] | undefined;
  /** How many of each round of its recipe this class makes, where it is not as the recipe says. */
  readonly rounds?: readonly RoundParts[] | undefined;
  /** Batches of its dry mix that are made, one bag each; what the class does not use is stored. Whole, 1 to 40; absent, as many as are used. */
  readonly bulk?: number | undefined;
  /** The newest revision of the recipe there is, where that is known; the class keeps the one it has. */
  readonly newestRevision?: number | undefined;
}

/** How a batter is mixed where it is not mixed at once, by the tables. */
export const mixings = ["halves", "ahead"] as const;
export type Mixing = (typeof mixings)[number];

/** Batches of dry mix made at once, at the most. */
export const mostBulk = 40;

/** What a class settles of a dish beside its recipe and its stations. */
export type Settled = Pick<Dish, "bowl" | "cooks" | "mixing" | "takes" | "rounds" | "bulk">;

/** What a class has settled of a dish beside its recipe: it stays when the brief names the same recipe again. */
export const settledOf = (before: Dish | undefined, recipeId: string): Settled =>
  before?.recipe.id === recipeId
    ? {
        bowl: before.bowl,
        cooks: before.cooks,
        mixing: before.mixing,
        takes: before.takes,
        rounds: before.rounds,
        bulk: before.bulk,
      }
    : {};

/** Everything a plan is computed from. What the program stores is this, never the plan. */
export interface ClassInput {
  readonly id: string;
  readonly title: string;
  /** Local date and time, ISO without offset: "2026-11-28T10:00". */
  readonly startsAt: string;
  readonly timeZone: string;
  /** What prices are in, as an ISO 4217 code; nothing is printed beside a sum where nobody said. */
  readonly currency?: string | undefined;
  readonly brief: Brief;
  readonly people: readonly Participant[];
  readonly dishes: readonly Dish[];
  readonly kitchen: Kitchen;
  readonly pantry: readonly Ingredient[];
  readonly labels: readonly LabelReading[];
  readonly packs: readonly PackSize[];
  /** Seats as arranged; absent while the order of the register decides and nobody is kept apart. */
  readonly arrangement?: Arrangement | undefined;
  /** Bells that somebody pinned; each kind at most once. */
  readonly pins?: readonly Pin[] | undefined;
  /** The order of the loads as a search found it; absent while the rules decide. */
  readonly order?: Order | undefined;
  /** House rules of this class that differ from the usual: who of which age may do what. */
  readonly house?: readonly HouseRule[] | undefined;
  /** Food that people bring along and everybody may eat of. */
  readonly shared?: readonly SharedFood[] | undefined;
}

/** The verdict on a person's plate, with what reaches it from the rest of the room. */
export interface Plate extends PersonVerdict {
  readonly exposures: readonly Exposure[];
}

export const stages = ["recipe", "brief", "allergies", "amounts", "kits", "gear", "timeline", "teach", "log"] as const;
export type Stage = (typeof stages)[number];

/** Where advice differs from person to person and no list decides. */
export const needQuestions = ["buckwheat", "coconut", "lupin", "vanilla-alcohol"] as const;
export type NeedQuestion = (typeof needQuestions)[number];

export type PlanFinding =
  | { readonly code: "no-dish"; readonly level: "blocks" }
  | { readonly code: "dishes-overbooked"; readonly level: "blocks"; readonly asked: number; readonly stations: number }
  | { readonly code: "dishes-underbooked"; readonly level: "blocks"; readonly asked: number; readonly stations: number }
  | { readonly code: "register-short"; readonly level: "notes"; readonly named: number; readonly people: number }
  | { readonly code: "register-over"; readonly level: "warns"; readonly named: number; readonly people: number }
  /** Too few adults in the room for the children who cook. */
  | { readonly code: "adults-few"; readonly level: "warns"; readonly adults: number; readonly wanted: number }
  /** Households with children who cook and no grown-up named: at home nobody else is beside the heat. */
  | { readonly code: "home-without-adult"; readonly level: "warns"; readonly stationIds: readonly string[] }
  /** Tasters of a remote class who belong to no household of it: nobody cooks for them. */
  | { readonly code: "tasters-far"; readonly level: "warns"; readonly people: number }
  /** Sockets and breakers at home are each household's own: nobody here knows them. */
  | { readonly code: "home-sockets"; readonly level: "notes" }
  /** Children under six whom no grown-up of the register looks after. */
  | { readonly code: "small-alone"; readonly level: "warns"; readonly names: readonly string[] }
  /** What standing takes up of a station's liquid until its last pour, in millilitres, where it is enough to matter. */
  | {
      readonly code: "batter-thickens";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
      readonly lowMl: Millilitres;
      readonly highMl: Millilitres;
    }
  | { readonly code: "demo-long"; readonly level: "notes"; readonly minutes: Minutes; readonly borne: Minutes }
  | { readonly code: "not-answered"; readonly level: "warns"; readonly people: number }
  | { readonly code: "recipe-is-draft"; readonly level: "warns"; readonly title: string }
  | {
      readonly code: "pieces-short";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly made: Pieces;
      readonly wanted: Pieces;
    }
  /** Made with the usual loss they are enough; with what children leave in bowl and ladle they are not. */
  | {
      readonly code: "children-leave-more";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly left: number;
      readonly makes: Pieces;
      readonly wanted: Pieces;
    }
  | ({ readonly code: "altitude"; readonly level: "notes"; readonly metres: number } & AltitudeAdvice)
  /** Exactly as many pieces as are wanted: nothing for what falls, tears or burns. */
  | { readonly code: "nothing-to-spare"; readonly level: "notes"; readonly stationIds: readonly string[] }
  /** Nobody knows how much is taken, so nothing is bought. */
  | { readonly code: "topping-to-taste"; readonly level: "notes"; readonly ingredientIds: readonly string[] }
  /** A batter is made before the doors: grams of it, null while an amount is not known, and whether it has raw egg or milk. */
  | {
      readonly code: "made-ahead";
      readonly level: "notes";
      readonly grams: Grams | null;
      readonly isPerishable: boolean;
    }
  /** Its window ends before anybody could cook it: what makes it rise would be spent. */
  | { readonly code: "ahead-does-not-keep"; readonly level: "warns"; readonly max: Minutes }
  /** Fewer batches of dry mix are made than the class uses. */
  | { readonly code: "bulk-short"; readonly level: "warns"; readonly made: number; readonly used: number }
  /** Nothing of this recipe can be mixed dry ahead. */
  | { readonly code: "bulk-nothing-dry"; readonly level: "warns"; readonly made: number }
  /** Of what is drawn: millilitres of the largest and of a piece; minutes of the longest and of a piece's pour; the narrowest neck. */
  | {
      readonly code: "shapes-too-large";
      readonly level: "warns";
      readonly shapeIds: readonly ShapeId[];
      readonly ml: Millilitres;
      readonly portionMl: Millilitres;
    }
  | {
      readonly code: "shapes-take-longer";
      readonly level: "notes";
      readonly minutes: Minutes;
      readonly pourMinutes: Minutes;
    }
  | { readonly code: "own-products-in-a-room"; readonly level: "warns"; readonly names: readonly string[] }
  | {
      readonly code: "rounds-open";
      readonly level: "notes";
      /** Loads more than planned, over all its tables, if each decides for what takes the most; and what that is for one table at most. */
      readonly loads: number;
      readonly minutes: Minutes;
    }
  | {
      readonly code: "shapes-may-tear";
      readonly level: "warns";
      readonly shapeIds: readonly ShapeId[];
      readonly neckMm: number;
    }
  /** °C that are held or reached, and what the rules of the class want. */
  | {
      readonly code: "held-too-cool";
      readonly level: "warns";
      readonly stepId: string;
      readonly c: number;
      readonly least: number;
    }
  | {
      readonly code: "reheated-too-cool";
      readonly level: "warns";
      readonly stepId: string;
      readonly c: number;
      readonly least: number;
    }
  | {
      readonly code: "held-too-warm";
      readonly level: "warns";
      readonly stepId: string;
      readonly c: number;
      readonly most: number;
    }
  /** Minutes from the first piece out to the meal, and the most its recipe holds them. */
  | {
      readonly code: "held-too-long";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
      readonly most: Minutes;
    }
  /** Pieces that wait on a tray for the meal, which their recipe does not hold: minutes of the first of them, and how long such pieces bear. */
  | {
      readonly code: "waits-on-tray";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly minutes: Minutes;
      readonly most: Minutes;
      readonly keep: TrayKeeping;
    }
  /** A bowl of a fixed size makes less than is wanted. */
  | {
      readonly code: "bowl-short";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly batches: Ratio;
      readonly made: Pieces;
      readonly wanted: Pieces;
    }
  /** Batter that is mixed and not cooked, as only what is wanted is. */
  | {
      readonly code: "batter-left";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly pieces: Pieces;
      readonly grams: Grams;
    }
  /** Pieces that make no whole serving. */
  | {
      readonly code: "odd-pieces";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly perServing: Pieces;
      readonly pieces: Pieces;
    }
  /** An alternative is taken that the author advises against. */
  | {
      readonly code: "alternative-against";
      readonly level: "warns";
      readonly ingredientId: string;
      readonly insteadOf: string;
      readonly reason: string;
    }
  | {
      readonly code: "twice-as-much";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly made: number;
      readonly wanted: number;
    }
  | {
      readonly code: "egg-fraction";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly ingredientId: string;
      readonly count: Ratio;
      readonly grams: Grams;
    }
  | {
      readonly code: "cannot-eat";
      readonly level: "warns";
      readonly participantId: string;
      readonly name: string;
      readonly ingredientIds: readonly string[];
    }
  | {
      readonly code: "may-not-eat";
      readonly level: "warns";
      readonly participantId: string;
      readonly name: string;
      readonly ingredientIds: readonly string[];
    }
  | {
      readonly code: "plate-unknown";
      readonly level: "warns";
      readonly participantId: string;
      readonly name: string;
      readonly ingredientIds: readonly string[];
    }
  | {
      readonly code: "contact-reaches";
      readonly level: "warns";
      readonly participantId: string;
      readonly name: string;
      readonly substances: readonly Substance[];
      /** Foods by name, for people who avoid a food by its name. */
      readonly foods: readonly string[];
    }
  | { readonly code: "words-not-read"; readonly level: "warns"; readonly people: number }
  | { readonly code: "label-of-other-product"; readonly level: "warns"; readonly ingredientIds: readonly string[] }
  /** Coeliac disease written down as one cereal: gluten is meant, or it is no coeliac disease. Somebody asks. */
  | { readonly code: "coeliac-as-cereal"; readonly level: "warns"; readonly names: readonly string[] }
  /** Something is eaten from a stick at a table where somebody sits who may not, by the house rules. */
  | {
      readonly code: "stick-for-small";
      readonly level: "warns";
      readonly stationIds: readonly string[];
      readonly people: number;
    }
  | {
      readonly code: "contact-not-checked";
      readonly level: "notes";
      /** The piece that is shown is tasted by somebody, and several toppings stand on one table. */
      readonly hasDemoPiece: boolean;
      readonly hasToppings: boolean;
      /** Pieces of different dishes wait or are warmed in one oven, covered dish or the like. */
      readonly isHeldTogether: boolean;
    }
  /** A word for a food that nobody understands, or a slip of one that is known: asked, and unknown until somebody says what it covers. */
  | {
      readonly code: "need-word-open";
      readonly level: "warns";
      readonly participantId: string;
      readonly name: string;
      readonly word: string;
      readonly nearest: string | null;
    }
  /** A word for many foods: all of them are meant until somebody says which. */
  | {
      readonly code: "need-family-asked";
      readonly level: "notes";
      readonly participantId: string;
      readonly name: string;
      readonly word: string;
      readonly members: readonly string[];
    }
  /** What the rules leave open for somebody: they are asked, with the reason. */
  | {
      readonly code: "need-question";
      readonly level: "notes";
      readonly participantId: string;
      readonly name: string;
      readonly question: NeedQuestion;
      readonly ingredientId: string;
    }
  | {
      readonly code: "newer-revision";
      readonly level: "notes";
      readonly title: string;
      readonly has: number;
      readonly newest: number;
    }
  | {
      readonly code: "spice-could-ease";
      readonly level: "notes";
      readonly stationIds: readonly string[];
      readonly ingredientIds: readonly string[];
    }
  | {
      readonly code: "scoops-off";
      readonly level: "warns";
      /** Kits come weighed: nobody measures it with a spoon. */
      readonly isWeighed: boolean;
      readonly stationIds: readonly string[];
      readonly ingredientId: string;
      readonly error: number;
    };

type AnyFinding = RecipeFinding | BatterFinding | GearFinding | ScheduleFinding | PlanFinding;

/** A finding with the stage it is to be settled in and the dish it is about. */
export type Finding = AnyFinding & { readonly stage: Stage; readonly dishId: string | null };
export type FindingCode = AnyFinding["code"];

/** How a figure was arrived at, as data; one sentence each in the words. */
export type Why =
  | { readonly code: "stations"; readonly people: number; readonly stationSize: number }
  | {
      readonly code: "pieces-per-batch";
      readonly from: BatchYield["from"];
      readonly leftBehind: number;
      readonly airFactor: number;
    }
  | {
      readonly code: "batches";
      readonly stations: readonly { readonly factor: Ratio; readonly stations: number }[];
      readonly rule: BatchRule;
    }
  | {
      readonly code: "pieces-made";
      readonly made: number;
      readonly wanted: number;
      /** Who eats: those who cook, and tasters. */
      readonly people: number;
      readonly piecesEach: Ratio;
    }
  | { readonly code: "loads"; readonly pieces: Pieces; readonly loads: number; readonly places: number }
  | { readonly code: "minutes"; readonly parts: Timeline["critical"] }
  | { readonly code: "room"; readonly minutes: Minutes; readonly available: number }
  | {
      readonly code: "total";
      readonly stations: number;
      readonly hasDemoBatch: boolean;
      readonly hasSpareKit: boolean;
    };

/** The figures an instructor reads first, in the order of the work. */
export interface KeyFigure {
  readonly code:
    "stations" | "pieces-per-batch" | "batches" | "pieces-made" | "over" | "loads" | "minutes" | "slack" | "total";
  /** Which of several: a dish, an ingredient. */
  readonly of: string | null;
  readonly value: number;
  readonly why: Why;
}

export interface StationPlan extends Station {
  readonly dishId: string;
  /** Own kit packed first, own gear, cooks first on a clean surface of its own. */
  readonly isApart: boolean;
  readonly scale: StationScale;
  /** People it feeds: its own, and its share of those who only taste. */
  readonly eaters: number;
  /** Pieces it cooks, testers with them: all that it makes, or only what is wanted. */
  readonly cooked: Pieces;
  /** Loads it cooks, and pieces of its batter thrown away to prove a surface. */
  readonly loads: number;
  readonly testers: number;
  /** What is eaten of each round of its recipe, in the order they are cooked; absent where all pieces are alike. */
  readonly rounds?: readonly { readonly roundId: string; readonly pieces: Pieces }[] | undefined;
  /** The id of the measuring set it has to itself; absent where it measures with the class's. */
  readonly ownSet?: string | undefined;
  readonly kit: readonly KitLine[];
  /** Where the batter is mixed in two halves: batches in one half, its lines as they are measured, and what of the kit is no batter. */
  readonly halves?:
    { readonly factor: Ratio; readonly each: readonly KitLine[]; readonly rest: readonly KitLine[] } | undefined;
  /** Where the batter is made before the doors: what is in it, and what of the kit is no batter. */
  readonly ahead?: { readonly batter: readonly KitLine[]; readonly rest: readonly KitLine[] } | undefined;
}

/** Kits that no station has: the instructor's own bowl, one more for what goes on the floor, dry mix that is made along and stored. */
export const extraKinds = ["demo", "spare", "stored"] as const;
export interface ExtraKit {
  readonly kind: (typeof extraKinds)[number];
  readonly dishId: string;
  readonly factor: Ratio;
  readonly kit: readonly KitLine[];
  /** Of a stored mix: how many bags of one batch, what is in each, and what is added to one when it is used. */
  readonly stored?: {
    readonly bags: number;
    readonly each: readonly KitLine[];
    readonly add: readonly KitLine[];
  };
}

export interface DishPlan {
  readonly id: string;
  /** The recipe as its variant makes it. */
  readonly recipe: Recipe;
  readonly variantId: string | null;
  readonly variantName: string | null;
  /** The step up to which every table of this recipe does the same, where another of its ways is made too; absent where none is. */
  readonly partsAt?: string | undefined;
  readonly stations: number;
  readonly batter: Batter;
  readonly batchYield: BatchYield;
  /** Batches every station makes whatever is wanted; absent where as many as are wanted are made. */
  readonly bowl?: Ratio | undefined;
  readonly cooks?: "wanted" | undefined;
  readonly mixing?: Mixing | undefined;
  /** What is left for the tables to do where the batter is made before the doors; absent where they mix it. */
  readonly atTable?: Recipe | undefined;
  /** Batches of dry mix that are made; see {@link Dish}. */
  readonly bulk?: number | undefined;
}

export interface ClassPlan {
  readonly stations: readonly StationPlan[];
  readonly dishes: readonly DishPlan[];
  /** The instructor's own bowl and the spare kit, when the brief asks for them, and stored dry mix; the two fields after it are their kits. */
  readonly extras: readonly ExtraKit[];
  readonly demoKit: readonly KitLine[];
  readonly spareKit: readonly KitLine[];
  readonly totals: readonly Total[];
  readonly gear: readonly GearLine[];
  readonly timeline: Timeline;
  readonly plates: readonly Plate[];
  readonly figures: readonly KeyFigure[];
  readonly findings: readonly Finding[];
  /** False while an amount is unknown or the ledger does not add up: nothing may be packed. */
  readonly isPackable: boolean;
}
