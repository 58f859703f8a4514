import { wordsIn } from "~/ui/words/regional";
import { looksOf } from "~/core/look";
import { type KitLine, putOut } from "~/core/kit";
import type { MeasuringSet } from "~/core/quantity";
import { type Recipe, cooksPieces } from "~/core/recipe";
import type { StationScale } from "~/core/scale";
import { fraction, minutes, temperature } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Grams, PutOutText } from "~/ui/sheet/Quantity";
import { sayHalves, sayWarmth } from "~/ui/words/batter";
import { byBowl } from "~/ui/kit/groups";
import { closingCaution, cueWords, hazardWords, testWords } from "~/ui/words/en";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

interface Props {
  readonly recipe: Recipe;
  readonly way: string | undefined;
  readonly kit: readonly KitLine[];
  readonly scale: StationScale;
  readonly set: MeasuringSet;
  readonly ingredientName: (id: string) => string;
}

function HomeAmount({ line }: { line: KitLine }) {
  if (!line.main)
    return <span className={look("quiet")}>{line.kind === "unknown" ? "ask your instructor" : "to taste"}</span>;
  const isCounted = line.main.amount.unit === "piece";
  return (
    <>
      <PutOutText of={line.main} />
      {line.main.onScale && !isCounted && putOut(line.main).by !== "scale" ? (
        <span className={look("quiet")}>
          {" "}
          (<Grams value={line.main.onScale.shown} />)
        </span>
      ) : null}
      {line.kind === "per-person" ? <span className={look("quiet")}> each person</span> : null}
      {line.apart?.scoops ? (
        <span className={look("quiet")}>
          , up to <PutOutText of={line.apart} /> more
        </span>
      ) : null}
    </>
  );
}

/** The page a participant takes home. */
export function HomeSheet({ recipe, way, kit, scale, set, ingredientName }: Props) {
  const locale = useLocale();
  const { heat, rest } = recipe;
  const looks = looksOf(recipe);
  const cautions = [...new Set(recipe.steps.flatMap((step) => step.hazards))];
  return (
    <article className={look("handout")}>
      <div className={parts.card.head}>
        <h1>
          {recipe.title}
          {way ? `, ${way.toLowerCase()}` : ""}
        </h1>
        <span className={look("n")}>makes {scale.piecesMade}</span>
      </div>
      {recipe.intro ? <p className={look("handout-intro")}>{recipe.intro}</p> : null}
      <div className={look("handout-body")}>
        <div>
          {byBowl(kit).map(({ key, title, lines }) => {
            return (
              <section key={key}>
                <h2 className={look("small-head")}>{title}</h2>
                <ul className={look("handout-list")}>
                  {lines.map((line) => (
                    <li key={line.lineId}>
                      <span>
                        {ingredientName(line.ingredientId)}
                        {line.round === undefined ? null : <span>, only for: {line.round.toLowerCase()}</span>}
                        {line.note ? <span className={look("quiet")}>, {line.note}</span> : null}
                        {line.isOptional ? <span className={look("quiet")}> (if you like)</span> : null}
                      </span>
                      <b>
                        <HomeAmount line={line} />
                      </b>
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
          <p className={look("small", "quiet")}>
            {fraction(scale.factor, locale)} × the recipe. {set.name}, levelled; scales beside.
          </p>
        </div>
        <div>
          <ol className={look("method")}>
            {recipe.steps.map((step) => (
              <li key={step.id}>
                {step.text}
                {step.kind === "preheat" ? (
                  <span className={look("quiet")}>
                    {" "}
                    About {temperature(heat.surfaceC.from, heat.surfaceC.to, locale)}; pour when {testWords[heat.test]}.
                  </span>
                ) : null}
                {step.warmth ? <span className={look("quiet")}> {sayWarmth(step, locale)}</span> : null}
                {cooksPieces(step, recipe) ? (
                  <span className={look("quiet")}>
                    {" "}
                    {sayHalves(recipe, ingredientName, locale)} First side {minutes(heat.side1.low, locale)}–
                    {minutes(heat.side1.high, locale)}
                    {heat.side2
                      ? `, second ${minutes(heat.side2.low, locale)}–${minutes(heat.side2.high, locale)}`
                      : ""}
                    .{" "}
                    {looks.turn.length > 0
                      ? `Turn when: ${looks.turn.map((cue) => wordsIn(cueWords, locale)[cue]).join(", ")}. `
                      : ""}
                    Done when: {looks.done.map((cue) => wordsIn(cueWords, locale)[cue]).join(", ")}.
                    {recipe.blindNote ? ` ${recipe.blindNote}` : ""}
                  </span>
                ) : null}
              </li>
            ))}
          </ol>
          <p className={look("small")}>
            {rest.min > 0 ? `Let it rest ${minutes(rest.min, locale)}. ` : ""}
            {rest.max === null ? "" : `Pour the last within ${minutes(rest.max, locale)} of mixing.`}
          </p>
        </div>
      </div>
      <section className={look("handout-cautions")}>
        {cautions.map((hazard) => (
          <p className={look("caution")} key={hazard}>
            {hazardWords[hazard]}
          </p>
        ))}
        <p className={look("small", "quiet")}>
          {closingCaution} Read every label again: the packet at home may be another one.
        </p>
      </section>
    </article>
  );
}
