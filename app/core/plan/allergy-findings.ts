import {
  type ItemVerdict,
  type Reason,
  avoidedBy,
  gravest,
  hasOpenWords,
  isCoeliacAsked,
  rankOf,
} from "~/core/allergen";
import { bearsOn, foodMeanings, isUnderstood, labelsInHand, matchOf } from "~/core/pantry";
import type { Participant } from "~/core/people";
import { isAtPlate } from "~/core/recipe";
import type { ClassInput, DishPlan, NeedQuestion, Plate, PlanFinding } from "./types";

const wordReasons: readonly Reason["why"][] = ["word-not-understood", "word-misspelt"];
/** Is nothing known of an item for no other reason than a word that nobody understands? */
const isForWordsOnly = ({ verdict, reasons }: ItemVerdict): boolean =>
  verdict === "unknown" &&
  reasons.some((reason) => wordReasons.includes(reason.why)) &&
  !reasons.some((reason) => openReasons.includes(reason.why));
const openReasons: readonly Reason["why"][] = [
  "label-unread",
  "silence-says-nothing",
  "food-not-looked-for",
  "may-be-food",
  "animal-not-named",
];

/** The words of a person that are asked about: those nobody understands, and those for many foods at once. */
const wordsAsked = ({ id: participantId, name, needs }: Participant): PlanFinding[] =>
  avoidedBy({ needs, ageBand: "adult" }).flatMap((one): PlanFinding[] => {
    if (one.food === undefined) return [];
    const { word, nearest, members } = one.meaning;
    if (!isUnderstood(one.meaning))
      return [{ code: "need-word-open", level: "warns", participantId, name, word, nearest }];
    return members.length > 1
      ? [{ code: "need-family-asked", level: "notes", participantId, name, word, members }]
      : [];
  });

const buckwheat = foodMeanings("buckwheat")[0];

/** What the rules leave open of a person's plate: advice differs, so the table asks. */
function questionsOf(person: Participant, plate: Plate | undefined, input: ClassInput): PlanFinding[] {
  const { id: participantId, name } = person;
  const avoided = avoidedBy(person).flatMap((one) => one.substance ?? []);
  const ingredientOf = new Map(input.pantry.map((one) => [one.id, one]));
  return (plate?.items ?? []).flatMap(({ ingredientId, reasons }): PlanFinding[] => {
    const one = ingredientOf.get(ingredientId);
    const ask = (question: NeedQuestion): PlanFinding[] => [
      { code: "need-question", level: "notes", participantId, name, question, ingredientId },
    ];
    return [
      ...(one && buckwheat && avoided.some((each) => bearsOn("wheat", each)) && matchOf(one, buckwheat) === "is"
        ? ask("buckwheat")
        : []),
      ...(reasons.some((reason) => reason.why === "ask-about-coconut") ? ask("coconut") : []),
      ...(reasons.some((reason) => reason.why === "ask-about-lupin") ? ask("lupin") : []),
      ...(one?.role === "vanilla" && avoided.includes("alcohol") && one.contains.includes("alcohol")
        ? ask("vanilla-alcohol")
        : []),
    ];
  });
}

/** Do pieces of two dishes wait or get warm in one place? Whether they meet there depends on who sets them down. */
function areHeldTogether(dishes: readonly DishPlan[]): boolean {
  const places = dishes
    .filter((dish) => dish.stations > 0)
    .map((dish) => new Set(dish.recipe.steps.flatMap((step) => step.warmth?.place ?? [])));
  return places.some((own, at) => places.slice(at + 1).some((other) => [...own].some((place) => other.has(place))));
}

/** What somebody should know of who may eat what, and what is asked, before the allergy table is signed. */
export function allergyFindings(
  input: ClassInput,
  plates: readonly Plate[],
  dishes: readonly DishPlan[],
  isShown: boolean,
): PlanFinding[] {
  const silent = input.people.filter((person) => !person.hasAnswered).length;
  const findings: PlanFinding[] = silent > 0 ? [{ code: "not-answered", level: "warns", people: silent }] : [];
  const unread = input.people.filter((person) => person.hasAnswered && hasOpenWords(person)).length;
  if (unread > 0) findings.push({ code: "words-not-read", level: "warns", people: unread });
  // In one room a product of one table meets those of the others, and nobody reckoned how.
  const ownNames = input.brief.isRemote
    ? []
    : (input.shared ?? []).filter((food) => food.instead).map(({ name }) => name);
  if (ownNames.length > 0) findings.push({ code: "own-products-in-a-room", level: "warns", names: ownNames });
  const inHand = labelsInHand(input.labels, input.packs);
  const other = input.labels.map((label) => label.ingredientId).filter((id) => !inHand.has(id));
  if (other.length > 0) findings.push({ code: "label-of-other-product", level: "warns", ingredientIds: other });
  const codes = { contains: "cannot-eat", "may-contain": "may-not-eat", unknown: "plate-unknown" } as const;
  const plateOf = new Map(plates.map((plate) => [plate.participantId, plate]));
  for (const person of input.people) {
    const plate = plateOf.get(person.id);
    if (!plate || !person.hasAnswered || hasOpenWords(person) || plate.verdict === "clear") continue;
    const { id: participantId, name } = person;
    const own = gravest(plate.items.map((item) => item.verdict));
    const ingredientIds = plate.items
      .filter((item) => item.verdict === own && !isForWordsOnly(item))
      .map((item) => item.ingredientId);
    // What only hangs on a word that nobody understands is told as that word.
    if (own !== "clear" && ingredientIds.length > 0)
      findings.push({ code: codes[own], level: "warns", participantId, name, ingredientIds });
    // What reaches the plate is news where the plate itself says less.
    const graver = plate.exposures.filter((one) => rankOf[one.verdict] < rankOf[own]);
    const substances = [...new Set(graver.flatMap((one) => one.substance ?? []))];
    const foods = [...new Set(graver.flatMap((one) => one.food ?? []))];
    if (graver.length > 0)
      findings.push({ code: "contact-reaches", level: "warns", participantId, name, substances, foods });
  }
  for (const person of input.people)
    if (person.hasAnswered && !hasOpenWords(person))
      findings.push(...wordsAsked(person), ...questionsOf(person, plateOf.get(person.id), input));
  const asked = input.people.filter(isCoeliacAsked).map((person) => person.name);
  if (asked.length > 0) findings.push({ code: "coeliac-as-cereal", level: "warns", names: asked });
  if (input.people.some((person) => person.needs.length > 0)) {
    const toppings = new Set(
      dishes.flatMap((dish) =>
        dish.recipe.lines.filter((line) => isAtPlate(line, dish.recipe)).map((line) => line.ingredientId),
      ),
    );
    findings.push({
      code: "contact-not-checked",
      level: "notes",
      hasDemoPiece: isShown,
      hasToppings: toppings.size > 1,
      isHeldTogether: areHeldTogether(dishes),
    });
  }
  return findings;
}
