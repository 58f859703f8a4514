import { DrawChip, DrawMoreSelect, DrawRow, LineMore, StepHead, StepItem, StepNumber } from "~/ui/parts/editor";
import { LuX } from "react-icons/lu";
import { RowButton } from "~/ui/parts/keys";
import { Fieldset, List, VisuallyHidden } from "@chakra-ui/react";
import { CautionRow } from "~/ui/parts/recipe";
import { InlineFields, RowButtons, TickLabel } from "~/ui/parts/forms";
import { useDroppable } from "@dnd-kit/core";
import type { Ingredient } from "~/core/pantry";
import {
  type DraftLine,
  type DraftPart,
  type DraftStep,
  type Hazard,
  type Heat,
  type Waiver,
  gateKinds,
  mixingStops,
  type Technique,
  stepKinds,
  warmPlaces,
  withStepKind,
} from "~/core/recipe";
import { gateKindWords, stepKindWords, warmPlaceWords } from "~/ui/words/batter";
import { hazardWords, toolWords } from "~/ui/words/en";
import { stopWords, techniqueWords } from "~/ui/words/looks";
import { Cell, Pick, SpanCells, Ticks } from "./cells";
import { FoldTitle, PlainArea, PlainButton, Tick } from "~/ui/parts/plain";

/** Cautions by a word or two, for boxes; the full sentence stands on the sheet. */
const hazardNames = {
  "hot-surface": "hot surface",
  steam: "steam",
  "oven-dish": "hot oven dish",
  "hot-fat": "hot fat",
  "spray-flame": "spray and flame",
  "raw-batter": "raw egg and flour",
  blades: "blades",
  "boiling-sauce": "boiling sauce",
  "small-pieces": "small pieces",
  cords: "cords",
  spitting: "spitting from the microwave",
  "iron-hinge": "hinge and plates of an iron",
  "oiling-hot-pan": "oiling a hot pan",
  "oil-fire": "burning oil",
  "oil-smokes": "oil that smokes",
  "butter-smokes": "butter that smokes",
  "bare-fingers": "fingers at an edge",
  sticks: "sticks and picks",
  mixer: "mixer",
  "hands-again": "hands again",
  "batter-clock": "raw batter's clock",
  "gas-air": "gas and air",
} satisfies Record<keyof typeof hazardWords, string>;

interface Props {
  readonly step: DraftStep;
  readonly number: number;
  readonly lines: readonly DraftLine[];
  readonly parts: readonly DraftPart[];
  readonly pantry: readonly Ingredient[];
  /** The heat of the recipe, which says what its hot steps warn of. */
  readonly heat: Heat;
  /** Cautions that follow from what the step has in hand. */
  readonly derived: readonly Hazard[];
  /** What is shown at it as long as nobody chooses. */
  readonly shows: readonly Technique[];
  /** What is left of each line for this step to take. */
  readonly left: ReadonlyMap<string, string>;
  readonly onStep: (change: Partial<DraftStep>, field: string) => void;
  readonly onRemove: () => void;
  readonly onMove: (by: -1 | 1) => void;
}

const techniqueNames = Object.fromEntries(
  Object.entries(techniqueWords).map(([id, { name }]) => [id, name.replace(/[.?]$/, "").toLowerCase()]),
) as Record<Technique, string>;

const without = (all: Readonly<Record<Hazard, string>>, some: readonly Hazard[]) =>
  Object.fromEntries(Object.entries(all).filter(([hazard]) => !some.includes(hazard as Hazard))) as Record<
    Hazard,
    string
  >;

/** Cautions that nobody has to tick: each stays unless a reason is written beside it. */
function ByThemselves({
  derived,
  waived,
  onWaived,
}: {
  derived: readonly Hazard[];
  waived: readonly Waiver[];
  onWaived: (next: readonly Waiver[]) => void;
}) {
  return (
    <Fieldset.Root>
      <Fieldset.Legend>Cautions that come by themselves; one is left out only with a reason</Fieldset.Legend>
      <List.Root>
        {derived.map((hazard) => {
          const reason = waived.find((one) => one.hazard === hazard)?.reason ?? "";
          return (
            <CautionRow key={hazard}>
              <span data-part={!(reason.trim() === "") ? "is-left-out" : undefined}>{hazardNames[hazard]}</span>
              <Cell
                label={`Why “${hazardNames[hazard]}” is left out`}
                value={reason}
                placeholder="left out, because …"
                maxLength={200}
                onText={(text) =>
                  onWaived([
                    ...waived.filter((one) => one.hazard !== hazard),
                    ...(text === "" ? [] : [{ hazard, reason: text }]),
                  ])
                }
              />
            </CautionRow>
          );
        })}
      </List.Root>
    </Fieldset.Root>
  );
}

/** One step of the method: what is done, what it draws from the list, how long, who may, what to look out for. */
export function StepCard({
  step,
  number,
  lines,
  parts,
  pantry,
  heat,
  derived,
  shows,
  left,
  onStep,
  onRemove,
  onMove,
}: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: `step:${step.id}` });
  const nameOf = (lineId: string) => {
    const line = lines.find((one) => one.id === lineId);
    return line ? (pantry.find((one) => one.id === line.ingredientId)?.name ?? line.said ?? lineId) : lineId;
  };
  const waived = step.waived ?? [];
  const shown = [...new Set([...derived, ...step.hazards])].filter(
    (hazard) => !waived.some((one) => one.hazard === hazard && one.reason.trim() !== ""),
  );
  const free = lines.filter((line) => left.has(line.id) && !step.draws.some((draw) => draw.lineId === line.id));
  return (
    <StepItem isOver={isOver} ref={setNodeRef} aria-label={`Step ${number}`}>
      <StepNumber>{number}</StepNumber>
      <StepHead>
        <Pick
          label={`Step ${number} is`}
          value={step.kind}
          options={stepKinds.map((kind) => ({ value: kind, label: stepKindWords[kind] }))}
          onPick={(kind) => onStep({ ...withStepKind(step, kind, heat), guesses: [] }, "kind")}
        />
        <SpanCells
          label="takes"
          value={step.minutes}
          onSpan={(minutes) => onStep({ minutes }, "minutes")}
          path={`steps.${step.id}.minutes`}
        />
        <TickLabel fontSize="sm">
          <Tick
            checked={step.who === "adult"}
            onChange={(event) => onStep({ who: event.target.checked ? "adult" : "anyone" }, "who")}
          />
          an adult
        </TickLabel>
      </StepHead>
      <label>
        <VisuallyHidden>Step {number}, what is done</VisuallyHidden>
        <PlainArea
          value={step.text}
          rows={2}
          onChange={(event) => onStep({ text: event.target.value }, "text")}
          placeholder="What is done, in one or two sentences"
        />
      </label>
      <DrawRow>
        {step.draws.map((draw) => (
          <DrawChip key={draw.lineId}>
            {draw.share === "1" ? "" : `${draw.share} of `}
            {nameOf(draw.lineId)}
            <Cell
              span="share"
              label={`Share of ${nameOf(draw.lineId)}`}
              value={draw.share}
              onText={(share) =>
                onStep(
                  { draws: step.draws.map((one) => (one.lineId === draw.lineId ? { ...one, share } : one)) },
                  `share-${draw.lineId}`,
                )
              }
              path={`steps.${step.id}.draws.${draw.lineId}`}
            />
            <PlainButton
              type="button"
              aria-label={`Step ${number} does not use ${nameOf(draw.lineId)}`}
              onClick={() => onStep({ draws: step.draws.filter((one) => one.lineId !== draw.lineId) }, "")}
            >
              <LuX aria-hidden="true" />
            </PlainButton>
          </DrawChip>
        ))}
        {step.mentions.map((id) => (
          <DrawChip isMention key={id}>
            says {pantry.find((one) => one.id === id)?.name ?? id}
            <PlainButton
              type="button"
              aria-label={`Step ${number} does not mean ${id}`}
              onClick={() => onStep({ mentions: step.mentions.filter((one) => one !== id) }, "")}
            >
              <LuX aria-hidden="true" />
            </PlainButton>
          </DrawChip>
        ))}
        {free.length > 0 ? (
          <DrawMoreSelect
            aria-label={`Step ${number} uses`}
            value=""
            onChange={(event) =>
              onStep(
                { draws: [...step.draws, { lineId: event.target.value, share: left.get(event.target.value) ?? "1" }] },
                "",
              )
            }
          >
            <option value="">uses …</option>
            {free.map((line) => (
              <option key={line.id} value={line.id}>
                {nameOf(line.id)}
                {left.get(line.id) === "1" ? "" : `, ${left.get(line.id)} left`}
              </option>
            ))}
          </DrawMoreSelect>
        ) : null}
      </DrawRow>
      <LineMore>
        <FoldTitle>
          {shown.length > 0 ? `cautions: ${shown.map((one) => hazardNames[one]).join(", ")}` : "no cautions"}
          {step.tools.length > 0 ? `; ${step.tools.map((tool) => toolWords[tool]).join(", ")}` : ""}
          {step.point || step.question || step.avoid ? "; with a word for the room" : ""}
        </FoldTitle>
        {derived.length > 0 ? (
          <ByThemselves derived={derived} waived={waived} onWaived={(next) => onStep({ waived: next }, "waived")} />
        ) : null}
        <Ticks
          legend="Cautions besides"
          all={without(hazardNames, derived)}
          chosen={step.hazards}
          onChosen={(hazards) => onStep({ hazards }, "")}
        />
        {step.kind === "mix" ? (
          <Pick
            label="Stop mixing when"
            isLabelled
            value={step.stop ?? ""}
            empty="as the family usually does"
            options={mixingStops.map((stop) => ({ value: stop, label: stopWords[stop].name }))}
            onPick={(stop) => onStep({ stop: stop || undefined }, "stop")}
          />
        ) : null}
        {step.kind === "hold" || step.kind === "reheat" ? (
          <InlineFields isTight>
            <Pick
              label={step.kind === "hold" ? "Kept" : "Reheated"}
              isLabelled
              value={step.warmPlace ?? ""}
              empty="not said where"
              options={warmPlaces.map((place) => ({ value: place, label: warmPlaceWords[place] }))}
              onPick={(warmPlace) => onStep({ warmPlace }, "warmPlace")}
            />
            <Cell
              label={step.kind === "hold" ? "at" : "until the middle has"}
              isLabelled
              unit="°C"
              value={step.warmC ?? ""}
              inputMode="decimal"
              onText={(warmC) => onStep({ warmC }, "warmC")}
              path={`steps.${step.id}.warmC`}
            />
            {step.kind === "hold" ? (
              <Cell
                label="at most"
                isLabelled
                unit="min"
                value={step.warmMost ?? ""}
                inputMode="decimal"
                onText={(warmMost) => onStep({ warmMost }, "warmMost")}
                path={`steps.${step.id}.warmMost`}
              />
            ) : null}
          </InlineFields>
        ) : null}
        <InlineFields isTight>
          <Pick
            label="Go on when it"
            isLabelled
            value={step.gateKind ?? ""}
            empty="is done"
            options={gateKinds.map((kind) => ({ value: kind, label: gateKindWords[kind] }))}
            onPick={(gateKind) => onStep({ gateKind }, "gateKind")}
          />
          {step.gateKind ? (
            <Cell
              label="so much"
              isLabelled
              value={step.gateValue ?? ""}
              inputMode="decimal"
              onText={(gateValue) => onStep({ gateValue }, "gateValue")}
              path={`steps.${step.id}.gateValue`}
            />
          ) : null}
        </InlineFields>
        {(
          [
            ["point", "The one point made here"],
            ["question", "The one question asked here"],
            ["avoid", "Not shown or said here"],
          ] as const
        ).map(([field, label]) => (
          <Cell
            span="whole"
            key={field}
            label={label}
            isLabelled
            value={step[field] ?? ""}

            maxLength={300}
            onText={(text) => onStep({ [field]: text || undefined }, field)}
          />
        ))}
        <Ticks
          legend="Shown with a drawing"
          all={techniqueNames}
          chosen={step.techniques ?? shows}
          onChosen={(techniques) => onStep({ techniques }, "")}
        />
        {step.techniques ? (
          <RowButton onClick={() => onStep({ techniques: undefined }, "")}>Show what follows from the step</RowButton>
        ) : null}
        <Ticks legend="Gear" all={toolWords} chosen={step.tools} onChosen={(tools) => onStep({ tools }, "")} />
        {parts.length > 0 ? (
          <Pick
            label="Makes"
            isLabelled
            value={step.partId}
            empty="the batter"
            options={parts.map((part) => ({ value: part.id, label: part.name || "unnamed part" }))}
            onPick={(partId) => onStep({ partId }, "part")}
          />
        ) : null}
        <RowButtons>
          <RowButton onClick={() => onMove(-1)}>Move up</RowButton>
          <RowButton onClick={() => onMove(1)}>Move down</RowButton>
          <RowButton onClick={onRemove}>Remove step {number}</RowButton>
        </RowButtons>
      </LineMore>
    </StepItem>
  );
}
