import { LineMore } from "~/ui/parts/editor";
import { RowButton } from "~/ui/parts/keys";
import { Box, Fieldset, Heading, Text } from "@chakra-ui/react";
import { Columns } from "~/ui/parts/sheet";
import { InlineField, InlineFields, InlineLabel, TickLabel } from "~/ui/parts/forms";
import { inRegion } from "~/ui/words/regional";
import type { ComponentProps } from "react";
import { pourFor, pourThickness } from "~/core/batter";
import { fillMethods } from "~/core/pantry";
import { measuringSystems } from "~/core/quantity";
import {
  type Cue,
  type DraftHeatOn,
  type RecipeDraft,
  doneCues,
  families,
  familyFacts,
  readinessTests,
  type ShapeId,
  servingKinds,
  shapeIds,
  turnCues,
  usualCooking,
  windowReasons,
  withFamily,
} from "~/core/recipe";
import { number, thin } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { fillWords, servingWords, systemWords } from "~/ui/words/batter";
import { shapeWords } from "~/ui/words/looks";
import { cueWords, familyWords, surfaceWords, testWords, windowReasonWords } from "~/ui/words/en";
import { Cell, Pick, Problem, SpanCells, Ticks } from "./cells";
import { Rounds } from "./Rounds";
import { FoldTitle, PlainArea, Tick } from "~/ui/parts/plain";

interface Props {
  readonly draft: RecipeDraft;
  readonly onDraft: (change: Partial<RecipeDraft>, field: string) => void;
}

const isIn = (some: readonly Cue[], cue: Cue): boolean => some.includes(cue);
const cuesOf = (some: readonly Cue[]) =>
  Object.fromEntries(some.map((cue) => [cue, cueWords[cue]])) as Record<Cue, string>;

/** Facts that are typed as text. */
type TextFact = {
  [K in keyof RecipeDraft]-?: RecipeDraft[K] extends string ? (string extends RecipeDraft[K] ? K : never) : never;
}[keyof RecipeDraft];
type FactProps = Props & { readonly of: TextFact } & Omit<
    ComponentProps<typeof Cell>,
    "value" | "onText" | "path" | "isLabelled"
  >;

/** One fact of the recipe by its name in the draft: typed, and complained about, under that name. */
const Fact = ({ draft, onDraft, of, ...rest }: FactProps) => (
  <Cell {...rest} isLabelled value={draft[of]} onText={(text) => onDraft({ [of]: text }, of)} path={of} />
);

/** Name, family and whose cups: what the rest is read by. */
export function HeadFields({ draft, onDraft }: Props) {
  return (
    <InlineFields>
      <Fact span="wide" draft={draft} onDraft={onDraft} of="title" label="Recipe" />
      <Pick
        label="Family"
        isLabelled
        value={draft.family}
        options={families.map((family) => ({ value: family, label: familyWords[family] }))}
        onPick={(family) => onDraft(withFamily(draft, family), "family")}
      />
      <Pick
        label="Measured in"
        isLabelled
        value={draft.system}
        empty="whose cups?"
        options={measuringSystems.map((system) => ({ value: system, label: systemWords[system] }))}
        onPick={(system) => onDraft({ system }, "system")}
        path="system"
      />
      <Pick
        label="A cup of flour is"
        isLabelled
        value={draft.fill}
        options={fillMethods.map((fill) => ({ value: fill, label: fillWords[fill] }))}
        onPick={(fill) => onDraft({ fill }, "fill")}
      />
      <InlineField span="whole">
        <InlineLabel>What to know first</InlineLabel>
        <PlainArea value={draft.intro} rows={2} onChange={(event) => onDraft({ intro: event.target.value }, "intro")} />
      </InlineField>
    </InlineFields>
  );
}

const noSpan = { low: "", likely: "", high: "" };

/** Where a surface is worked otherwise than the others: degrees, the dial in words, minutes. What is left empty is as everywhere. */
function HeatBySurface({ draft, onDraft }: Props) {
  const rows = draft.heatOn ?? [];
  const change = (at: number, more: Partial<DraftHeatOn>, field: string) =>
    onDraft({ heatOn: rows.map((row, index) => (index === at ? { ...row, ...more } : row)) }, field);
  const free = draft.surfaceKinds.filter((kind) => !rows.some((row) => row.surfaceKind === kind));
  return (
    <LineMore open={rows.length > 0 || undefined}>
      <FoldTitle>Otherwise on some surfaces</FoldTitle>
      {rows.map((row, at) => {
        const path = `heatOn.${row.surfaceKind}`;
        const name = surfaceWords[row.surfaceKind];
        return (
          <Fieldset.Root key={row.surfaceKind}>
            <Fieldset.Legend>{name}</Fieldset.Legend>
            <InlineFields isTight>
              <Cell
                label={`Dial at, ${name}`}
                isLabelled
                unit="°C"
                value={row.from}
                path={`${path}.from`}
                onText={(from) => change(at, { from }, `${path}.from`)}
              />
              <Cell
                label={`to, ${name}`}
                isLabelled
                unit="°C"
                value={row.to}
                path={`${path}.to`}
                onText={(to) => change(at, { to }, `${path}.to`)}
              />
              <Cell
                label={`Dial in words, ${name}`}
                isLabelled
                value={row.dial}
                maxLength={120}
                placeholder="4 of 9, or: low for long"
                onText={(dial) => change(at, { dial }, `${path}.dial`)}
              />
              <Pick
                label={`Ready when, ${name}`}
                isLabelled
                value={row.test}
                empty="as everywhere"
                options={readinessTests.map((test) => ({ value: test, label: testWords[test] }))}
                onPick={(test) => change(at, { test }, `${path}.test`)}
              />
            </InlineFields>
            <SpanCells
              label={`First side, ${name}`}
              value={row.side1}
              onSpan={(side1) => change(at, { side1 }, `${path}.side1`)}
              path={`${path}.side1`}
            />
            {draft.hasSide2 ? (
              <SpanCells
                label={`Second side, ${name}`}
                value={row.side2}
                onSpan={(side2) => change(at, { side2 }, `${path}.side2`)}
                path={`${path}.side2`}
              />
            ) : null}
            <RowButton onClick={() => onDraft({ heatOn: rows.filter((one) => one !== row) }, "")}>
              As everywhere
            </RowButton>
          </Fieldset.Root>
        );
      })}
      {free.length > 0 ? (
        <Pick
          label="Otherwise on"
          value=""
          empty="otherwise on …"
          options={free.map((kind) => ({ value: kind, label: surfaceWords[kind] }))}
          onPick={(surfaceKind) =>
            onDraft(
              {
                heatOn: [...rows, { surfaceKind, from: "", to: "", dial: "", test: "", side1: noSpan, side2: noSpan }],
              },
              "",
            )
          }
        />
      ) : null}
    </LineMore>
  );
}

/** Heat as a start setting and a test on the surface, the window with its reason, portion and pan. */
export function CookFields({ draft, onDraft }: Props) {
  const locale = useLocale();
  const usual = () => onDraft(usualCooking(draft.family), "");
  const diameter = Number(draft.pieceDiameterCm);
  const pour = diameter > 0 ? pourFor(diameter, pourThickness[draft.family]) : undefined;
  return (
    <Columns split="even">
      <Box as="section">
        <Heading as="h3" size="lg">
          Heat
        </Heading>
        <Ticks
          legend="Cooks on"
          all={surfaceWords}
          chosen={draft.surfaceKinds}
          onChosen={(surfaceKinds) => onDraft({ surfaceKinds }, "")}
        />
        <Problem path="surfaceKinds" />
        <InlineFields isTight>
          <Fact draft={draft} onDraft={onDraft} of="surfaceFrom" label="Start the dial at" unit="°C" />
          <Fact draft={draft} onDraft={onDraft} of="surfaceTo" label="to" unit="°C" />
          <Pick
            label="Pour when"
            isLabelled
            value={draft.test}
            options={readinessTests.map((test) => ({ value: test, label: testWords[test] }))}
            onPick={(test) => onDraft({ test }, "test")}
          />
        </InlineFields>
        <SpanCells
          label="First side"
          value={draft.side1}
          onSpan={(side1) => onDraft({ side1 }, "side1")}
          path="side1"
        />
        <TickLabel fontSize="sm">
          <Tick checked={draft.hasSide2} onChange={(event) => onDraft({ hasSide2: event.target.checked }, "")} />
          is turned once
        </TickLabel>
        {draft.hasSide2 ? (
          <SpanCells
            label="Second side"
            value={draft.side2}
            onSpan={(side2) => onDraft({ side2 }, "side2")}
            path="side2"
          />
        ) : null}
        <InlineFields isTight>
          <Fact draft={draft} onDraft={onDraft} of="turnaround" label="Between loads" unit="min" />
          <Fact draft={draft} onDraft={onDraft} of="pourPerPiece" label="Pouring one piece" unit="min" />
          <Fact draft={draft} onDraft={onDraft} of="recover" label="Heats up again in" unit="min" />
        </InlineFields>
        <TickLabel fontSize="sm">
          <Tick
            checked={draft.halves !== undefined}
            onChange={(event) =>
              onDraft({ halves: event.target.checked ? { low: "0.5", likely: "1", high: "2" } : undefined }, "")
            }
          />
          is poured in two halves, with what is put in between
        </TickLabel>
        {draft.halves ? (
          <SpanCells
            label="From the first half to the second"
            value={draft.halves}
            onSpan={(halves) => onDraft({ halves }, "halves")}
            path="halves"
          />
        ) : null}
        <RowButton onClick={usual}>Set what is usual for this family</RowButton>
        <HeatBySurface draft={draft} onDraft={onDraft} />
      </Box>
      <Box as="section">
        <Heading as="h3" size="lg">
          What is looked for
        </Heading>
        {draft.hasSide2 ? (
          <Ticks
            legend="Turn when"
            all={cuesOf(turnCues)}
            chosen={draft.cues.filter((cue) => isIn(turnCues, cue))}
            onChosen={(turn) => onDraft({ cues: [...turn, ...draft.cues.filter((cue) => !isIn(turnCues, cue))] }, "")}
          />
        ) : null}
        <Ticks
          legend="Done when"
          all={cuesOf(doneCues)}
          chosen={draft.cues.filter((cue) => isIn(doneCues, cue))}
          onChosen={(done) => onDraft({ cues: [...draft.cues.filter((cue) => !isIn(doneCues, cue)), ...done] }, "")}
        />
        <Fact
          span="whole"
          draft={draft}
          onDraft={onDraft}
          of="blindNote"
          label="What cannot be seen here"
          placeholder={inRegion("Dark batter: colour says nothing", locale)}
        />
        <Heading as="h3" size="lg">
          Wait
        </Heading>
        <InlineFields isTight>
          <Fact draft={draft} onDraft={onDraft} of="restMin" label="Rest at least" unit="min" />
          <Fact
            draft={draft}
            onDraft={onDraft}
            of="restMax"
            label="Last pour within"
            unit="min"
            placeholder="no limit"
          />
          <Pick
            label="because"
            isLabelled
            value={draft.restReason}
            options={windowReasons.map((reason) => ({ value: reason, label: windowReasonWords[reason] }))}
            onPick={(restReason) => onDraft({ restReason }, "restReason")}
          />
        </InlineFields>
        <Heading as="h3" size="lg">
          Piece
        </Heading>
        <InlineFields isTight>
          <Pick
            label="A piece is"
            isLabelled
            value={draft.portionKind}
            options={[
              { value: "ml", label: "a pour, in ml" },
              { value: "grams", label: "a weight, in g" },
              { value: "batch", label: "a batch makes" },
            ]}
            onPick={(portionKind) => onDraft({ portionKind }, "portionKind")}
          />
          <Fact
            draft={draft}
            onDraft={onDraft}
            of="portion"
            label={draft.portionKind === "batch" ? "Pieces" : "How much"}
            unit={draft.portionKind === "ml" ? "ml" : draft.portionKind === "grams" ? "g" : ""}
          />
          <Fact draft={draft} onDraft={onDraft} of="pieceDiameterCm" label="Across" unit="cm" />
          <Fact
            draft={draft}
            onDraft={onDraft}
            of="aimedLooseness"
            label="Water-to-flour ratio aimed at"
            unit="g water to g flour"
            placeholder={`${number(familyFacts[draft.family].looseness.from, locale)} to ${number(familyFacts[draft.family].looseness.to, locale)}`}
          />
          <Fact
            draft={draft}
            onDraft={onDraft}
            of="servingPieces"
            label="Eaten together"
            unit="pieces"
            placeholder="each by itself"
          />
          {draft.servingPieces.trim() === "" ? null : (
            <Pick
              label="as a"
              isLabelled
              value={draft.servingAs}
              options={servingKinds.map((kind) => ({ value: kind, label: servingWords[kind] }))}
              onPick={(servingAs) => onDraft({ servingAs }, "servingAs")}
            />
          )}
          <Fact
            draft={draft}
            onDraft={onDraft}
            of="claimedPieces"
            label="The recipe claims"
            unit="pieces"
            placeholder="not said"
          />
        </InlineFields>
        {draft.family === "drawn" ? (
          <Ticks
            legend="Offered to be drawn"
            all={Object.fromEntries(shapeIds.map((id) => [id, shapeWords[id]])) as Record<ShapeId, string>}
            chosen={draft.shapes ?? shapeIds}
            onChosen={(shapes) => onDraft({ shapes: shapes.length === shapeIds.length ? undefined : shapes }, "")}
          />
        ) : null}
        <Rounds draft={draft} onDraft={onDraft} />
        {pour !== undefined && draft.portionKind === "ml" ? (
          <Text color="fg.muted" fontSize="sm">
            {number(diameter, locale)}
            {thin}cm across and {number(pourThickness[draft.family], locale)}
            {thin}mm thick as poured is {number(pour, locale, 0)}
            {thin}ml.{" "}
            <RowButton onClick={() => onDraft({ portion: String(Math.round(pour)) }, "")}>Pour that</RowButton>
          </Text>
        ) : null}
      </Box>
    </Columns>
  );
}
