import type { ReactNode } from "react";
import { shownOnce } from "~/core/caution";
import type { Surface } from "~/core/gear";
import { type DishPlan, type StationPlan, gramsAhead } from "~/core/plan";
import { type KitLine, inBowlOrder, tareReadings } from "~/core/kit";
import { type Recipe, type Step, cooksPieces, methodOf, platePartOf } from "~/core/recipe";
import { type Ratio, isZero, measuringSetOf, toNumber, toScaleGrams, inGrams } from "~/core/quantity";
import { drift, fraction, grams, people as peopleOf } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Grams, PutOutText } from "~/ui/sheet/Quantity";
import { BowlDrawing, TakeDrawing } from "~/ui/draw/TakeDrawing";
import { SurfaceDrawing } from "~/ui/draw/SurfaceDrawing";
import type { Technique } from "~/core/look";
import { Looks, StopMixing } from "~/ui/recipe/Looks";
import { Techniques } from "~/ui/recipe/Techniques";
import { hazardWords } from "~/ui/words/en";
import { sayGate, sayHalves, sayHeatOn, sayServings, sayTimes, sayWarmth } from "~/ui/words/batter";
import { sayRounds } from "~/ui/words/rounds";
import { byBowl } from "./groups";
import { sayPiece } from "~/ui/words/kits";
import { Heads } from "~/ui/sheet/Heads";
import { Fold, FoldTitle } from "~/ui/parts/plain";
import { parts } from "~/ui/theme/parts";
import { look } from "~/ui/theme/look";

function Scoops({ line }: { line: KitLine }) {
  const main = line.main;
  const locale = useLocale();
  if (!main)
    return (
      <span className={line.kind === "unknown" ? look("needs-you") : look("quiet")}>
        {line.kind === "unknown" ? "amount not known" : "to taste"}
      </span>
    );
  if (isZero(main.amount.value)) return <>–</>;
  if (line.packs)
    return (
      <>
        {fraction(line.packs.exact, locale)} {line.packs.name}
        {line.packs.exact.den === 1n ? null : <span className={look("quiet")}>, open {line.packs.whole}</span>}
      </>
    );
  return <PutOutText of={main} />;
}

/** What a line grew by: the batch, or what it is counted out by. */
function Grown({ line, factor }: { line: KitLine; factor: Ratio }) {
  const locale = useLocale();
  if (line.times !== undefined) return <>{sayTimes(line.kind, line.times)}</>;
  if (line.kind === "to-taste" || line.kind === "unknown") return null;
  return (
    <>
      × {fraction(factor, locale)}
      {line.isEased ? " × 0.9" : ""}
    </>
  );
}

/** Weighing into one bowl in the order of the method: zeroed before each, or left running. */
export function TareCard({
  kit,
  recipe,
  ingredientName,
}: {
  kit: readonly KitLine[];
  recipe: Recipe;
  ingredientName: (id: string) => string;
}) {
  const readings = tareReadings(inBowlOrder(kit, recipe));
  if (readings.length === 0) return null;
  return (
    <table className={look("ruled")}>
      <Heads of={["Into one bowl", { n: "Zero before each" }, { n: "Left running" }]} />
      <tbody>
        {readings.map((reading) => (
          <tr key={reading.lineId}>
            <td>{ingredientName(kit.find((line) => line.lineId === reading.lineId)?.ingredientId ?? "")}</td>
            <td className={look("n")}>
              <Grams value={toScaleGrams(inGrams(reading.each)).shown} />
            </td>
            <td className={look("n")}>
              <Grams value={toScaleGrams(inGrams(reading.running)).shown} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a step is for, where that is not the batter. */
function OfPart({ step, recipe }: { step: Step; recipe: Recipe }) {
  const part = platePartOf(step, recipe);
  return part ? <b>{part.name}: </b> : null;
}

/** How far the spoons are off, where that is more than a hair. */
function OffBy({ line }: { line: KitLine }) {
  const locale = useLocale();
  const scoops = line.main?.scoops;
  if (!scoops) return null;
  const off = drift(scoops.error, locale);
  return off === "" ? null : (
    <span className={scoops.isWithin ? look("quiet") : look("needs-you")}>
      {" "}
      ({off}
      {scoops.isWithin ? "" : " by spoon"})
    </span>
  );
}

interface KitProps {
  readonly kit: readonly KitLine[];
  readonly ingredientName: (id: string) => string;
  readonly isEgg: (id: string) => boolean;
  readonly caption?: string;
  /** Batches each line was multiplied by; said where it is not that. */
  readonly factor?: Ratio;
}

/** The lines of one kit by bowl: drawn as cups and spoons, in words, and in grams, with a box to tick on paper. */
export function KitTable({ kit, ingredientName, isEgg, caption, factor }: KitProps) {
  return (
    <table className={look("ruled", parts.card.kit)}>
      {caption ? <caption>{caption}</caption> : null}
      <thead className={look("vh")}>
        <tr>
          <th scope="col">To take</th>
          <th scope="col">What</th>
          <th scope="col">By scale</th>
          <th scope="col">Done</th>
        </tr>
      </thead>
      {byBowl(kit).map(({ key, bowl, title, lines }) => {
        return (
          <tbody key={key}>
            <tr className={look("is-group")}>
              <th scope="rowgroup" colSpan={4}>
                <BowlDrawing bowl={bowl} /> {title}
              </th>
            </tr>
            {lines.map((line) => (
              <tr key={line.lineId} className={line.kind === "unknown" ? look("needs") : undefined}>
                <td>
                  <div className={look("take")} aria-hidden="true">
                    <TakeDrawing line={line} isEgg={isEgg(line.ingredientId)} />
                  </div>
                </td>
                <td>
                  <b>{ingredientName(line.ingredientId)}</b>
                  {line.own === undefined ? null : <b>, of your own: {line.own}</b>}
                  {line.isOptional ? <span className={look("quiet")}> (optional)</span> : null}
                  {line.round === undefined ? null : <b>, only for: {line.round.toLowerCase()}</b>}
                  {line.note ? <span className={look("quiet")}>, {line.note}</span> : null}
                  <div className={look("in-words")}>
                    <Scoops line={line} />
                    <OffBy line={line} />
                    {factor && (line.times !== undefined || line.isEased) ? (
                      <span className={look("quiet")}>
                        , <Grown line={line} factor={factor} />
                      </span>
                    ) : null}
                    {line.apart ? (
                      <>
                        ; {line.kind === "hold-back" ? "kept back: " : "apart, if needed: "}
                        <PutOutText of={line.apart} />
                      </>
                    ) : null}
                  </div>
                </td>
                <td className={look("n")}>
                  {line.main?.onScale && !isZero(line.main.amount.value) ? (
                    <Grams value={line.main.onScale.shown} />
                  ) : (
                    ""
                  )}
                  {line.apart?.onScale ? (
                    <div className={look("small")}>
                      + <Grams value={line.apart.onScale.shown} />
                    </div>
                  ) : null}
                </td>
                <td>
                  <span className={parts.card.box} />
                </td>
              </tr>
            ))}
          </tbody>
        );
      })}
    </table>
  );
}

/** A surface a station cooks on. */
export interface CardSurface {
  readonly surface: Surface;
  readonly name: string;
  readonly loads: number;
  /** The most pieces of one load. */
  readonly pieces: number;
}

interface Props {
  readonly station: StationPlan;
  readonly dish: DishPlan;
  readonly ingredientName: (id: string) => string;
  readonly isEgg: (id: string) => boolean;
  readonly people: readonly string[];
  readonly surfaces: readonly CardSurface[];
  /** What hands do at this table. */
  readonly techniques?: readonly Technique[] | undefined;
  /** What to do about a piece that looks wrong. */
  readonly troubles?: ReactNode;
  readonly stamp: string;
}

/** What is done with it, in order, each caution at the first step it belongs to. */
function Steps({
  recipe,
  parting,
  factor,
  rounds,
  ingredientName,
}: {
  recipe: Recipe;
  /** Where tables part that did the same until then, and what this one makes from there. */
  parting: { readonly at: string; readonly makes: string } | undefined;
  factor: Ratio;
  rounds: StationPlan["rounds"];
  ingredientName: (id: string) => string;
}) {
  const locale = useLocale();
  const { steps } = recipe;
  const cautions = shownOnce(steps);
  return (
    <ol className={parts.card.steps}>
      {steps.map((step, index) => (
        <li key={step.id}>
          <OfPart step={step} recipe={recipe} />
          {step.id === parting?.at ? <b>From here each table its own: this one, {parting.makes}. </b> : null}
          {step.text}
          <StopMixing step={step} recipe={recipe} />
          {step.id === methodOf(recipe).cook?.id && recipe.heat.halves ? (
            <b> {sayHalves(recipe, ingredientName, locale)}</b>
          ) : null}
          {cooksPieces(step, recipe) && rounds ? <b> {sayRounds(recipe, rounds, locale)}</b> : null}
          {step.warmth ? <b className={look("gate")}> {sayWarmth(step, locale)}</b> : null}
          {step.gate ? <b className={look("gate")}> {sayGate(step.gate, toNumber(factor), locale)}</b> : null}
          {(cautions[index] ?? []).map((hazard) => (
            <span className={look("caution")} key={hazard}>
              {hazardWords[hazard]}
            </span>
          ))}
        </li>
      ))}
    </ol>
  );
}

/** A batter that comes ready made: how much, and how it is kept. */
function AheadTub({ batter }: { batter: readonly KitLine[] }) {
  const locale = useLocale();
  const all = gramsAhead([{ ahead: { batter, rest: [] } }]);
  return (
    <p>
      <b>The batter, made before the doors{all === undefined ? "" : `: ${grams(toScaleGrams(all).shown, locale)}`}.</b>{" "}
      <span className={look("quiet")}>Cold until it is poured; stir it once.</span>
    </p>
  );
}

/** The card on a station's table: what to take, who is there, what lies on the griddle, what to do. */
export function StationCard({
  station,
  dish,
  ingredientName,
  isEgg,
  people,
  surfaces,
  techniques = [],
  troubles = [],
  stamp,
}: Props) {
  const locale = useLocale();
  const { scale, loads } = station;
  return (
    <section aria-label={`Station ${station.name}`} className={parts.card.root}>
      <div className={parts.card.head}>
        <h3>{station.name}</h3>
        <span>
          {dish.recipe.title}
          {dish.variantName ? <b>, {dish.variantName.toLowerCase()}</b> : null}
          {station.ownSet === undefined ? null : <b>; measured with {measuringSetOf(station.ownSet).name}</b>}
        </span>
        <span className={look("n")}>
          <b>{fraction(scale.factor, locale)} ×</b> the recipe makes <b>{scale.piecesMade}</b>, {scale.piecesWanted}{" "}
          wanted; {loads} {loads === 1 ? "load" : "loads"}
          {station.eaters > station.size ? `; feeds ${station.eaters}` : ""}
          {station.cooked < scale.piecesMade ? <b>; cook {station.cooked}, the rest stays batter</b> : null}
          {dish.recipe.serving ? `; ${sayServings(dish.recipe, station.cooked - station.testers)}` : ""}
        </span>
      </div>
      <div className={parts.card.body}>
        <div>
          {station.ahead ? <AheadTub batter={station.ahead.batter} /> : null}
          {station.halves ? (
            <>
              <KitTable
                kit={station.halves.each}
                ingredientName={ingredientName}
                isEgg={isEgg}
                caption="Two halves: this for each, in a bowl of its own"
                factor={station.halves.factor}
              />
              {station.halves.rest.length > 0 ? (
                <KitTable
                  kit={station.halves.rest}
                  ingredientName={ingredientName}
                  isEgg={isEgg}
                  caption="Once, for both halves"
                  factor={scale.factor}
                />
              ) : null}
            </>
          ) : (
            <KitTable
              kit={station.ahead?.rest ?? station.kit}
              ingredientName={ingredientName}
              isEgg={isEgg}
              factor={scale.factor}
            />
          )}
          {station.ahead ? null : (
            <Fold className={look("tare")}>
              <FoldTitle>{station.halves ? "Weigh each half in one bowl" : "Weigh it in one bowl"}</FoldTitle>
              <TareCard
                kit={station.halves?.each ?? station.kit}
                recipe={dish.recipe}
                ingredientName={ingredientName}
              />
            </Fold>
          )}
          <Looks recipe={dish.recipe} />
          {/* On paper they hang on the wall: a card is one page. */}
          <div className={look("no-print")}>
            {troubles}
            <Techniques of={techniques} />
          </div>
        </div>
        <div className={parts.card.side}>
          <h4>At this table</h4>
          {people.length > 0 ? (
            <ul className={parts.card.names}>
              {people.map((name) => (
                <li key={name}>{name}</li>
              ))}
            </ul>
          ) : (
            <p className={look("quiet")}>
              {station.size === 0 ? `You cook, ${station.eaters} taste` : `${peopleOf(station.size)}, not named yet`}
            </p>
          )}
          {surfaces.map(({ surface, name, loads: often, pieces }) => (
            <div key={name}>
              <h4>On the {name}</h4>
              <div className={parts.card.surface}>
                <SurfaceDrawing surface={surface} recipe={dish.recipe} pieces={pieces} />
                <p>
                  <b>
                    {pieces} at a time, {often} {often === 1 ? "load" : "loads"}
                  </b>
                  <br />
                  <span className={look("quiet")}>
                    {sayPiece(dish.recipe, locale)}
                    {(dish.recipe.heat.on ?? [])
                      .filter((each) => each.surfaceKind === surface.kind)
                      .map((each) => ` ${sayHeatOn(each, locale)}`)}
                  </span>
                </p>
              </div>
            </div>
          ))}
          <h4>In this order</h4>
          <Steps
            recipe={dish.atTable ?? dish.recipe}
            parting={
              dish.partsAt === undefined
                ? undefined
                : { at: dish.partsAt, makes: dish.variantName?.toLowerCase() ?? "as written" }
            }
            factor={scale.factor}
            rounds={station.rounds}
            ingredientName={ingredientName}
          />
        </div>
      </div>
      <p className={look("print-only", "small")}>{stamp}</p>
    </section>
  );
}
