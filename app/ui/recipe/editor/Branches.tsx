import { BranchBox, Grip, LineItem } from "~/ui/parts/editor";
import { SwapRow } from "~/ui/parts/bench";
import { RowButton } from "~/ui/parts/keys";
import { InlineFields, RowButtons } from "~/ui/parts/forms";
import { Box, Heading, Text } from "@chakra-ui/react";
import type { Ingredient } from "~/core/pantry";
import {
  type DraftLine,
  type DraftPart,
  type DraftVariant,
  type Recipe,
  type RecipeDraft,
  asVariant,
  emptyLine,
  partHeats,
  partKinds,
} from "~/core/recipe";
import { partHeatWords, partKindWords } from "~/ui/words/batter";
import { Cell, Pick, SpanCells } from "./cells";
import { IngredientPicker } from "./IngredientPicker";
import { LineFields } from "./Lines";
import { PlainSelect } from "~/ui/parts/plain";
import { howMany } from "~/ui/format/format";

interface Props {
  readonly draft: RecipeDraft;
  readonly recipe: Recipe;
  readonly pantry: readonly Ingredient[];
  readonly onDraft: (change: Partial<RecipeDraft>, field: string) => void;
  readonly freshId: (from: string) => string;
}

const lineName = (line: DraftLine, pantry: readonly Ingredient[]) =>
  pantry.find((one) => one.id === line.ingredientId)?.name ?? (line.said || line.id);

/** Steps that read otherwise in a variant than in the recipe: retold by themselves, or in the author's words. */
function retoldSteps(recipe: Recipe, variant: DraftVariant, pantry: readonly Ingredient[]) {
  const made = asVariant(recipe, variant.id, new Map(pantry.map((one) => [one.id, one])));
  return made.steps.flatMap((step, index) => {
    const before = recipe.steps.find((one) => one.id === step.id);
    const own = variant.steps.find((one) => one.stepId === step.id);
    const isOpen = step.mentions.some((id) => !made.lines.some((line) => line.ingredientId === id));
    return made !== recipe && (own || before?.text !== step.text)
      ? [{ stepId: step.id, number: index + 1, text: own?.text ?? step.text, isOpen: isOpen && !own }]
      : [];
  });
}

/** What is made by itself: sauces, bulk dry mix, flavoured butter. */
export function PartFields({ draft, onDraft, freshId }: Omit<Props, "recipe" | "pantry">) {
  const set = (id: string, change: Partial<DraftPart>, field: string) =>
    onDraft(
      { parts: draft.parts.map((part) => (part.id === id ? { ...part, ...change } : part)) },
      `part-${id}-${field}`,
    );
  return (
    <Box as="section">
      <Heading as="h3" size="lg">
        Made by itself
      </Heading>
      {draft.parts.map((part) => (
        <BranchBox key={part.id}>
          <InlineFields isTight>
            <Cell
              label="Name"
              isLabelled
              value={part.name}
              onText={(name) => set(part.id, { name }, "name")}
              path={`parts.${part.id}.name`}
            />
            <Pick
              label="is a"
              isLabelled
              value={part.kind}
              options={partKinds.map((kind) => ({ value: kind, label: partKindWords[kind] }))}
              onPick={(kind) => set(part.id, { kind }, "kind")}
            />
            <Pick
              label="on"
              isLabelled
              value={part.heat}
              options={partHeats.map((heat) => ({ value: heat, label: partHeatWords[heat] }))}
              onPick={(heat) => set(part.id, { heat }, "heat")}
            />
            <Cell
              label="makes"
              isLabelled
              unit="g a batch"
              value={part.makesGrams}
              onText={(makesGrams) => set(part.id, { makesGrams }, "makes")}
              path={`parts.${part.id}.makesGrams`}
            />
          </InlineFields>
          <SpanCells
            label="takes"
            value={part.minutes}
            onSpan={(minutes) => set(part.id, { minutes }, "minutes")}
            path={`parts.${part.id}.minutes`}
          />
          <Text color="fg.muted" fontSize="sm">
            {howMany(draft.lines.filter((line) => line.partId === part.id).length, "line")} and{" "}
            {howMany(draft.steps.filter((step) => step.partId === part.id).length, "step")} are part of it.{" "}
            <RowButton
              onClick={() =>
                onDraft(
                  {
                    parts: draft.parts.filter((one) => one.id !== part.id),
                    lines: draft.lines.map((line) => (line.partId === part.id ? { ...line, partId: "" } : line)),
                    steps: draft.steps.map((step) => (step.partId === part.id ? { ...step, partId: "" } : step)),
                  },
                  "",
                )
              }
            >
              Dissolve it
            </RowButton>
          </Text>
        </BranchBox>
      ))}
      <RowButton
        onClick={() =>
          onDraft(
            {
              parts: [
                ...draft.parts,
                {
                  id: freshId("part"),
                  name: "",
                  kind: "sauce",
                  heat: "hob",
                  minutes: { low: "3", likely: "5", high: "10" },
                  makesGrams: "",
                },
              ],
            },
            "",
          )
        }
      >
        Add a sauce, dry mix or butter
      </RowButton>
    </Box>
  );
}

/** Other ways of the same recipe: what each leaves out, swaps and adds. */
export function VariantFields({ draft, recipe, pantry, onDraft, freshId }: Props) {
  const set = (id: string, change: Partial<DraftVariant>, field: string) =>
    onDraft(
      { variants: draft.variants.map((variant) => (variant.id === id ? { ...variant, ...change } : variant)) },
      field === "" ? "" : `variant-${id}-${field}`,
    );
  return (
    <Box as="section">
      <Heading as="h3" size="lg">
        Variants
      </Heading>
      {draft.variants.map((variant) => {
        const free = draft.lines.filter(
          (line) => !variant.omit.includes(line.id) && !variant.swaps.some((swap) => swap.lineId === line.id),
        );
        const lineOf = (id: string) => draft.lines.find((line) => line.id === id);
        return (
          <BranchBox key={variant.id}>
            <InlineFields isTight>
              <Cell
                label="Called"
                isLabelled
                value={variant.name}
                onText={(name) => set(variant.id, { name }, "name")}
                path={`variants.${variant.id}.name`}
              />
              <Pick
                label="Decided"
                isLabelled
                value={variant.decidedAt}
                empty="from the start"
                options={draft.steps.map((step, index) => ({ value: step.id, label: `at step ${index + 1}` }))}
                onPick={(decidedAt) => set(variant.id, { decidedAt }, "decidedAt")}
              />
            </InlineFields>
            {variant.omit.map((id) => (
              <Text key={id}>
                without {lineOf(id) ? lineName(lineOf(id) as DraftLine, pantry) : id}{" "}
                <RowButton onClick={() => set(variant.id, { omit: variant.omit.filter((one) => one !== id) }, "")}>
                  with it after all
                </RowButton>
              </Text>
            ))}
            {variant.swaps.map((swap) => {
              const line = lineOf(swap.lineId);
              const change = (more: Partial<typeof swap>, field: string) =>
                set(
                  variant.id,
                  { swaps: variant.swaps.map((one) => (one.lineId === swap.lineId ? { ...one, ...more } : one)) },
                  field,
                );
              return (
                <SwapRow key={swap.lineId}>
                  <span>instead of {line ? lineName(line, pantry) : swap.lineId}</span>
                  <Cell
                    span="amount"
                    label="Amount, if it is another"
                    value={swap.amount}
                    onText={(amount) => change({ amount }, `swap-${swap.lineId}`)}
                    path={`variants.${variant.id}.swaps.${swap.lineId}.amount`}
                    placeholder="same"
                  />
                  <IngredientPicker
                    line={{ ...swap, said: "", choices: [] }}
                    pantry={pantry}
                    onIngredient={(ingredientId) => change({ ingredientId }, "")}
                    path={`variants.${variant.id}.swaps.${swap.lineId}`}
                  />
                  <RowButton
                    onClick={() =>
                      set(variant.id, { swaps: variant.swaps.filter((one) => one.lineId !== swap.lineId) }, "")
                    }
                  >
                    No swap
                  </RowButton>
                </SwapRow>
              );
            })}
            {variant.add.map((line) => (
              <LineItem as="div" key={line.id}>
                <Grip as="span" color="fg.muted">
                  +
                </Grip>
                <Box>
                  <LineFields
                    line={line}
                    path={`variants.${variant.id}.add.${line.id}`}
                    recipe={recipe}
                    pantry={pantry}
                    parts={[]}
                    rounds={draft.rounds ?? []}
                    drawn={undefined}
                    onLine={(change, field) =>
                      set(
                        variant.id,
                        { add: variant.add.map((one) => (one.id === line.id ? { ...one, ...change } : one)) },
                        `${line.id}-${field}`,
                      )
                    }
                    onRemove={() => set(variant.id, { add: variant.add.filter((one) => one.id !== line.id) }, "")}
                  />
                </Box>
              </LineItem>
            ))}
            {retoldSteps(recipe, variant, pantry).map(({ stepId, number, text, isOpen }) => (
              <Box key={stepId}>
                <Cell
                  label={`Step ${number} in this way`}
                  isLabelled
                  value={text}
                  onText={(own) =>
                    set(
                      variant.id,
                      {
                        steps: [
                          ...variant.steps.filter((one) => one.stepId !== stepId),
                          ...(own.trim() === "" ? [] : [{ stepId, text: own.slice(0, 2000) }]),
                        ],
                      },
                      `step-${stepId}`,
                    )
                  }
                  path={`variants.${variant.id}.steps.${stepId}`}
                />
                {isOpen ? (
                  <Text layerStyle="needsYou" fontSize="sm">
                    Hands do something else here than with what it replaces. Write what they do in this way; until then
                    nothing can be packed or printed from it.
                  </Text>
                ) : null}
              </Box>
            ))}
            <RowButtons>
              <PlainSelect
                aria-label={`${variant.name || "This variant"} leaves out`}
                value=""
                onChange={(event) => set(variant.id, { omit: [...variant.omit, event.target.value] }, "")}
              >
                <option value="">leaves out …</option>
                {free.map((line) => (
                  <option key={line.id} value={line.id}>
                    {lineName(line, pantry)}
                  </option>
                ))}
              </PlainSelect>
              <PlainSelect
                aria-label={`${variant.name || "This variant"} swaps`}
                value=""
                onChange={(event) =>
                  set(
                    variant.id,
                    { swaps: [...variant.swaps, { lineId: event.target.value, ingredientId: "", amount: "" }] },
                    "",
                  )
                }
              >
                <option value="">swaps …</option>
                {free.map((line) => (
                  <option key={line.id} value={line.id}>
                    {lineName(line, pantry)}
                  </option>
                ))}
              </PlainSelect>
              <RowButton onClick={() => set(variant.id, { add: [...variant.add, emptyLine(freshId("added"))] }, "")}>
                Adds a line
              </RowButton>
              <RowButton
                onClick={() => onDraft({ variants: draft.variants.filter((one) => one.id !== variant.id) }, "")}
              >
                Remove this way
              </RowButton>
            </RowButtons>
          </BranchBox>
        );
      })}
      <RowButton
        onClick={() =>
          onDraft(
            {
              variants: [
                ...draft.variants,
                {
                  id: freshId("way"),
                  name: "",
                  standing: "draft",
                  decidedAt: "",
                  omit: [],
                  swaps: [],
                  add: [],
                  steps: [],
                },
              ],
            },
            "",
          )
        }
      >
        Add a variant
      </RowButton>
    </Box>
  );
}
