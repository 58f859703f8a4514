import { useMemo, useState } from "react";
import { correctionStep } from "~/core/look";
import { Troubles } from "~/ui/recipe/Troubles";
import { useNavigate } from "react-router";
import { batterOf, checkBatter, diameterOf, leaveningOf, pourFor, pourThickness, yieldOf } from "~/core/batter";
import type { Ingredient } from "~/core/pantry";
import { compare, readQuantity } from "~/core/quantity";
import { type DraftLine, type Recipe, checkRecipe, draftOf, familyFacts, isBatter, readDraft } from "~/core/recipe";
import { grams, number, thin } from "~/ui/format/format";
import { Cell, Problem, ProblemsContext, RowButton } from "~/ui/recipe/editor/cells";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { useHistory } from "~/ui/recipe/editor/history";
import { IngredientPicker, pantryListId } from "~/ui/recipe/editor/IngredientPicker";
import { Secondary } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { sayFinding } from "~/ui/words/findings";
import { namesOf } from "~/ui/words/names";
import { BowlCorrection } from "./BowlCorrection";
import { Calculators } from "./Calculators";
import { LiquidChart } from "./LiquidChart";
import { Pours } from "~/ui/recipe/Likenesses";
import { Swaps } from "./Swaps";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

/** A line with another amount; what it may grow to grows along where it would be passed. */
function withAmount(line: DraftLine, amount: string): DraftLine {
  if (line.kind !== "top-up" && line.kind !== "range") return { ...line, amount };
  const [first, most] = [readQuantity(amount, { system: "metric" }), readQuantity(line.second, { system: "metric" })];
  const isPast =
    first?.form.kind === "exact" &&
    most?.form.kind === "exact" &&
    first.form.amount.unit === most.form.amount.unit &&
    compare(first.form.amount.value, most.form.amount.value) > 0;
  return isPast ? { ...line, amount, second: amount } : { ...line, amount };
}

/** Where a figure stands in its band: the words carry it, the mark repeats it. */
function Band({ value, from, to }: { value: number | undefined; from: number; to: number }) {
  const locale = useLocale();
  if (value === undefined || !Number.isFinite(to)) return null;
  const [least, most] = [Math.max(0, from - (to - from)), to + (to - from)];
  const at = (one: number) => `${Math.max(0, Math.min(100, ((one - least) / (most - least)) * 100))}%`;
  const word = value < from ? "stiffer than the family" : value > to ? "runnier than the family" : "as the family";
  return (
    <span
      className={look("band")}
      role="img"
      aria-label={`${word}: ${number(from, locale)} to ${number(to, locale)} is usual`}
    >
      <span className={look("band-room")} style={{ left: at(from), right: `calc(100% - ${at(to)})` }} />
      <span className={look("band-at")} style={{ left: at(value) }} />
      <span className={look("band-words", "small", "quiet")}>
        {word}, {number(from, locale)}–{number(to, locale)}
      </span>
    </span>
  );
}

/**
 * One recipe to think with: every amount, the pour and the pan can be changed, and everything that follows moves with it. Nothing is
 * kept here; what came of it can be taken to the editor.
 */
export function Bench({ written, pantry }: { written: Recipe; pantry: readonly Ingredient[] }) {
  const locale = useLocale();
  const navigate = useNavigate();
  const start = useMemo(() => draftOf(written), [written]);
  const { now: draft, change, undo, canUndo, startAgain } = useHistory(start);
  const [thickness, setThickness] = useState(String(pourThickness[written.family]));
  const byId = useMemo(() => new Map(pantry.map((one) => [one.id, one])), [pantry]);
  const { recipe, problems } = useMemo(() => readDraft(draft, written), [draft, written]);
  const names = namesOf({ pantry }, { stations: [], dishes: [] }, locale);
  const [batter, before] = [batterOf(recipe, byId), batterOf(written, byId)];
  const [made, madeBefore] = [yieldOf(recipe, batter).pieces, yieldOf(written, before).pieces];
  const leavening = leaveningOf(recipe, byId);
  const band = familyFacts[recipe.family].looseness;
  const thick =
    Number(thickness.replace(",", ".")) > 0 ? Number(thickness.replace(",", ".")) : pourThickness[recipe.family];
  const ml = recipe.portion.kind === "ml" ? recipe.portion.ml : undefined;
  const findings = [...checkRecipe(recipe), ...checkBatter(recipe, byId)].filter(
    (finding) => finding.level !== "notes",
  );
  const problemAt = useMemo(() => new Map(problems.map((problem) => [problem.path, problem])), [problems]);
  const isChanged = draft !== start;
  const powder = batter.starchGrams > 0 ? (leavening.powderTsp / batter.starchGrams) * 125 : 0;

  const figure = (name: string, now: string, was: string, more?: React.ReactNode) => (
    <div className={parts.figure.of({ isChanged: now !== was }).row}>
      <dt>
        {name}
        {more}
      </dt>
      <dd>
        {now === was ? null : <span className={parts.figure.was}>{was}</span>}
        {now}
      </dd>
    </div>
  );
  const loose = (value: number | undefined) => (value === undefined ? "no flour" : number(value, locale, 2));
  const soda = (sodaTsp: number, taken: number) =>
    sodaTsp === 0 ? "none" : `${number(sodaTsp, locale, 2)} tsp, acid takes ${number(taken, locale, 2)}`;
  const was = leaveningOf(written, byId);
  const powderWas = before.starchGrams > 0 ? (was.powderTsp / before.starchGrams) * 125 : 0;

  return (
    <ProblemsContext.Provider value={problemAt}>
      <WhenReady>
        <datalist id={pantryListId}>
          {pantry.map((one) => (
            <option key={one.id} value={one.name} />
          ))}
        </datalist>
        <div className={look("bench")}>
          <section aria-label="In the bowl">
            <h2>In the bowl</h2>
            <ul className={look("bench-lines")}>
              {draft.lines
                .filter((line) => recipe.lines.some((one) => one.id === line.id && isBatter(one, recipe)))
                .map((line) => (
                  <li key={line.id}>
                    <Cell
                      label="Amount"
                      value={line.amount}
                      onText={(amount) =>
                        change(
                          (now) => ({
                            ...now,
                            lines: now.lines.map((one) => (one.id === line.id ? withAmount(one, amount) : one)),
                          }),
                          `amount-${line.id}`,
                        )
                      }
                      className={look("amount")}
                      path={`lines.${line.id}.amount`}
                    />
                    <IngredientPicker
                      line={line}
                      pantry={pantry}
                      path={`lines.${line.id}.ingredientId`}
                      onIngredient={(ingredientId) =>
                        change((now) => ({
                          ...now,
                          lines: now.lines.map((one) => (one.id === line.id ? { ...one, ingredientId } : one)),
                        }))
                      }
                    />
                  </li>
                ))}
            </ul>
            <h3>Ladle and pan</h3>
            <div className={look("facts", "tight")}>
              {draft.portionKind === "ml" ? (
                <Cell
                  label="Pour"
                  isLabelled
                  unit="ml"
                  value={draft.portion}
                  onText={(portion) => change((now) => ({ ...now, portion }), "portion")}
                  path="portion"
                />
              ) : null}
              <Cell
                label="Pan or piece across"
                isLabelled
                unit="cm"
                value={draft.pieceDiameterCm}
                onText={(pieceDiameterCm) => change((now) => ({ ...now, pieceDiameterCm }), "diameter")}
                path="pieceDiameterCm"
              />
              <Cell label="Thick as poured" isLabelled unit="mm" value={thickness} onText={setThickness} />
            </div>
            {ml === undefined ? (
              <Problem path="portion" />
            ) : (
              <p className={look("small")}>
                {number(ml, locale)}
                {thin}ml spreads to {number(diameterOf(ml, thick), locale)}
                {thin}cm. {number(recipe.pieceDiameterCm, locale)}
                {thin}cm wants {number(pourFor(recipe.pieceDiameterCm, thick), locale, 0)}
                {thin}ml.{" "}
                <RowButton
                  onClick={() =>
                    change((now) => ({ ...now, portion: String(Math.round(pourFor(recipe.pieceDiameterCm, thick))) }))
                  }
                >
                  Pour that
                </RowButton>{" "}
                <RowButton
                  onClick={() => change((now) => ({ ...now, pieceDiameterCm: diameterOf(ml, thick).toFixed(1) }))}
                >
                  Take that size
                </RowButton>
                <br />
                <span className={look("quiet")}>π ⁄ 4 × across² × thick</span>
              </p>
            )}
            <div className={look("actions")}>
              <Secondary type="button" onClick={undo} disabled={!canUndo}>
                Undo
              </Secondary>
              <Secondary type="button" onClick={() => startAgain(start)} disabled={!isChanged}>
                As written
              </Secondary>
              <Secondary
                type="button"
                disabled={!isChanged}
                onClick={() => {
                  sessionStorage.setItem(`recipe-draft ${written.id}`, JSON.stringify(draft));
                  void navigate(`/recipes/${written.id}/edit`);
                }}
              >
                Take it to the editor
              </Secondary>
            </div>
          </section>
          <section aria-label="What it makes" aria-live="polite">
            <h2>What it makes</h2>
            <dl className={parts.figure.root}>
              {figure(
                "Looseness, g water to a g flour",
                loose(batter.looseness),
                loose(before.looseness),
                <Band value={batter.looseness} from={band.from} to={band.to} />,
              )}
              {figure(
                "Batter",
                `${number(batter.millilitres, locale, 0)} ml, ${grams(batter.grams, locale)}`,
                `${number(before.millilitres, locale, 0)} ml, ${grams(before.grams, locale)}`,
              )}
              {figure("Pieces", String(made), String(madeBefore))}
              {figure("Fat", grams(batter.fatGrams, locale), grams(before.fatGrams, locale))}
              {figure(
                "Baking powder to 125 g flour",
                `${number(powder, locale)} tsp`,
                `${number(powderWas, locale)} tsp`,
              )}
              {figure(
                "Baking soda",
                soda(leavening.sodaTsp, leavening.neutralisedTsp),
                soda(was.sodaTsp, was.neutralisedTsp),
              )}
            </dl>
            {findings.length > 0 ? (
              <ul className={look("notes")}>
                {findings.slice(0, 4).map((finding) => {
                  const sentence = sayFinding({ ...finding, stage: "recipe", dishId: null }, names);
                  return (
                    <li key={sentence} className={parts.finding.level}>
                      {sentence}
                    </li>
                  );
                })}
              </ul>
            ) : null}
            <Pours looseness={batter.looseness} band={band} aim={recipe.aimedLooseness} />
            <LiquidChart recipe={recipe} pantry={byId} />
          </section>
        </div>
        <div className={look("bench")}>
          <BowlCorrection recipe={recipe} pantry={byId} />
          <Swaps recipe={recipe} pantry={byId} names={names} onAccept={(next) => change(() => draftOf(next))} />
        </div>
        <Calculators recipe={recipe} pantry={byId} />
        <section aria-label="A piece looks wrong">
          <h2>A piece looks wrong</h2>
          <Troubles
            family={recipe.family}
            kinds={recipe.heat.surfaceKinds}
            step={correctionStep(recipe, batter, byId, 1)}
            names={names}
          />
        </section>
      </WhenReady>
    </ProblemsContext.Provider>
  );
}
