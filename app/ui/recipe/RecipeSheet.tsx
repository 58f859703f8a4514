import { Box, Heading, List, Span, Text } from "@chakra-ui/react";
import { Caution, RecipeColumns } from "~/ui/parts/recipe";
import { type Pantry, batterOf } from "~/core/batter";
import { shownOnce } from "~/core/caution";
import { techniquesOf } from "~/core/look";
import { toNumber } from "~/core/quantity";
import { type Bowl, type Line, type Recipe, bowls, cooksPieces } from "~/core/recipe";
import { fraction, grams, minutes, number, temperature, thin } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { RecipeFlow } from "~/ui/draw/RecipeFlow";
import { Likenesses } from "./Likenesses";
import { Looks, StopMixing } from "./Looks";
import { AmountText } from "~/ui/sheet/Quantity";
import {
  bowlWords,
  familyWords,
  hazardWords,
  standingWords,
  surfaceWords,
  testWords,
  windowReasonWords,
} from "~/ui/words/en";
import {
  partHeatWords,
  partKindWords,
  sayGate,
  sayGreasing,
  sayHalves,
  sayWarmth,
  sayHeatOn,
  servingWords,
} from "~/ui/words/batter";
import { wordsIn } from "~/ui/words/regional";
import { StepNotes } from "./StepNotes";
import { Techniques } from "./Techniques";

interface Props {
  readonly recipe: Recipe;
  readonly ingredientName: (id: string) => string;
  /** Where it is given, the movements of each step are drawn. */
  readonly pantry?: Pantry | undefined;
}

export function LineAmountText({ line }: { line: Pick<Line, "amount"> }) {
  const { amount } = line;
  const locale = useLocale();
  switch (amount.kind) {
    case "exact":
      return <AmountText value={amount.amount} />;
    case "range":
      return (
        <>
          <AmountText value={amount.from} />–<AmountText value={amount.to} />
        </>
      );
    case "top-up":
      return <AmountText value={amount.start} />;
    case "hold-back":
      return <AmountText value={amount.amount} />;
    case "per-load":
    case "per-piece":
    case "per-serving":
    case "per-person":
      return <AmountText value={amount.amount} />;
    case "packs":
      return (
        <>
          {fraction(amount.packs, locale)} {amount.packName}
        </>
      );
    case "to-taste":
      return <>to taste</>;
    case "unknown":
      return <Span layerStyle="needsYou">“{amount.said}”</Span>;
    default:
      return amount satisfies never;
  }
}

export function LineNote({ line, rounds = [] }: { line: Line; rounds: Recipe["rounds"] }) {
  const { amount } = line;
  const round = rounds.find((one) => one.id === line.roundId);
  const notes = [
    round ? <span key="round">, only for: {round.name.toLowerCase()}</span> : null,
    amount.kind === "top-up" ? (
      <span key="top">
        , up to <AmountText value={amount.most} />
      </span>
    ) : null,
    amount.kind === "hold-back" ? (
      <span key="back">
        , hold back <AmountText value={amount.back} />
      </span>
    ) : null,
    amount.kind === "packs" ? (
      <span key="pack">
        , <AmountText value={amount.each} /> each
      </span>
    ) : null,
    amount.kind === "per-load" ? <span key="load">, {sayGreasing(amount.every)}</span> : null,
    amount.kind === "per-serving" ? <span key="serving">, each serving</span> : null,
    amount.kind === "per-person" ? (
      <span key="person">
        , each person{amount.takes ? `, for ${number(toNumber(amount.takes) * 100, "en", 0)}${thin}% of them` : ""}
      </span>
    ) : null,
    amount.kind === "per-piece" ? <span key="piece">, each piece</span> : null,
    line.note ? <span key="note">, {line.note}</span> : null,
    line.isOptional ? (
      <Span color="fg.muted" key="optional">
        {" "}
        (optional)
      </Span>
    ) : null,
    line.keeps < 1 ? (
      <Span color="fg.muted" key="keeps">
        , {number(line.keeps * 100, "en", 0)}
        {thin}% stays
      </Span>
    ) : null,
  ];
  return <Span color="fg.muted">{notes}</Span>;
}

/** Amounts hanging left of their names. */
const LineList = ({
  lines,
  rounds,
  ingredientName,
}: {
  lines: readonly Line[];
  rounds: Recipe["rounds"];
  ingredientName: (id: string) => string;
}) => (
  <Box as="dl">
    {lines.map((line) => [
      <dt key={`${line.id}-amount`}>
        <LineAmountText line={line} />
      </dt>,
      <dd key={line.id}>
        {ingredientName(line.ingredientId)}
        <LineNote line={line} rounds={rounds} />
        {(line.alternatives ?? []).map((each) => (
          <Span fontSize="sm" display="block" pl="1em" key={each.ingredientId}>
            {each.isAdvised ? "or " : "not "}
            {each.amount ? (
              <>
                <AmountText value={each.amount} />{" "}
              </>
            ) : null}
            {ingredientName(each.ingredientId)}
            {each.reason ? <Span color="fg.muted">: {each.reason}</Span> : null}
          </Span>
        ))}
      </dd>,
    ])}
  </Box>
);

/** A recipe as a page in a cookbook: what, by bowl, beside how. */
export function RecipeSheet({ recipe, ingredientName, pantry }: Props) {
  const locale = useLocale();
  const cautions = shownOnce(recipe.steps);
  const techniques = pantry && techniquesOf(recipe, pantry);
  const { heat, rest, portion } = recipe;
  const groups = bowls
    .map((bowl): [Bowl, Line[]] => [bowl, recipe.lines.filter((line) => line.bowl === bowl && line.partId === null)])
    .filter(([, lines]) => lines.length > 0);
  const pour =
    portion.kind === "ml"
      ? `${number(portion.ml, locale)}${thin}ml a piece`
      : portion.kind === "grams"
        ? `${number(portion.grams, locale)}${thin}g a piece`
        : `a batch makes ${portion.pieces}`;
  return (
    <RecipeColumns>
      <Box data-part="list">
        {groups.map(([bowl, lines]) => (
          <Box as="section" key={bowl}>
            <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
              {bowlWords[bowl]}
            </Heading>
            <LineList lines={lines} rounds={recipe.rounds} ingredientName={ingredientName} />
          </Box>
        ))}
        {pantry ? <RecipeFlow recipe={recipe} ingredientName={ingredientName} /> : null}
        {recipe.parts.map((part) => (
          <Box as="section" key={part.id}>
            <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
              {part.name}
            </Heading>
            <Text color="fg.muted" fontSize="sm">
              {partKindWords[part.kind]}, {wordsIn(partHeatWords, locale)[part.heat]},{" "}
              {minutes(part.minutes.likely, locale)}
              {part.makesGrams === null ? "" : `; makes ${grams(part.makesGrams, locale)}`}
            </Text>
            <LineList
              lines={recipe.lines.filter((line) => line.partId === part.id)}
              rounds={recipe.rounds}
              ingredientName={ingredientName}
            />
          </Box>
        ))}
        {recipe.rounds ? (
          <Box as="section">
            <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
              Cooked in rounds
            </Heading>
            <Text>
              {recipe.rounds.map((round) => `${round.parts} ${round.name.toLowerCase()}`).join(" to ")}, in this order,
              each by itself.{recipe.isRoundsOpen ? " Each table decides while it cooks; this is what is likely." : ""}
            </Text>
          </Box>
        ) : null}
        {recipe.variants.length > 0 ? (
          <Box as="section">
            <Heading as="h2" size="xl" fontSize="18px" mt="3.5" mb="0.5">
              Variants
            </Heading>
            {recipe.variants.map((variant) => (
              <Text key={variant.id}>
                <b>{variant.name}</b> <Span color="fg.muted">({standingWords[variant.standing]})</Span>
                {variant.swaps.map((swap) => (
                  <span key={swap.lineId}>
                    , {ingredientName(swap.ingredientId)} for{" "}
                    {ingredientName(recipe.lines.find((line) => line.id === swap.lineId)?.ingredientId ?? "")}
                  </span>
                ))}
              </Text>
            ))}
          </Box>
        ) : null}
      </Box>
      <Box>
        {recipe.intro ? (
          <Text maxW="60ch" mb="3.5" fontSize="lg">
            {recipe.intro}
          </Text>
        ) : null}
        <Text color="fg.muted" mb="4.5">
          {familyWords[recipe.family]}; {pour}, about {number(recipe.pieceDiameterCm, locale)}
          {thin}cm
          {recipe.aimedLooseness === undefined
            ? ""
            : `, ${number(recipe.aimedLooseness, locale, 2)} g of water aimed at to a gram of flour`}
          {recipe.serving ? `, eaten as a ${servingWords[recipe.serving.as]} of ${recipe.serving.pieces}` : ""};{" "}
          {standingWords[recipe.standing]}, revision {recipe.revision}
        </Text>
        <List.Root as="ol" data-part="method">
          {recipe.steps.map((step, index) => (
            <li key={step.id}>
              {step.text}{" "}
              <Span color="fg.muted">
                {["cook", "hold", "serve"].includes(step.kind)
                  ? ""
                  : `${minutes(step.minutes.likely, locale)}${step.who === "adult" ? ", an adult" : ""}`}
              </Span>
              {step.kind === "preheat" ? (
                <Text fontSize="sm">
                  {heat.surfaceKinds.map((kind) => wordsIn(surfaceWords, locale)[kind]).join(" or ")}; start at{" "}
                  {temperature(heat.surfaceC.from, heat.surfaceC.to, locale)}, pour when {testWords[heat.test]}.
                  {(heat.on ?? []).map((each) => (
                    <span key={each.surfaceKind}> {sayHeatOn(each, locale)}</span>
                  ))}
                </Text>
              ) : null}
              {step.warmth ? (
                <Text fontSize="sm" fontWeight="600">
                  {sayWarmth(step, locale)}
                </Text>
              ) : null}
              {step.gate ? (
                <Text fontSize="sm" fontWeight="600">
                  {sayGate(step.gate, 1, locale)}
                </Text>
              ) : null}
              {cooksPieces(step, recipe) ? (
                <Text fontSize="sm">
                  {sayHalves(recipe, ingredientName, locale)} First side {minutes(heat.side1.low, locale)} to{" "}
                  {minutes(heat.side1.high, locale)}
                  {heat.side2
                    ? `, second ${minutes(heat.side2.low, locale)} to ${minutes(heat.side2.high, locale)}`
                    : ", both sides at once"}
                  .
                </Text>
              ) : null}
              <StopMixing step={step} recipe={recipe} />
              <Techniques of={techniques?.get(step.id) ?? []} />
              <StepNotes step={step} />
              {cooksPieces(step, recipe) ? <Looks recipe={recipe} /> : null}
              {(cautions[index] ?? []).map((hazard) => (
                <Caution key={hazard}>{hazardWords[hazard]}</Caution>
              ))}
            </li>
          ))}
        </List.Root>
        <Text fontSize="sm" color="fg.muted">
          {rest.min > 0 ? `Rest at least ${minutes(rest.min, locale)}` : "No rest needed"}
          {rest.max === null ? "" : `; last pour within ${minutes(rest.max, locale)} of mixing`}:{" "}
          {windowReasonWords[rest.reason]}.
        </Text>
        {pantry ? <Likenesses recipe={recipe} looseness={batterOf(recipe, pantry).looseness} /> : null}
      </Box>
    </RecipeColumns>
  );
}
