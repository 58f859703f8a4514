import { spiceEase } from "~/core/kit";
import type { ClassInput, Finding, FindingCode, KeyFigure, NeedQuestion, Why } from "~/core/plan";
import {
  degrees,
  fraction,
  grams,
  howMany,
  list,
  minutes,
  number,
  people,
  temperature,
  thin,
} from "~/ui/format/format";
import { toNumber } from "~/core/quantity";
import { type TrayKeeping, holdColdC } from "~/core/recipe";
import type { SurfaceCare } from "~/core/gear";
import type { Substance } from "~/core/pantry";
import {
  sharedThingWords,
  batchRuleWords,
  bellWords,
  criticalWords,
  cueWords,
  familyWords,
  hazardWords,
  substanceWords,
  surfaceWords,
  toolWords,
} from "./en";
import { shapeWords } from "./looks";
import type { Names } from "./names";
import { inRegion } from "./regional";

/** A food or substance by its own name in a sentence. */
const foodWord = (word: string): string => (substanceWords[word as Substance] ?? word).toLowerCase();

/** How pieces wait best. */
const trayWords: Readonly<Record<TrayKeeping, string>> = {
  cloth: "Keep them stacked under a cloth.",
  rack: "Keep them side by side on a rack, not stacked and not under a lid; a low oven keeps them crisp.",
  "at-once": "They fall as they cool: bring them to the table at once.",
};

/** "an oven", "a griddle": by the letter it begins with. */
const withArticle = (word: string): string => `${/^[aeiou]/i.test(word) ? "an" : "a"} ${word}`;

/** What is asked of a person where the rules leave it open, each with the reason. */
const needQuestionWords: Readonly<Record<NeedQuestion, string>> = {
  buckwheat: "buckwheat is no wheat, but is often milled beside it and some react to it. Ask them.",
  coconut: "some with a nut allergy are told to avoid coconut, most are not. Ask them.",
  lupin: "lupin is a relative of peanut, and some react to both. Ask them or their clinician.",
  "vanilla-alcohol":
    "vanilla extract is made with alcohol, of which a little stays after cooking. Some agree to it, some do not. Ask them.",
};

export const careWords: Readonly<Record<SurfaceCare, string>> = {
  "no-metal": "no metal tools on the coating",
  "never-empty": "never heated empty, the coating fumes",
  "hot-handle": "the handle gets hot, dry cloth only",
  "lamp-heating": "the lamp is lit while it heats, out means ready",
  "lamp-ready": "the lamp comes on when it is ready",
  "lamp-unknown": "nobody wrote down what its lamp means: try it before the class",
};

type Sentence<C extends FindingCode> = (finding: Extract<Finding, { code: C }>, names: Names) => string;

const spoons = (value: number, { locale }: Names) => `${number(value, locale, 2)}${thin}tsp`;
const stationsOf = (finding: { readonly stationIds: readonly string[] }, names: Names) =>
  list(finding.stationIds.map(names.station), names.locale);
const ingredientsOf = (finding: { readonly ingredientIds: readonly string[] }, names: Names) =>
  list(finding.ingredientIds.map(names.ingredient), names.locale);

/** What each finding says: what is the matter, what may come of it, the way out. */
export const findingWords: { readonly [C in FindingCode]: Sentence<C> } = {
  "amount-unknown": (f, n) =>
    `How much ${n.ingredient(f.ingredientId)}? The recipe says “${f.said}”. It can be taught from, but nothing can be packed until this is a number.`,
  "used-not-listed": (f, n) =>
    `The method uses ${n.ingredient(f.ingredientId)}, but it is not on the list. Add a line for it, or take it out of the method.`,
  "wrong-twin": (f, n) =>
    `The method says ${n.ingredient(f.named)}, the list has ${n.ingredient(f.listed)} that no step uses. One of the two is a slip of the pen.`,
  "listed-not-used": (f, n) =>
    `${n.ingredient(f.ingredientId)} is listed but no step uses it. It would be bought and left over.`,
  "draws-unknown-line": (f) => `A step draws on a line “${f.lineId}” that is not on the list.`,
  "shares-do-not-add-up": (f, n) =>
    `The steps use ${fraction(f.drawn, n.locale)} of the ${n.ingredient(f.ingredientId)}; the shares of a line make 1.`,
  "ingredient-not-in-pantry": (f) =>
    `“${f.ingredientId}” is not in the pantry, so its weight and allergens are not known.`,
  "no-cook-step": () => "No step is at the heat, so no loads can be planned. Say which step is the cooking, or add it.",
  "pack-size-missing": (f, n) =>
    `How much is in one pack of ${n.ingredient(f.ingredientId)}? Give its net weight, or nothing can be totalled.`,
  "caution-left-out": (f) => `Left out on purpose: “${hazardWords[f.hazard]}” Because: ${f.reason}.`,
  "adult-not-named": () =>
    "Coating, pouring and carrying a hot dish, and boiling sauce, are an adult's. The step lets anyone do it.",
  "units-mixed": (f, n) =>
    `${list(f.byVolume.map(n.ingredient), n.locale)} by the cup, ${list(f.byMetric.map(n.ingredient), n.locale)} in grams or millilitres: a station needs both cups and a scale or jug.`,
  "part-empty": (f) => `“${f.name}” has no lines of its own, so nobody can make it.`,
  "part-without-step": (f) => `No step makes “${f.name}”, so its time and its cautions stand nowhere.`,
  "variant-without-line": (f) =>
    `“${f.name}” leaves out or swaps a line that is not on the list any more (${f.lineId}). It may not be what its name says.`,
  "soda-left-over": (f, n) =>
    `Soda left over: ${spoons(f.sodaTsp, n)} in the recipe, the acid in it takes about ${spoons(f.neutralisedTsp, n)}. About ${spoons(f.sodaTsp - f.neutralisedTsp, n)} stays and can be tasted. Less soda, or more of what is sour.`,
  "soda-without-acid": (f, n) =>
    `${spoons(f.sodaTsp, n)} of soda and nothing sour to wake it: flat and soapy. Use cultured milk, or baking powder instead.`,
  "acid-without-soda": (f, n) =>
    `Something sour in it and no soda to meet it: about ${spoons(f.acidTsp, n)} of soda would lift it, or more baking powder.`,
  "leavener-missing": (f, n) =>
    `Nothing lifts it: ${number(f.grams, n.locale, 0)} g of flour and no powder, soda or yeast. Right for crepes and oven-puffed pancakes, flat here.`,
  "ceiling-passed": (f, n) =>
    f.level === "blocks"
      ? `${number(f.gramsPer100, n.locale, 0)} g of ${n.ingredient(f.ingredientId)} to 100 g of flour: nobody can have meant that, so it is refused. Was it a smaller spoon?`
      : `${number(f.gramsPer100, n.locale)} g of ${n.ingredient(f.ingredientId)} to 100 g of flour is a lot; more than ${number(f.most, n.locale)} g is seldom meant. Was it a smaller spoon?`,
  "film-outside-band": (f, n) =>
    `The pour lies ${number(f.millimetres, n.locale, 1)}${thin}mm thick over the piece, usual is ${number(f.least, n.locale, 1)} to ${number(f.most, n.locale, 1)}: ${
      f.millimetres < f.least ? "it will not cover, or tears" : "it spreads further, or stays raw inside"
    }. ${number(f.pourMl, n.locale, 0)}${thin}ml would lie as usual, or a piece of ${number(f.acrossCm, n.locale, 0)}${thin}cm; tilt the pan, or draw a smaller piece.`,
  "yield-off": (f, n) =>
    `The recipe says ${f.claimed} pieces; its batter gives ${f.computed}${f.portion === undefined ? "" : `, or ${f.claimed} of ${number(f.portion, n.locale, 0)} ${f.unit}`}.`,
  "window-missing": (f, n) =>
    `Its leavener fades, and the recipe sets no longest wait. Usually the last pour starts within ${minutes(f.wanted.max ?? 0, n.locale)} of mixing.`,
  "cue-not-visible": (f, n) =>
    `${n.ingredient(f.ingredientId)} makes it dark: ${list(
      f.cues.map((cue) => cueWords[cue]),
      n.locale,
    )} cannot be seen. Go by bubbles, rim and time.`,
  "main-amount-open": (f, n) =>
    `Nobody said how much ${list(f.ingredientIds.map(n.ingredient), n.locale)}: ${
      f.claimed === null
        ? "what a batch makes is reckoned without it, and is too little"
        : `a batch counts as the ${f.claimed} pieces the recipe claims`
    }. Give the amount before anybody shops.`,
  "pan-fat-not-said": (f, n) =>
    `Nothing greases the ${list(
      f.surfaceKinds.map((kind) => surfaceWords[kind].toLowerCase()),
      n.locale,
    )}. Non-stick needs nothing, bare metal does: say which fat, and it is counted and checked for allergies.`,
  "thirsty-flour": (f, n) =>
    `${n.ingredient(f.ingredientId)} drinks ${
      f.low === f.high ? "about " : `${number(f.low * 100, n.locale, 0)} to `
    }${number(f.high * 100, n.locale, 0)} % more liquid than white flour, and goes on while it stands: have a splash more at hand.`,
  "variant-without-flour": (f) =>
    `“${f.name}” leaves out the flour and puts nothing in its place: there is no batter. Swap the flour instead of leaving it out.`,
  "test-not-for-heat": (f, n) =>
    `Butter goes quiet at ${temperature(f.from, f.to, n.locale)}, long before the ${degrees(f.wanted, n.locale)} of this recipe: test with a drop of water or a thermometer.`,
  "test-wants-hotter": (f, n) =>
    `A drop of water dances from about ${degrees(f.least, n.locale)}; this recipe wants ${degrees(f.to, n.locale)} at most. Test with a drop that steams away at once, or a thermometer.`,
  "heat-of-another-family": (f, n) =>
    `Neither its surface nor its heat is usual for ${familyWords[f.family].toLowerCase()} (${temperature(f.from, f.to, n.locale)}).`,
  "salt-depends-on-brand": (f, n) =>
    `A spoon of coarse salt weighs what its brand makes of it: ${number(f.low, n.locale)}–${number(f.high, n.locale)} g here. Weigh it, or say which.`,
  "newer-revision": (f) =>
    `There is a newer revision of “${f.title}”: ${f.newest}. This class keeps revision ${f.has} until you choose the newer one in the brief.`,
  "spice-could-ease": (f, n) =>
    `${stationsOf(f, n)}: more than ${spiceEase.above} batches. ${ingredientsOf(f, n)} × ${number(toNumber(spiceEase.share), n.locale, 1)} is usually enough; the brief can do that.`,
  "powder-outside-band": (f, n) =>
    `${number(f.tspPer125g, n.locale, 1)} tsp of baking powder to 125 g of flour; ${f.from}–${f.to} is usual.`,
  "looseness-outside-band": (f, n) =>
    `Water-to-flour ratio ${number(f.looseness, n.locale, 2)}; this family is usually ${number(f.from, n.locale)}–${number(f.to, n.locale)}. ${f.looseness < f.from ? "It will be stiff: try a spoon more liquid." : "It will run: hold some liquid back."}`,
  "looseness-off-aim": (f, n) =>
    `Water-to-flour ratio ${number(f.looseness, n.locale, 2)}, where ${number(f.aim, n.locale, 2)} is aimed at. ${f.looseness < f.aim ? "It will be stiffer: a little more liquid." : "It will run: a little less liquid."}`,
  "aim-outside-band": (f, n) =>
    `A water-to-flour ratio of ${number(f.aim, n.locale, 2)} is aimed at; this family is usually ${number(f.from, n.locale)}–${number(f.to, n.locale)}.`,
  "density-unknown": (f, n) =>
    `The weight of the ${n.ingredient(f.ingredientId)} is not known, so batter and pieces are counted without it.`,
  "gear-short": (f, n) =>
    `Gear is short: ${list(
      f.items.map((item) => `${toolWords[item.tool]} (${item.owned} of ${item.needed})`),
      n.locale,
    )}. Borrow, or let stations share.`,
  "gear-not-counted": (f, n) =>
    `Nobody has counted how many the kitchen has of ${list(
      f.tools.map((tool) => toolWords[tool]),
      n.locale,
    )}.`,
  "circuits-short": (f, n) =>
    `Plugged in at once, what is to be hot draws ${number(f.watts, n.locale, 0)}${thin}W, and the circuits of this kitchen do not carry it: ${list(f.left, n.locale)} would have no socket that may run for hours.${f.isProven ? " Every way of plugging in was tried." : " Not every way of plugging in could be tried."} Use fewer at once, pans on a ${inRegion("hob", n.locale)}, or another circuit that somebody qualified has looked at.`,
  "stick-care": (f) =>
    `${f.sticks} sticks: wood or bamboo only, as plastic softens and metal burns; blunt ends for small children, who eat sitting down. Count them out and back.`,
  "dish-care": (f) =>
    `${howMany(f.dishes, "oven dish", "oven dishes")}: metal, cast iron, enamel or stoneware marked for the oven; glass only where it is heatproof, and never onto anything cold or wet. No handle of wood or plastic: it chars or melts.`,
  "circuits-not-known": (f, n) =>
    `Nobody wrote down the circuits of this kitchen. What is to be hot draws ${number(f.watts, n.locale, 0)}${thin}W; which sockets may carry it is not known.`,
  "surface-care": (f, n) =>
    `${f.surface}: ${list(
      f.cares.map((care) => careWords[care]),
      n.locale,
    )}.`,
  "no-surface": (f) =>
    `${f.recipeTitle} wants ${list(
      f.wanted.map((kind) => surfaceWords[kind]),
      "en",
    ).replace(" and ", " or ")}; this kitchen has none.`,
  "does-not-fit": (f, n) =>
    `Runs ${minutes(f.over, n.locale)} over: ${minutes(f.minutes, n.locale)} from doors to close, ${minutes(f.available, n.locale)} to spend. Fewer pieces each, one more surface, or kits measured beforehand.`,
  "waits-for-surfaces": (f, n) =>
    `Loads wait for ${withArticle(f.surfaceName.toLowerCase())}. With one more the class would close after ${minutes(f.withOneMore, n.locale)}, at least ${minutes(f.gained, n.locale)} sooner.`,
  "waits-for-thing": (f, n) =>
    `${stationsOf(f, n)}: up to ${minutes(f.minutes, n.locale)} of waiting for the ${sharedThingWords[f.thing]}, as ${f.count === 1 ? "one goes" : `${f.count} go`} round. With one more ${f.withOneMore > 1 / 60 ? `it is up to ${minutes(f.withOneMore, n.locale)}` : "nobody waits for it"}.`,
  "cook-by-passed": (f, n) =>
    f.why === "raw-batter"
      ? `${stationsOf(f, n)}: batter with raw egg or milk would stand ${minutes(f.minutes, n.locale)} before the last load; at room temperature it is ${minutes(f.max, n.locale)} in all, whatever its leavener. Keep it cold, mix later, or in two halves. Local food codes come first.`
      : `${stationsOf(f, n)}: the last load starts ${minutes(f.minutes, n.locale)} after the batter got wet, it is good for ${minutes(f.max, n.locale)}. Mix in two halves, or join dry and wet late.`,
  "circuit-near-limit": (f, n) =>
    `${list(f.appliances, n.locale)}: alone on its circuit, above what that should carry for hours. Nothing else on it, the lead unwound, and feel the plug from time to time; local electrical codes come first.`,
  "adults-few": (f) =>
    `${f.adults <= 1 ? "You are the only adult in the room" : `${howMany(f.adults, "adult")} in the room, you among them`}; ${f.wanted} in all are usual for so many children of this age. Ask for helpers.`,
  "small-alone": (f, n) =>
    `${list(f.names, n.locale)}: under six, and no grown-up of the register looks after them. Name one for each.`,
  "batter-thickens": (f, n) =>
    `The batter stands up to ${minutes(f.minutes, n.locale)} before its last load and takes up about ${number(f.lowMl, n.locale, 0)} to ${number(f.highMl, n.locale, 0)} ml of its liquid at a station: have that much at hand to loosen it.`,
  "demo-long": (f, n) =>
    `Mixing is shown for ${minutes(f.minutes, n.locale)}; this age watches for about ${minutes(f.borne, n.locale)}. Show less at once, or let them step along.`,
  "children-leave-more": (f, n) =>
    `${stationsOf(f, n)}: ${f.wanted} wanted, and children leave up to ${number(f.left * 100, n.locale, 0)}${thin}% in bowl and ladle; then it makes ${f.makes}. Have a scraper at hand, or mix a little more.`,
  altitude: (f, n) => {
    const range = ({ from, to }: { from: number; to: number }) =>
      from === to
        ? `${number(from * 100, n.locale, 0)}${thin}%`
        : `${number(from * 100, n.locale, 0)} to ${number(to * 100, n.locale, 0)}${thin}%`;
    return `At ${number(f.metres, n.locale, 0)}${thin}m batters rise faster and dry out: usually ${range(f.lessPowder)} less powder or soda and ${range(f.moreLiquid)} more liquid. The amounts here are the recipe's own; try one before the class.`;
  },
  "nothing-to-spare": (f, n) =>
    `${stationsOf(f, n)}: exactly as many pieces as are wanted. Nothing to spare for what tears, burns or falls.`,
  "topping-to-taste": (f, n) =>
    `${list(f.ingredientIds.map(n.ingredient), n.locale)}: to taste, so nothing is bought for it. Say in the recipe how much each person takes, or what share of them take any.`,
  "shapes-too-large": (f, n) =>
    `${list(
      f.shapeIds.map((id) => shapeWords[id]),
      n.locale,
    )}: up to ${number(f.ml, n.locale, 0)}${thin}ml to draw, and a piece of ${n.dish(f.dishId)} has ${number(f.portionMl, n.locale, 0)}. Draw them smaller, pour more for a piece, or offer others.`,
  "shapes-take-longer": (f, n) =>
    `Drawing the longest shape takes ${minutes(f.minutes, n.locale)}, and ${n.dish(f.dishId)} reckons ${minutes(f.pourMinutes, n.locale)} to pour a piece. Whoever draws holds the place at the griddle for longer.`,
  "own-products-in-a-room": (f, n) =>
    `${list(f.names, n.locale)}: ${f.names.length === 1 ? "a table has it" : "tables have these"} of its own, and the class is in one room: there it touches and flies like any other food, and the allergy table counts it for everybody it reaches.`,
  "rounds-open": (f, n) =>
    `Each table of ${n.dish(f.dishId)} decides while it cooks how many of each kind it makes. Planned is what is likely; what is on top stands apart in its kit.${
      f.loads === 0
        ? " No table takes more loads for it."
        : ` Decided otherwise, it is up to ${number(f.loads, n.locale, 0)} ${f.loads === 1 ? "load" : "loads"} more in all, for one table up to ${minutes(f.minutes, n.locale)}: ask before the first pour.`
    }`,
  "shapes-may-tear": (f, n) =>
    `${list(
      f.shapeIds.map((id) => shapeWords[id]),
      n.locale,
    )}: lines ${number(f.neckMm, n.locale, 0)}${thin}mm wide tear when they are turned. Larger pieces, or thicker lines.`,
  "held-too-cool": (f, n) =>
    `${n.dish(f.dishId)} is held at ${degrees(f.c, n.locale)}; hot food is held at ${degrees(f.least, n.locale)} or more by the usual rules here. Hold it hotter, or eat at once.`,
  "held-too-warm": (f, n) =>
    `${n.dish(f.dishId)} is held cold at ${degrees(f.c, n.locale)}; cold food is held at ${degrees(f.most, n.locale)} or less.`,
  "reheated-too-cool": (f, n) =>
    `${n.dish(f.dishId)} is reheated to ${degrees(f.c, n.locale)}; its middle wants ${degrees(f.least, n.locale)} by the usual rules.`,
  "held-too-long": (f, n) =>
    `${stationsOf(f, n)}: the first pieces wait ${minutes(f.minutes, n.locale)} for the meal, and ${n.dish(f.dishId)} is held ${minutes(f.most, n.locale)} at most. Cook these tables later, eat as it comes, or hold for longer where the local rules let you.`,
  "waits-on-tray": (f, n) =>
    `${stationsOf(f, n)}: the first pieces of ${n.dish(f.dishId)} wait ${minutes(f.minutes, n.locale)} for the meal, and bear about ${minutes(f.most, n.locale)}. ${trayWords[f.keep]} Or let them eat as it comes, table by table.`,
  "made-ahead": (f, n) =>
    `${f.grams === null ? "The batter" : `${grams(f.grams, n.locale)} of batter`} is made before the doors and kept at ${degrees(holdColdC, n.locale)} or below.${f.isPerishable ? " With raw egg or milk in it, it has two hours in all out of the cold; local food codes come first." : ""} Nobody at the tables learns to mix it.`,
  "ahead-does-not-keep": (f, n) =>
    `Made before the doors this batter would be spent: it is good for ${minutes(f.max, n.locale)} after it got wet. Let the tables mix it, or mix the dry part ahead and join it there.`,
  "bulk-short": (f, n) =>
    `${f.made} ${f.made === 1 ? "batch" : "batches"} of dry mix for ${n.dish(f.dishId)}, and the class uses ${number(f.used, n.locale, 2)}. Make more, or leave the number open.`,
  "bulk-nothing-dry": (f, n) =>
    `Dry mix for ${f.made} ${f.made === 1 ? "batch" : "batches"} of ${n.dish(f.dishId)} was asked for, and nothing of it goes into the dry bowl by weight or spoon. Say in the recipe what is dry, or leave the number open.`,
  "bowl-short": (f, n) =>
    `${stationsOf(f, n)}: a bowl of ${fraction(f.batches, n.locale)} ${toNumber(f.batches) <= 1 ? "batch" : "batches"}, whatever is wanted, makes ${f.made}; ${f.wanted} are wanted. A larger bowl, fewer at a table, or fewer pieces each.`,
  "batter-left": (f, n) =>
    `${stationsOf(f, n)}: batter for ${f.pieces} ${f.pieces === 1 ? "piece" : "pieces"} is left (about ${grams(f.grams, n.locale)}), as only what is wanted is cooked. Say before the class what becomes of it.`,
  "odd-pieces": (f, n) =>
    `${stationsOf(f, n)}: ${f.pieces === 1 ? "one piece is" : `${f.pieces} pieces are`} over when ${f.perServing} make a serving. For what tears, or the odd one out.`,
  "alternative-against": (f, n) =>
    `${n.ingredient(f.ingredientId)} is taken for ${n.ingredient(f.insteadOf)}, which the recipe advises against${f.reason ? `: ${f.reason}` : ""}.`,
  "twice-as-much": (f, n) =>
    `${stationsOf(f, n)}: ${howMany(f.made, "piece")} made, ${f.wanted} wanted, twice as much or more. A smaller fraction of a batch would do.`,
  "nobody-at-heat": () =>
    "Children cook, and no adult is at the heat: the instructor walks the room and does not count. Add a helper or grown-ups. The timeline counts on one.",
  "surface-not-cleared": (f, n) =>
    `${list(f.surfaces, n.locale)}: another food was on it before, and fixed plates or seasoned iron cannot be washed clear of it. Keep one for that food.`,
  "mixes-later": (f, n) =>
    `${stationsOf(f, n)} ${f.stationIds.length === 1 ? "begins" : "begin"} to mix ${minutes(f.minutes, n.locale)} after the mixing bell: mixed with the others, the batter would stand too long before its last load. Until then: wash, set out, grease, set the table.`,
  "pin-not-kept": (f, n) =>
    `“${bellWords[f.bell]}” is pinned to ${minutes(f.at, n.locale)} after the doors and rings ${minutes(f.minutes, n.locale)} later: what comes before it takes that long. Begin sooner, take a way out, or let the bell go.`,
  "stands-idle": (f, n) =>
    `${stationsOf(f, n)} ${f.stationIds.length === 1 ? "stands" : "stand"} with empty hands for up to ${minutes(f.minutes, n.locale)}. Plan a filler: clean down, set the table, a tasting.`,
  "hot-places-limited": (f) =>
    `${f.hotPlaces} of ${f.surfaces} hot places can be used at once with the adults there are. The timeline counts on that.`,
  "no-dish": () => "No recipe chosen yet. Everything else follows from it.",
  "dishes-overbooked": (f) =>
    `The recipes are given to ${howMany(f.asked, "station")}, but there ${f.stations === 1 ? "is" : "are"} ${f.stations}. Take some away, or make stations smaller.`,
  "dishes-underbooked": (f) =>
    `${f.stations - f.asked} of ${howMany(f.stations, "station")} ${f.stations - f.asked === 1 ? "has" : "have"} no recipe. Leave one recipe's stations empty: it takes all that are left.`,
  "register-short": (f) =>
    `${people(f.people)} expected, ${f.named} on the register. Allergies of the others are not known.`,
  "register-over": (f) =>
    `${people(f.named)} on the register who cook, ${f.people} in the brief. Set people to ${f.named} in the brief, or some will have no seat.`,
  "not-answered": (f) =>
    `${f.people} ${f.people === 1 ? "person has" : "people have"} not said what they cannot eat. Not answered is not “none”.`,
  "recipe-is-draft": (f) =>
    `“${f.title}” is a draft: nobody has cooked it yet. Rehearse it before children count on it.`,
  "pieces-short": (f, n) =>
    `${stationsOf(f, n)}: ${howMany(f.wanted, "piece")} wanted, ${f.made} from as much batter as a bowl takes. Split the station.`,
  "egg-fraction": (f, n) =>
    `${stationsOf(f, n)}: ${fraction(f.count, n.locale)} ${n.ingredient(f.ingredientId)}. Beat the eggs and weigh ${grams(f.grams, n.locale)} to each, or allow whole batches only.`,
  "cannot-eat": (f, n) => `${f.name} cannot have what is planned for their plate: ${ingredientsOf(f, n)}.`,
  "may-not-eat": (f, n) => `${f.name}: ${ingredientsOf(f, n)} may contain what they avoid. Ask them.`,
  "plate-unknown": (f, n) => `${f.name}: not known yet for ${ingredientsOf(f, n)}. Read the labels.`,
  "contact-reaches": (f, n) =>
    `${f.name}: ${list(
      [...f.substances.map((one) => substanceWords[one]), ...f.foods],
      n.locale,
    )} can reach their plate from another station. See the way it takes, and what cuts it.`,
  "words-not-read": (f) =>
    `${f.people} ${f.people === 1 ? "person wrote" : "people wrote"} something in their own words that nobody has turned into needs yet. Until then it is unknown.`,
  "label-of-other-product": (f, n) =>
    `${ingredientsOf(f, n)}: another product is bought than the one whose label was read. Read the label in hand.`,
  "coeliac-as-cereal": (f, n) =>
    `${list(f.names, n.locale)}: ${inRegion("coeliac", n.locale)} disease written down as one cereal. It is taken as gluten here; ask whether that is meant, or a wheat allergy.`,
  "stick-for-small": (f, n) =>
    `${stationsOf(f, n)}: by the house rules ${f.people === 1 ? "one person" : `${f.people} people`} there may not eat from a stick. Serve theirs on a plate.`,
  "contact-not-checked": (f) =>
    `Worked out here: what meets on shared surfaces, in pots of fat, tubs and toppings, at the packing table, on tools that go round, and in the air for those whom that harms. Not worked out: hands, splashes, wash-up, and tools that nobody counted${f.hasDemoPiece ? "; who tastes the piece that is shown" : ""}${f.hasToppings ? "; spoons that go from one topping to another on one table" : ""}${f.isHeldTogether ? "; pieces of different dishes that wait or get warm in one oven or covered dish" : ""}.`,
  "home-without-adult": (f, n) =>
    `${stationsOf(f, n)}: no grown-up is named there. At home nobody else is beside the heat: ask who will be.`,
  "tasters-far": (f) =>
    `${f.people === 1 ? "One taster belongs" : `${f.people} tasters belong`} to no household of this class: nobody can cook for them. Name them on the register with somebody they sit with.`,
  "home-sockets": () =>
    "Each household uses its own sockets: nobody here knows them. Ask each for one appliance on one outlet, no extension lead, nothing else on the same circuit.",
  "need-word-open": (f) =>
    f.nearest === null
      ? `${f.name}: “${f.word}” is no food this program knows, so every plate is unknown for them. Say on their page which foods it covers.`
      : `${f.name}: is “${f.word}” meant as “${f.nearest}”? Until somebody puts it right on their page, every plate is unknown for them.`,
  "need-family-asked": (f, n) =>
    `${f.name}: “${f.word}” is taken as all of these: ${list(f.members.slice(0, 6).map(foodWord), n.locale)}${f.members.length > 6 ? " and others like them" : ""}. Ask which are meant, and say so on their page.`,
  "need-question": (f, n) => `${f.name}, ${n.ingredient(f.ingredientId)}: ${needQuestionWords[f.question]}`,
  "scoops-off": (f, n) =>
    `${stationsOf(f, n)}: ${n.ingredient(f.ingredientId)} cannot be measured closely with this set (${number(Math.abs(f.error) * 100, n.locale, 0)}${thin}% ${f.error > 0 ? "over" : "under"}). ${f.isWeighed ? "Kits come weighed, so the scale decides; the spoons are no substitute for it." : "Weigh it in the prep room."}`,
};

export const sayFinding = (finding: Finding, names: Names): string => {
  const sentence = (findingWords[finding.code] as (finding: Finding, names: Names) => string)(finding, names);
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
};

type WhyWords = { readonly [C in Why["code"]]: (why: Extract<Why, { code: C }>, names: Names) => string };

/** The sentence behind "why 15?", with the figures that made it. */
export const whyWords: WhyWords = {
  stations: (w) =>
    w.people === 0
      ? "Nobody cooks but you, at one table."
      : `${people(w.people)} at up to ${w.stationSize} to a station.`,
  "pieces-per-batch": (w, { locale }) => {
    const kept = number((1 - w.leftBehind) * 100, locale, 0);
    if (w.from.kind === "ml")
      return `${number(w.from.batterMl, locale, 0)} ml of batter (weights over true densities, × ${number(w.airFactor, locale, 2)} for air), ${kept} % of it leaves the bowl, ${number(w.from.portionMl, locale, 0)} ml a piece, whole pieces only.`;
    if (w.from.kind === "grams")
      return `${number(w.from.batterGrams, locale, 0)} g of mix, ${kept} % of it leaves the bowl, ${number(w.from.portionGrams, locale, 0)} g a piece, whole pieces only.`;
    if (w.from.kind === "claim")
      return "As many as the recipe claims: a main amount is open, so nothing can be added up.";
    return "The recipe says how many pieces a batch makes.";
  },
  batches: (w, { locale }) =>
    `${list(
      w.stations.map((one) => `${one.stations} × ${fraction(one.factor, locale)}`),
      locale,
    )}: for each station the smallest amount that is enough, ${batchRuleWords[w.rule]}.`,
  "pieces-made": (w, { locale }) =>
    `${w.people} who eat × ${fraction(w.piecesEach, locale)} each, whole pieces at every station: ${w.wanted} wanted. The batches give ${w.made}.`,
  loads: (w) => `${howMany(w.pieces, "piece")}, up to ${w.places} to a load, each station its own loads: ${w.loads}.`,
  minutes: (w, { locale }) =>
    `${w.parts.map((part) => `${criticalWords[part.kind].toLowerCase()} ${minutes(part.minutes, locale)}`).join(", ")}.`,
  room: (w, { locale }) => `${minutes(w.available, locale)} given, ${minutes(w.minutes, locale)} needed.`,
  total: (w) =>
    `The most that may be used, over ${w.stations} stations${w.hasDemoBatch ? ", the demonstration batch" : ""}${w.hasSpareKit ? " and the spare kit" : ""}.`,
};

export const sayWhy = (why: Why, names: Names): string =>
  (whyWords[why.code] as (why: Why, names: Names) => string)(why, names);

/** A key figure with its unit. */
export function sayFigure(figure: KeyFigure, isCounted: boolean, { locale }: Names): string {
  switch (figure.code) {
    case "minutes":
    case "slack":
      return minutes(figure.value, locale);
    case "total":
      return isCounted ? number(figure.value, locale, 0) : grams(figure.value, locale);
    default:
      return number(figure.value, locale, 2);
  }
}

const briefKeyWords: Readonly<Record<string, string>> = {
  people: "people",
  tasters: "tasters",
  audience: "ages",
  minutes: "minutes",
  piecesEach: "pieces each",
  stationSize: "station size",
  helpers: "helpers",
  kitMode: "kits",
  demo: "demonstration",
  testersPerSurface: "testers",
  batchRule: "batches",
  eggRule: "what is done about half an egg",
  containerPer: "containers",
  measuringSetId: "measuring set",
  missingScoops: "what is missing from the measuring set",
  strictTolerancePercent: "tolerance of leavener and salt",
  usualTolerancePercent: "tolerance of scoops",
  easesSpice: "easing of salt and spice",
  regime: "allergen list",
  hotPlacesPerAdult: "hot places per adult",
  doorsMinutes: "minutes at the doors",
  eatMinutes: "minutes to eat",
  cleanMinutes: "minutes to clean",
  hasDemoBatch: "demonstration batch",
  hasSpareKit: "spare kit",
  isRemote: "remote class",
  stationNames: "station names",
  aims: "teaching aims",
};
const kindWords: Readonly<Record<string, string>> = {
  recipe: "the recipe",
  dish: "recipe row",
  person: "the register entry of",
  answer: "what was declared by",
  ingredient: "the figures of",
  label: "the label of",
  pack: "the pack size of",
  surface: "the surface",
  gear: "the count of",
  circuit: "the circuit",
  product: "the product of",
  kitchen: "the kitchen's",
  brought: "food brought along,",
  register: "the register's",
  arrangement: "the",
  class: "the class's",
};

const otherSubjects: Readonly<Record<string, string>> = {
  "class:title": "title",
  "class:startsAt": "date and time",
  "class:timeZone": "time zone",
  "kitchen:name": "name",
  "kitchen:sinks": "sinks",
  "kitchen:rounds": "things that go round",
  "kitchen:altitude": "altitude",
  "kitchen:circuits": "circuits",
  "register:order": "order",
  "arrangement:seats": "seats",
  "arrangement:order": "order of the loads",
};

/** What an entry of a stamp stands for, as it is called now; what is gone keeps its place or id. */
export function subjectsOf(input: ClassInput): (kind: string, id: string) => string {
  const at = <T>(list: readonly T[], id: string): T | undefined => list[Number(id) - 1];
  const ingredient = (id: string) => input.pantry.find((one) => one.id === id)?.name;
  const find: Readonly<Record<string, (id: string) => string | undefined>> = {
    person: (id) => input.people.find((one) => one.id === id)?.name,
    answer: (id) => input.people.find((one) => one.id === id)?.name,
    ingredient,
    label: ingredient,
    pack: ingredient,
    recipe: (id) => at(input.dishes, id)?.recipe.title,
    dish: (id) => at(input.dishes, id)?.recipe.title,
    surface: (id) => at(input.kitchen.surfaces, id)?.name,
    circuit: (id) => at(input.kitchen.circuits ?? [], id)?.name,
    brought: (id) => at(input.shared ?? [], id)?.name,
  };
  return (kind, id) => find[kind]?.(id) ?? otherSubjects[`${kind}:${id}`] ?? id;
}

/** What changed since a stage was settled, in words: "people: 12 → 14". Documents and health data say only that they changed. */
export function sayChange(
  change: { readonly name: string; readonly from: string | undefined; readonly to: string | undefined },
  subjectOf: (kind: string, id: string) => string = (_kind, id) => id,
): string {
  const [kind = "", ...rest] = change.name.split(":");
  const subject =
    kind === "brief"
      ? (briefKeyWords[rest.join(":")] ?? rest.join(":"))
      : `${kindWords[kind] ?? kind} ${subjectOf(kind, rest.join(":"))}`.trim();
  const isShown = (value: string | undefined) =>
    value !== undefined && !value.startsWith("#") && !value.startsWith("{");
  if (change.from === undefined) return `${subject}: new`;
  if (change.to === undefined) return `${subject}: gone`;
  return isShown(change.from) && isShown(change.to) && kind !== "dish"
    ? `${subject}: ${change.from} → ${change.to}`
    : `${subject}: changed`;
}
