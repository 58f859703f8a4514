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
import { look } from "~/ui/theme/look";

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
      return <span className={look("needs-you")}>“{amount.said}”</span>;
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
      <span key="optional" className={look("quiet")}>
        {" "}
        (optional)
      </span>
    ) : null,
    line.keeps < 1 ? (
      <span key="keeps" className={look("quiet")}>
        , {number(line.keeps * 100, "en", 0)}
        {thin}% stays
      </span>
    ) : null,
  ];
  return <span className={look("quiet")}>{notes}</span>;
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
  <dl>
    {lines.map((line) => [
      <dt key={`${line.id}-amount`}>
        <LineAmountText line={line} />
      </dt>,
      <dd key={line.id}>
        {ingredientName(line.ingredientId)}
        <LineNote line={line} rounds={rounds} />
        {(line.alternatives ?? []).map((each) => (
          <span key={each.ingredientId} className={look("small", "alternative")}>
            {each.isAdvised ? "or " : "not "}
            {each.amount ? (
              <>
                <AmountText value={each.amount} />{" "}
              </>
            ) : null}
            {ingredientName(each.ingredientId)}
            {each.reason ? <span className={look("quiet")}>: {each.reason}</span> : null}
          </span>
        ))}
      </dd>,
    ])}
  </dl>
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
    <div className={look("recipe")}>
      <div className={look("list")}>
        {groups.map(([bowl, lines]) => (
          <section key={bowl}>
            <h2 className={look("small-head")}>{bowlWords[bowl]}</h2>
            <LineList lines={lines} rounds={recipe.rounds} ingredientName={ingredientName} />
          </section>
        ))}
        {pantry ? <RecipeFlow recipe={recipe} ingredientName={ingredientName} /> : null}
        {recipe.parts.map((part) => (
          <section key={part.id}>
            <h2 className={look("small-head")}>{part.name}</h2>
            <p className={look("quiet", "small")}>
              {partKindWords[part.kind]}, {wordsIn(partHeatWords, locale)[part.heat]},{" "}
              {minutes(part.minutes.likely, locale)}
              {part.makesGrams === null ? "" : `; makes ${grams(part.makesGrams, locale)}`}
            </p>
            <LineList
              lines={recipe.lines.filter((line) => line.partId === part.id)}
              rounds={recipe.rounds}
              ingredientName={ingredientName}
            />
          </section>
        ))}
        {recipe.rounds ? (
          <section>
            <h2 className={look("small-head")}>Cooked in rounds</h2>
            <p>
              {recipe.rounds.map((round) => `${round.parts} ${round.name.toLowerCase()}`).join(" to ")}, in this order,
              each by itself.{recipe.isRoundsOpen ? " Each table decides while it cooks; this is what is likely." : ""}
            </p>
          </section>
        ) : null}
        {recipe.variants.length > 0 ? (
          <section>
            <h2 className={look("small-head")}>Variants</h2>
            {recipe.variants.map((variant) => (
              <p key={variant.id}>
                <b>{variant.name}</b> <span className={look("quiet")}>({standingWords[variant.standing]})</span>
                {variant.swaps.map((swap) => (
                  <span key={swap.lineId}>
                    , {ingredientName(swap.ingredientId)} for{" "}
                    {ingredientName(recipe.lines.find((line) => line.id === swap.lineId)?.ingredientId ?? "")}
                  </span>
                ))}
              </p>
            ))}
          </section>
        ) : null}
      </div>
      <div>
        {recipe.intro ? <p className={look("measure", "below-s", "intro")}>{recipe.intro}</p> : null}
        <p className={look("quiet", "below-m")}>
          {familyWords[recipe.family]}; {pour}, about {number(recipe.pieceDiameterCm, locale)}
          {thin}cm
          {recipe.aimedLooseness === undefined
            ? ""
            : `, ${number(recipe.aimedLooseness, locale, 2)} g of water aimed at to a gram of flour`}
          {recipe.serving ? `, eaten as a ${servingWords[recipe.serving.as]} of ${recipe.serving.pieces}` : ""};{" "}
          {standingWords[recipe.standing]}, revision {recipe.revision}
        </p>
        <ol className={look("method")}>
          {recipe.steps.map((step, index) => (
            <li key={step.id}>
              {step.text}{" "}
              <span className={look("quiet")}>
                {["cook", "hold", "serve"].includes(step.kind)
                  ? ""
                  : `${minutes(step.minutes.likely, locale)}${step.who === "adult" ? ", an adult" : ""}`}
              </span>
              {step.kind === "preheat" ? (
                <p className={look("small")}>
                  {heat.surfaceKinds.map((kind) => wordsIn(surfaceWords, locale)[kind]).join(" or ")}; start at{" "}
                  {temperature(heat.surfaceC.from, heat.surfaceC.to, locale)}, pour when {testWords[heat.test]}.
                  {(heat.on ?? []).map((each) => (
                    <span key={each.surfaceKind}> {sayHeatOn(each, locale)}</span>
                  ))}
                </p>
              ) : null}
              {step.warmth ? <p className={look("small", "gate")}>{sayWarmth(step, locale)}</p> : null}
              {step.gate ? <p className={look("small", "gate")}>{sayGate(step.gate, 1, locale)}</p> : null}
              {cooksPieces(step, recipe) ? (
                <p className={look("small")}>
                  {sayHalves(recipe, ingredientName, locale)} First side {minutes(heat.side1.low, locale)} to{" "}
                  {minutes(heat.side1.high, locale)}
                  {heat.side2
                    ? `, second ${minutes(heat.side2.low, locale)} to ${minutes(heat.side2.high, locale)}`
                    : ", both sides at once"}
                  .
                </p>
              ) : null}
              <StopMixing step={step} recipe={recipe} />
              <Techniques of={techniques?.get(step.id) ?? []} />
              <StepNotes step={step} />
              {cooksPieces(step, recipe) ? <Looks recipe={recipe} /> : null}
              {(cautions[index] ?? []).map((hazard) => (
                <p className={look("caution")} key={hazard}>
                  {hazardWords[hazard]}
                </p>
              ))}
            </li>
          ))}
        </ol>
        <p className={look("small", "quiet")}>
          {rest.min > 0 ? `Rest at least ${minutes(rest.min, locale)}` : "No rest needed"}
          {rest.max === null ? "" : `; last pour within ${minutes(rest.max, locale)} of mixing`}:{" "}
          {windowReasonWords[rest.reason]}.
        </p>
        {pantry ? <Likenesses recipe={recipe} looseness={batterOf(recipe, pantry).looseness} /> : null}
      </div>
    </div>
  );
}
