import { NoteList } from "~/ui/parts/editor";
import { BandBox, BandAt, BandRoom, BandWords, BenchColumns, BenchLines } from "~/ui/parts/bench";
import { RowButton } from "~/ui/parts/keys";
import { InlineFields } from "~/ui/parts/forms";
import { Box, HStack, Heading, Span, Text } from "@chakra-ui/react";
import { FigureList } from "~/ui/parts/findings";
import { useMemo, useState } from "react";
import { correctionStep } from "~/core/look";
import { Troubles } from "~/ui/recipe/Troubles";
import { useNavigate } from "react-router";
import { batterOf, checkBatter, diameterOf, leaveningOf, pourFor, pourThickness, yieldOf } from "~/core/batter";
import type { Ingredient } from "~/core/pantry";
import { compare, readQuantity } from "~/core/quantity";
import { type DraftLine, type Recipe, checkRecipe, draftOf, familyFacts, isBatter, readDraft } from "~/core/recipe";
import { grams, number, thin } from "~/ui/format/format";
import { Cell, Problem, ProblemsContext } from "~/ui/recipe/editor/cells";
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
    <BandBox role="img" aria-label={`${word}: ${number(from, locale)} to ${number(to, locale)} is usual`}>
      <BandRoom style={{ left: at(from), right: `calc(100% - ${at(to)})` }} />
      <BandAt style={{ left: at(value) }} />
      <BandWords>
        {word}, {number(from, locale)}–{number(to, locale)}
      </BandWords>
    </BandBox>
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
    <div data-changed={now === was ? undefined : ""}>
      <dt>
        {name}
        {more}
      </dt>
      <dd>
        {now === was ? null : <span data-part="was">{was}</span>}
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
        <BenchColumns>
          <Box as="section" aria-label="In the bowl">
            <Heading as="h2" size="xl">
              In the bowl
            </Heading>
            <BenchLines>
              {draft.lines
                .filter((line) => recipe.lines.some((one) => one.id === line.id && isBatter(one, recipe)))
                .map((line) => (
                  <li key={line.id}>
                    <Cell
                      span="amount"
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
            </BenchLines>
            <Heading as="h3" size="lg">
              Ladle and pan
            </Heading>
            <InlineFields isTight>
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
            </InlineFields>
            {ml === undefined ? (
              <Problem path="portion" />
            ) : (
              <Text fontSize="sm">
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
                <Span color="fg.muted">π ⁄ 4 × across² × thick</Span>
              </Text>
            )}
            <HStack gap="3" wrap="wrap">
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
            </HStack>
          </Box>
          <Box as="section" aria-label="What it makes" aria-live="polite">
            <Heading as="h2" size="xl">
              What it makes
            </Heading>
            <FigureList>
              {figure(
                "Water to flour, g to a g",
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
            </FigureList>
            {findings.length > 0 ? (
              <NoteList>
                {findings.slice(0, 4).map((finding) => {
                  const sentence = sayFinding({ ...finding, stage: "recipe", dishId: null }, names);
                  return (
                    <li key={sentence} data-grade={finding.level}>
                      {sentence}
                    </li>
                  );
                })}
              </NoteList>
            ) : null}
            <Pours looseness={batter.looseness} band={band} aim={recipe.aimedLooseness} />
            <LiquidChart recipe={recipe} pantry={byId} />
          </Box>
        </BenchColumns>
        <BenchColumns>
          <BowlCorrection recipe={recipe} pantry={byId} />
          <Swaps recipe={recipe} pantry={byId} names={names} onAccept={(next) => change(() => draftOf(next))} />
        </BenchColumns>
        <Calculators recipe={recipe} pantry={byId} />
        <Box as="section" aria-label="A piece looks wrong">
          <Heading as="h2" size="xl">
            A piece looks wrong
          </Heading>
          <Troubles
            family={recipe.family}
            kinds={recipe.heat.surfaceKinds}
            step={correctionStep(recipe, batter, byId, 1)}
            names={names}
          />
        </Box>
      </WhenReady>
    </ProblemsContext.Provider>
  );
}
