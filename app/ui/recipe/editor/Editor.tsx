import { AddLineForm, EditorBar, EditorColumns, MarginNotes, NoteList } from "~/ui/parts/editor";
import { RowButton } from "~/ui/parts/keys";
import { InlineField, InlineLabel, RowButtons } from "~/ui/parts/forms";
import { Alert, Box, Heading, Span, Text, List } from "@chakra-ui/react";
import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  pointerWithin,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { type FormEvent, useEffect, useMemo, useRef, useState } from "react";
import { batterOf, checkBatter, remediesFor, yieldOf } from "~/core/batter";
import type { Ingredient } from "~/core/pantry";
import { type Ratio, add, compare, isSame, one, readRatio, subtract, writeRatio, zero } from "~/core/quantity";
import {
  type DraftLine,
  type DraftStep,
  type RecipeDraft,
  type RecipeEdit,
  applyEdits,
  checkRecipe,
  draftOf,
  emptyLine,
  keepsFromSaving,
  readDraft,
  stepTemplate,
} from "~/core/recipe";
import { grams, howMany, number, thin } from "~/ui/format/format";
import { Primary, Secondary } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { remedyWords, sayProblem } from "~/ui/words/batter";
import { sayFinding } from "~/ui/words/findings";
import { namesOf } from "~/ui/words/names";
import { PartFields, VariantFields } from "./Branches";
import { techniquesAt } from "~/core/look";
import { cautionsOf } from "~/core/caution";
import { CookFields, HeadFields } from "./Facts";
import { pantryListId } from "./IngredientPicker";
import { LineRow } from "./Lines";
import { StepCard } from "./Steps";
import { ProblemsContext } from "./cells";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { useHistory } from "./history";
import { PlainInput } from "~/ui/parts/plain";

interface Props {
  readonly initial: RecipeDraft;
  readonly pantry: readonly Ingredient[];
  /** Ingredients that are put aside: read where they stand, not offered. */
  readonly aside: ReadonlySet<string>;
  readonly recipeId: string;
  readonly revision: number;
  /** Reads one line as it would be said; comes in, as formats are not the editor's own. */
  readonly readLine: (text: string, draft: RecipeDraft) => readonly Omit<DraftLine, "id">[];
  readonly onKeep: (draft: RecipeDraft) => void;
  readonly isBusy: boolean;
  /** Where an unkept draft waits in this browser while the page is closed. */
  readonly storageKey: string;
  readonly button: string;
}

const sharesOf = (steps: readonly DraftStep[]): Map<string, Ratio> => {
  const drawn = new Map<string, Ratio>();
  for (const step of steps)
    for (const draw of step.draws)
      drawn.set(draw.lineId, add(drawn.get(draw.lineId) ?? zero, readRatio(draw.share) ?? zero));
  return drawn;
};

/** Guesses survive a remedy on every line it did not touch. */
const keepGuesses = (after: RecipeDraft, before: RecipeDraft): RecipeDraft => ({
  ...after,
  system: before.system,
  lines: after.lines.map((line) => {
    const was = before.lines.find((one) => one.id === line.id);
    return was && was.amount === line.amount && was.ingredientId === line.ingredientId
      ? { ...line, said: was.said, guesses: was.guesses, choices: was.choices }
      : line;
  }),
});

/** A recipe being written: list, method and what they say about one another, on one page. */
export function Editor({
  initial,
  pantry,
  aside,
  recipeId,
  revision,
  readLine,
  onKeep,
  isBusy,
  storageKey,
  button,
}: Props) {
  const locale = useLocale();
  const { now: draft, change, undo, redo, canUndo, canRedo, startAgain } = useHistory(initial);
  const [waiting, setWaiting] = useState<RecipeDraft | undefined>(undefined);
  const [typedLine, setTypedLine] = useState("");
  const lineField = useRef<HTMLInputElement>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );

  // What was typed and not kept outlives the page: it waits in this browser and is offered again, never put in by itself.
  useEffect(() => {
    const kept = sessionStorage.getItem(storageKey);
    if (!kept) return;
    try {
      const found = JSON.parse(kept) as RecipeDraft;
      if (kept !== JSON.stringify(initial) && Array.isArray(found.lines)) setWaiting(found);
    } catch {
      sessionStorage.removeItem(storageKey);
    }
  }, [storageKey, initial]);
  useEffect(() => {
    if (draft !== initial) sessionStorage.setItem(storageKey, JSON.stringify(draft));
  }, [draft, initial, storageKey]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      if (key === "z") {
        event.preventDefault();
        if (event.shiftKey) redo();
        else undo();
      } else if (key === "y") {
        event.preventDefault();
        redo();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [undo, redo]);

  const byId = useMemo(() => new Map(pantry.map((one) => [one.id, one])), [pantry]);
  const read = useMemo(() => readDraft(draft, { id: recipeId, revision }), [draft, recipeId, revision]);
  const { recipe } = read;
  const derived = useMemo(
    () => new Map(recipe.steps.map((step) => [step.id, cautionsOf(step, recipe, byId)])),
    [recipe, byId],
  );
  const shows = useMemo(
    () =>
      new Map(recipe.steps.map((step) => [step.id, techniquesAt({ ...step, techniques: undefined }, recipe, byId)])),
    [recipe, byId],
  );
  const problems = useMemo(() => new Map(read.problems.map((problem) => [problem.path, problem])), [read]);
  const findings = useMemo(
    () =>
      [...checkRecipe(recipe), ...checkBatter(recipe, byId)]
        .filter((finding) => !("ingredientId" in finding && finding.ingredientId === ""))
        .map((finding) => ({ finding, remedies: remediesFor(finding, recipe, byId) })),
    [recipe, byId],
  );
  const batter = useMemo(() => batterOf(recipe, byId), [recipe, byId]);
  const names = namesOf({ pantry }, { stations: [], dishes: [] }, locale);
  const drawn = sharesOf(draft.steps);
  const left = new Map(
    draft.lines.flatMap((line) => {
      const rest = subtract(one, drawn.get(line.id) ?? zero);
      return compare(rest, zero) > 0 ? [[line.id, writeRatio(rest)] as const] : [];
    }),
  );
  const inTheWay = read.problems.filter((problem) => keepsFromSaving.includes(problem.code));

  const onDraft = (more: Partial<RecipeDraft>, field: string) => change((now) => ({ ...now, ...more }), field);
  const freshId = (from: string) => {
    const taken = new Set(
      [
        ...draft.lines,
        ...draft.steps,
        ...draft.parts,
        ...draft.variants,
        ...draft.variants.flatMap((variant) => variant.add),
      ].map((each) => each.id),
    );
    for (let n = 1; ; n += 1) if (!taken.has(`${from}-${n}`)) return `${from}-${n}`;
  };
  const setLine = (id: string, more: Partial<DraftLine>, field: string) =>
    change(
      (now) => ({ ...now, lines: now.lines.map((line) => (line.id === id ? { ...line, ...more } : line)) }),
      `line-${id}-${field}`,
    );
  const removeLine = (id: string) =>
    change((now) => ({
      ...now,
      lines: now.lines.filter((line) => line.id !== id),
      steps: now.steps.map((step) => ({ ...step, draws: step.draws.filter((draw) => draw.lineId !== id) })),
    }));
  const setStep = (id: string, more: Partial<DraftStep>, field: string) =>
    change(
      (now) => ({ ...now, steps: now.steps.map((step) => (step.id === id ? { ...step, ...more } : step)) }),
      field === "" ? "" : `step-${id}-${field}`,
    );
  const moved = <T extends { readonly id: string }>(rows: readonly T[], id: string, by: -1 | 1): readonly T[] => {
    const at = rows.findIndex((row) => row.id === id);
    const to = at + by;
    return at < 0 || to < 0 || to >= rows.length ? rows : arrayMove([...rows], at, to);
  };
  const mend = (edits: readonly RecipeEdit[]) =>
    change((now) => keepGuesses(draftOf(applyEdits(readDraft(now, { id: recipeId, revision }).recipe, edits)), now));
  const addLine = (event: FormEvent) => {
    event.preventDefault();
    const text = typedLine.trim();
    if (text === "") return;
    const lines = readLine(text, draft).map((line, index) => ({
      ...emptyLine(""),
      ...line,
      id: freshId(`line-${draft.lines.length + index}`),
    }));
    change((now) => ({ ...now, lines: [...now.lines, ...lines] }));
    setTypedLine("");
    lineField.current?.focus();
  };
  const addStep = () =>
    change((now) => {
      const { recipe: made } = readDraft(now, { id: recipeId, revision });
      const template = stepTemplate(now.steps.length === 0 ? "mix" : "cook", made);
      const { minutes } = template;
      return {
        ...now,
        steps: [
          ...now.steps,
          {
            ...template,
            partId: "",
            draws: [],
            minutes: { low: String(minutes.low), likely: String(minutes.likely), high: String(minutes.high) },
            guesses: [],
          },
        ],
      };
    });
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    const lineId = String(active.id).replace(/^line:/, "");
    if (!over) return;
    const target = String(over.id);
    if (target.startsWith("step:")) {
      const step = draft.steps.find((each) => each.id === target.slice(5));
      if (!step || step.draws.some((draw) => draw.lineId === lineId)) return;
      setStep(step.id, { draws: [...step.draws, { lineId, share: left.get(lineId) ?? "1" }] }, "");
    } else if (target.startsWith("line:")) {
      const from = draft.lines.findIndex((line) => line.id === lineId);
      const to = draft.lines.findIndex((line) => line.id === target.slice(5));
      if (from >= 0 && to >= 0 && from !== to) onDraft({ lines: arrayMove([...draft.lines], from, to) }, "");
    }
  };
  const made = yieldOf(recipe, batter);
  const order = { blocks: 0, warns: 1, notes: 2 };

  return (
    <ProblemsContext.Provider value={problems}>
      <WhenReady>
        <datalist id={pantryListId}>
          {pantry.map((each) => (aside.has(each.id) ? null : <option key={each.id} value={each.name} />))}
        </datalist>
        <EditorBar _print={{ display: "none" }}>
          <Secondary type="button" onClick={undo} disabled={!canUndo}>
            Undo
          </Secondary>
          <Secondary type="button" onClick={redo} disabled={!canRedo}>
            Redo
          </Secondary>
          <Span color="fg.muted" fontSize="sm">
            {grams(batter.grams, locale)}, {number(batter.millilitres, locale, 0)}
            {thin}ml, {howMany(made.pieces, "piece")}
            {batter.looseness === undefined ? "" : `, water to flour ${number(batter.looseness, locale, 2)}`}
            {batter.unknownLines.length > 0 ? `; ${batter.unknownLines.length} open` : ""}
          </Span>
          <span data-part="bar-end">
            {inTheWay.length > 0 ? (
              <Span layerStyle="needsYou" fontSize="sm">
                {inTheWay.length} to mend before it can be saved
              </Span>
            ) : null}
            <Primary type="button" loading={isBusy} onClick={() => onKeep(draft)}>
              {button}
            </Primary>
          </span>
        </EditorBar>
        {waiting ? (
          <Alert.Root status="info" role="status">
            What you typed here last was not saved.{" "}
            <RowButton
              onClick={() => {
                startAgain(waiting);
                setWaiting(undefined);
              }}
            >
              Go on with it
            </RowButton>{" "}
            <RowButton
              onClick={() => {
                sessionStorage.removeItem(storageKey);
                setWaiting(undefined);
              }}
            >
              Forget it
            </RowButton>
          </Alert.Root>
        ) : null}
        <HeadFields draft={draft} onDraft={onDraft} />
        <DndContext
          id="recipe"
          sensors={sensors}
          collisionDetection={(args) => {
            const inside = pointerWithin(args);
            return inside.length > 0 ? inside : closestCenter(args);
          }}
          onDragEnd={onDragEnd}
        >
          <EditorColumns>
            <Box as="section" aria-label="List">
              <Heading as="h2" size="xl">
                List
              </Heading>
              <SortableContext
                items={draft.lines.map((line) => `line:${line.id}`)}
                strategy={verticalListSortingStrategy}
              >
                <List.Root>
                  {draft.lines.map((line) => {
                    const share = drawn.get(line.id) ?? zero;
                    return (
                      <LineRow
                        key={line.id}
                        line={line}
                        path={`lines.${line.id}`}
                        recipe={recipe}
                        pantry={pantry}
                        parts={draft.parts}
                        rounds={draft.rounds ?? []}
                        drawn={isSame(share, one) ? "1" : writeRatio(share)}
                        onLine={(more, field) => setLine(line.id, more, field)}
                        onRemove={() => removeLine(line.id)}
                        onMove={(by) => onDraft({ lines: moved(draft.lines, line.id, by) }, "")}
                      />
                    );
                  })}
                </List.Root>
              </SortableContext>
              <AddLineForm onSubmit={addLine}>
                <InlineField>
                  <InlineLabel>Add a line as you would say it</InlineLabel>
                  <PlainInput
                    ref={lineField}
                    value={typedLine}
                    onChange={(event) => setTypedLine(event.target.value)}
                    placeholder="1 1/4 cups plain flour"
                    autoComplete="off"
                  />
                </InlineField>
                <Secondary type="submit">Add</Secondary>
              </AddLineForm>
              <PartFields draft={draft} onDraft={onDraft} freshId={freshId} />
            </Box>
            <Box as="section" aria-label="Method">
              <Heading as="h2" size="xl">
                Method
              </Heading>
              <List.Root as="ol">
                {draft.steps.map((step, index) => (
                  <StepCard
                    key={step.id}
                    step={step}
                    number={index + 1}
                    lines={draft.lines}
                    parts={draft.parts}
                    pantry={pantry}
                    heat={recipe.heat}
                    derived={derived.get(step.id) ?? []}
                    shows={shows.get(step.id) ?? []}
                    left={left}
                    onStep={(more, field) => setStep(step.id, more, field)}
                    onRemove={() => onDraft({ steps: draft.steps.filter((each) => each.id !== step.id) }, "")}
                    onMove={(by) => onDraft({ steps: moved(draft.steps, step.id, by) }, "")}
                  />
                ))}
              </List.Root>
              <Secondary type="button" onClick={addStep}>
                Add a step
              </Secondary>
            </Box>
            <MarginNotes aria-label="To look at">
              <Heading as="h2" size="xl">
                To look at
              </Heading>
              {findings.length === 0 && read.problems.length === 0 ? (
                <Text color="fg.muted">Nothing to mend.</Text>
              ) : (
                <NoteList>
                  {inTheWay.map((problem) => (
                    <li data-grade="blocks" key={`${problem.path} ${problem.code}`}>
                      {sayProblem(problem, locale)}
                    </li>
                  ))}
                  {[...findings]
                    .sort((a, b) => order[a.finding.level] - order[b.finding.level])
                    .map(({ finding, remedies }) => {
                      const sentence = sayFinding({ ...finding, stage: "recipe", dishId: null }, names);
                      return (
                        <li key={sentence} data-grade={finding.level}>
                          {sentence}
                          {remedies.length > 0 ? (
                            <RowButtons as="span">
                              {remedies.map((remedy) => (
                                <RowButton key={remedy.code} onClick={() => mend(remedy.edits)}>
                                  {remedyWords[remedy.code]}
                                </RowButton>
                              ))}
                            </RowButtons>
                          ) : null}
                        </li>
                      );
                    })}
                </NoteList>
              )}
            </MarginNotes>
          </EditorColumns>
        </DndContext>
        <CookFields draft={draft} onDraft={onDraft} />
        <VariantFields draft={draft} recipe={recipe} pantry={pantry} onDraft={onDraft} freshId={freshId} />
      </WhenReady>
    </ProblemsContext.Provider>
  );
}
