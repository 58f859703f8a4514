import { RuledTable } from "~/ui/parts/tables";
import { Box, Heading, Table, Text, VisuallyHidden } from "@chakra-ui/react";
import {
  CardBody,
  CardHead,
  CardNames,
  CardRoot,
  CardSide,
  CardSteps,
  CardSurfaceBox,
  TareFold,
} from "~/ui/parts/card";
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
import { FoldTitle } from "~/ui/parts/plain";

function Scoops({ line }: { line: KitLine }) {
  const main = line.main;
  const locale = useLocale();
  if (!main)
    return (
      <span data-alert={line.kind === "unknown" ? "" : undefined} data-quiet={line.kind === "unknown" ? undefined : ""}>
        {line.kind === "unknown" ? "amount not known" : "to taste"}
      </span>
    );
  if (isZero(main.amount.value)) return <>–</>;
  if (line.packs)
    return (
      <>
        {fraction(line.packs.exact, locale)} {line.packs.name}
        {line.packs.exact.den === 1n ? null : <span data-quiet>, open {line.packs.whole}</span>}
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
    <Table.Root native>
      <Heads of={["Into one bowl", { n: "Zero before each" }, { n: "Left running" }]} />
      <tbody>
        {readings.map((reading) => (
          <tr key={reading.lineId}>
            <td>{ingredientName(kit.find((line) => line.lineId === reading.lineId)?.ingredientId ?? "")}</td>
            <td data-numeric>
              <Grams value={toScaleGrams(inGrams(reading.each)).shown} />
            </td>
            <td data-numeric>
              <Grams value={toScaleGrams(inGrams(reading.running)).shown} />
            </td>
          </tr>
        ))}
      </tbody>
    </Table.Root>
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
    <span data-quiet={scoops.isWithin ? "" : undefined} data-alert={scoops.isWithin ? undefined : ""}>
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
    <RuledTable kind="kit">
      {caption ? <caption>{caption}</caption> : null}
      <VisuallyHidden as="thead">
        <tr>
          <th scope="col">To take</th>
          <th scope="col">What</th>
          <th scope="col">By scale</th>
          <th scope="col">Done</th>
        </tr>
      </VisuallyHidden>
      {byBowl(kit).map(({ key, bowl, title, lines }) => {
        return (
          <tbody key={key}>
            <tr data-group>
              <th scope="rowgroup" colSpan={4}>
                <BowlDrawing bowl={bowl} /> {title}
              </th>
            </tr>
            {lines.map((line) => (
              <tr data-needs={line.kind === "unknown" ? "" : undefined} key={line.lineId}>
                <td>
                  <div data-part="take" aria-hidden="true">
                    <TakeDrawing line={line} isEgg={isEgg(line.ingredientId)} />
                  </div>
                </td>
                <td>
                  <b>{ingredientName(line.ingredientId)}</b>
                  {line.own === undefined ? null : <b>, of your own: {line.own}</b>}
                  {line.isOptional ? <span data-quiet> (optional)</span> : null}
                  {line.round === undefined ? null : <b>, only for: {line.round.toLowerCase()}</b>}
                  {line.note ? <span data-quiet>, {line.note}</span> : null}
                  <Box data-part="in-words">
                    <Scoops line={line} />
                    <OffBy line={line} />
                    {factor && (line.times !== undefined || line.isEased) ? (
                      <span data-quiet>
                        , <Grown line={line} factor={factor} />
                      </span>
                    ) : null}
                    {line.apart ? (
                      <>
                        ; {line.kind === "hold-back" ? "kept back: " : "apart, if needed: "}
                        <PutOutText of={line.apart} />
                      </>
                    ) : null}
                  </Box>
                </td>
                <td data-numeric>
                  {line.main?.onScale && !isZero(line.main.amount.value) ? (
                    <Grams value={line.main.onScale.shown} />
                  ) : (
                    ""
                  )}
                  {line.apart?.onScale ? (
                    <div data-small>
                      + <Grams value={line.apart.onScale.shown} />
                    </div>
                  ) : null}
                </td>
                <td>
                  <i data-part="box" />
                </td>
              </tr>
            ))}
          </tbody>
        );
      })}
    </RuledTable>
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
    <CardSteps>
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
          {step.warmth ? (
            <Text as="b" fontWeight="600">
              {" "}
              {sayWarmth(step, locale)}
            </Text>
          ) : null}
          {step.gate ? (
            <Text as="b" fontWeight="600">
              {" "}
              {sayGate(step.gate, toNumber(factor), locale)}
            </Text>
          ) : null}
          {(cautions[index] ?? []).map((hazard) => (
            <span data-part="caution" key={hazard}>
              {hazardWords[hazard]}
            </span>
          ))}
        </li>
      ))}
    </CardSteps>
  );
}

/** A batter that comes ready made: how much, and how it is kept. */
function AheadTub({ batter }: { batter: readonly KitLine[] }) {
  const locale = useLocale();
  const all = gramsAhead([{ ahead: { batter, rest: [] } }]);
  return (
    <Text>
      <b>The batter, made before the doors{all === undefined ? "" : `: ${grams(toScaleGrams(all).shown, locale)}`}.</b>{" "}
      <span data-quiet>Cold until it is poured; stir it once.</span>
    </Text>
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
    <CardRoot aria-label={`Station ${station.name}`}>
      <CardHead>
        <Heading as="h3" size="lg">
          {station.name}
        </Heading>
        <span>
          {dish.recipe.title}
          {dish.variantName ? <b>, {dish.variantName.toLowerCase()}</b> : null}
          {station.ownSet === undefined ? null : <b>; measured with {measuringSetOf(station.ownSet).name}</b>}
        </span>
        <span data-part="made">
          <b>{fraction(scale.factor, locale)} ×</b> the recipe makes <b>{scale.piecesMade}</b>, {scale.piecesWanted}{" "}
          wanted; {loads} {loads === 1 ? "load" : "loads"}
          {station.eaters > station.size ? `; feeds ${station.eaters}` : ""}
          {station.cooked < scale.piecesMade ? <b>; cook {station.cooked}, the rest stays batter</b> : null}
          {dish.recipe.serving ? `; ${sayServings(dish.recipe, station.cooked - station.testers)}` : ""}
        </span>
      </CardHead>
      <CardBody>
        <Box>
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
            <TareFold>
              <FoldTitle>{station.halves ? "Weigh each half in one bowl" : "Weigh it in one bowl"}</FoldTitle>
              <TareCard
                kit={station.halves?.each ?? station.kit}
                recipe={dish.recipe}
                ingredientName={ingredientName}
              />
            </TareFold>
          )}
          <Looks recipe={dish.recipe} />
          {/* On paper they hang on the wall: a card is one page. */}
          <Box _print={{ display: "none" }}>
            {troubles}
            <Techniques of={techniques} />
          </Box>
        </Box>
        <CardSide>
          <Heading as="h4" size="md">
            At this table
          </Heading>
          {people.length > 0 ? (
            <CardNames>
              {people.map((name) => (
                <li key={name}>{name}</li>
              ))}
            </CardNames>
          ) : (
            <Text color="fg.muted">
              {station.size === 0 ? `You cook, ${station.eaters} taste` : `${peopleOf(station.size)}, not named yet`}
            </Text>
          )}
          {surfaces.map(({ surface, name, loads: often, pieces }) => (
            <Box key={name}>
              <Heading as="h4" size="md">
                On the {name}
              </Heading>
              <CardSurfaceBox>
                <SurfaceDrawing surface={surface} recipe={dish.recipe} pieces={pieces} />
                <Text>
                  <b>
                    {pieces} at a time, {often} {often === 1 ? "load" : "loads"}
                  </b>
                  <br />
                  <span data-quiet>
                    {sayPiece(dish.recipe, locale)}
                    {(dish.recipe.heat.on ?? [])
                      .filter((each) => each.surfaceKind === surface.kind)
                      .map((each) => ` ${sayHeatOn(each, locale)}`)}
                  </span>
                </Text>
              </CardSurfaceBox>
            </Box>
          ))}
          <Heading as="h4" size="md">
            In this order
          </Heading>
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
        </CardSide>
      </CardBody>
      <Text layerStyle="onPaper" fontSize="sm">
        {stamp}
      </Text>
    </CardRoot>
  );
}
