import type { DishPlan, StationPlan } from "~/core/plan";
import { type KitLine, inBowlOrder, tareReadings } from "~/core/kit";
import { type Recipe, bowls } from "~/core/recipe";
import { type Ratio, isZero, toScaleGrams } from "~/core/quantity";
import { drift, fraction } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { Grams, PutOutText } from "~/ui/sheet/Quantity";
import { bowlWords } from "~/ui/words/en";
import { Heads } from "~/ui/sheet/Heads";
import { Fold, FoldTitle } from "~/ui/parts/plain";

function Scoops({ line }: { line: KitLine }) {
  const main = line.main;
  const locale = useLocale();
  if (!main)
    return (
      <span className={line.kind === "unknown" ? "needs-you" : "quiet"}>
        {line.kind === "unknown" ? "amount not known" : "to taste"}
      </span>
    );
  if (isZero(main.amount.value)) return <>–</>;
  if (line.packs)
    return (
      <>
        {fraction(line.packs.exact, locale)} {line.packs.name}
        {line.packs.exact.den === 1n ? null : <span className="quiet">, open {line.packs.whole}</span>}
      </>
    );
  return <PutOutText of={main} />;
}

interface Basis {
  readonly factor: Ratio;
  readonly loads: number;
  readonly pieces: number;
}

/** What a line grew by: the batch, the loads, or the pieces. */
function Grown({ line, basis }: { line: KitLine; basis: Basis }) {
  const locale = useLocale();
  if (line.kind === "per-load") return <>{basis.loads} loads</>;
  if (line.kind === "per-piece") return <>{basis.pieces} pieces</>;
  if (line.kind === "to-taste" || line.kind === "unknown") return null;
  return (
    <>
      × {fraction(basis.factor, locale)}
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
    <table className="ruled">
      <Heads of={["Into one bowl", { n: "Zero before each" }, { n: "Left running" }]} />
      <tbody>
        {readings.map((reading) => (
          <tr key={reading.lineId}>
            <td>{ingredientName(kit.find((line) => line.lineId === reading.lineId)?.ingredientId ?? "")}</td>
            <td className="n">
              <Grams value={toScaleGrams(reading.each).shown} />
            </td>
            <td className="n">
              <Grams value={toScaleGrams(reading.running).shown} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The lines of one kit: scoops for the spoons at the station, the error they make, grams beside. */
export function KitTable({
  kit,
  ingredientName,
  caption,
  basis,
}: {
  kit: readonly KitLine[];
  ingredientName: (id: string) => string;
  caption?: string;
  /** What each line was multiplied by, to be printed behind it. */
  basis?: Basis;
}) {
  const locale = useLocale();
  return (
    <table className="ruled">
      {caption ? <caption>{caption}</caption> : null}
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">By spoon and cup</th>
          <th scope="col" className="n">
            Off by
          </th>
          <th scope="col" className="n">
            By scale
          </th>
          {basis ? <th scope="col">Grown</th> : null}
        </tr>
      </thead>
      {bowls.map((bowl) => {
        const lines = kit.filter((line) => line.bowl === bowl);
        if (lines.length === 0) return null;
        return (
          <tbody key={bowl}>
            <tr className="is-group">
              <th scope="rowgroup" colSpan={basis ? 5 : 4}>
                {bowlWords[bowl]}
              </th>
            </tr>
            {lines.map((line) => (
              <tr key={line.lineId} className={line.kind === "unknown" ? "needs" : undefined}>
                <td>
                  {ingredientName(line.ingredientId)}
                  {line.isOptional ? <span className="quiet"> (optional)</span> : null}
                  {line.note ? <span className="quiet">, {line.note}</span> : null}
                </td>
                <td>
                  <Scoops line={line} />
                  {line.apart ? (
                    <div className="small">
                      {line.kind === "hold-back" ? "kept back: " : "apart, if needed: "}
                      <PutOutText of={line.apart} />
                    </div>
                  ) : null}
                </td>
                <td className={`n${line.main?.scoops && !line.main.scoops.isWithin ? " needs-you" : " quiet"}`}>
                  {line.main?.scoops ? drift(line.main.scoops.error, locale) || "exact" : ""}
                </td>
                <td className="n">
                  {line.main?.onScale && !isZero(line.main.amount.value) ? (
                    <Grams value={line.main.onScale.shown} />
                  ) : (
                    ""
                  )}
                  {line.apart?.onScale ? (
                    <div className="small">
                      <Grams value={line.apart.onScale.shown} />
                    </div>
                  ) : null}
                </td>
                {basis ? (
                  <td className="quiet small">
                    <Grown line={line} basis={basis} />
                  </td>
                ) : null}
              </tr>
            ))}
          </tbody>
        );
      })}
    </table>
  );
}

interface Props {
  readonly station: StationPlan;
  readonly dish: DishPlan;
  readonly ingredientName: (id: string) => string;
  readonly people: readonly string[];
  readonly stamp: string;
}

/** The card on a station's table. */
export function StationCard({ station, dish, ingredientName, people, stamp }: Props) {
  const locale = useLocale();
  return (
    <section aria-label={`Station ${station.name}`}>
      <div className="card-head">
        <h3>{station.name}</h3>
        <span>
          {dish.recipe.title}
          {dish.variantName ? <b>, {dish.variantName.toLowerCase()}</b> : null}
        </span>
        <span className="n">{station.size} people</span>
      </div>
      <p style={{ padding: "6px 0 8px" }}>
        <b>{fraction(station.scale.factor, locale)}</b> × the recipe makes <b>{station.scale.piecesMade}</b>,{" "}
        {station.scale.piecesWanted} wanted; {station.loads} {station.loads === 1 ? "load" : "loads"}.
        {people.length > 0 ? <span className="quiet"> {people.join(", ")}</span> : null}
      </p>
      <KitTable
        kit={station.kit}
        ingredientName={ingredientName}
        basis={{ factor: station.scale.factor, loads: station.loads, pieces: station.scale.piecesMade }}
      />
      <Fold className="tare">
        <FoldTitle>Weigh it in one bowl</FoldTitle>
        <TareCard kit={station.kit} recipe={dish.recipe} ingredientName={ingredientName} />
      </Fold>
      <p className="print-only small" style={{ paddingTop: 6 }}>
        {stamp}
      </p>
    </section>
  );
}
