import { Alert, Box, Fieldset, Heading, Table, Text } from "@chakra-ui/react";
import { Columns } from "~/ui/parts/sheet";
import { GridForm } from "~/ui/parts/forms";
import { type DefaultValue, getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { useNavigation, useSearchParams } from "react-router";
import type { z } from "zod";
import { briefFormSchema, dishKey, dishesIn, inputOf } from "./brief-form";
import type { Kitchen } from "~/core/gear";
import { type TickEvent, foldTicks, lateChanges, packingOfClass } from "~/core/pack";
import { type ClassInput, type ClassPlan, canonical, plan, plateChanges, withSeatsFor } from "~/core/plan";
import type { RecipeChoice } from "~/db/queries/recipes.server";
import { BriefFields, laterNames } from "~/ui/brief/BriefFields";
import { Consequences } from "~/ui/brief/Consequences";
import { DraftBellLine } from "~/ui/brief/DraftBellLine";
import { type DraftStore, createDraftStore, useDraft } from "~/ui/brief/draft-store";
import { useChosenRecipes } from "~/ui/brief/useChosenRecipes";
import { FormError, Primary, SaveBar } from "~/ui/parts/fields";
import { Heads } from "~/ui/sheet/Heads";
import { Hidden } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";
import { type Changes, WhatChanges } from "~/ui/class/WhatChanges";
import { useClass } from "../class-context";

export interface Conflict {
  readonly by: string | null;
  readonly version: number;
  readonly rows: readonly { readonly field: string; readonly saved: string; readonly typed: string }[];
}

interface Props {
  readonly result: SubmissionResult | undefined;
  readonly values: DefaultValue<z.input<typeof briefFormSchema>> & object;
  /** What is saved; absent for a class that does not exist yet. */
  readonly saved: ClassInput | undefined;
  readonly base: Pick<ClassInput, "id" | "people" | "dishes" | "labels" | "packs" | "pantry">;
  readonly kitchens: readonly Kitchen[];
  readonly recipes: readonly RecipeChoice[];
  readonly conflict: Conflict | undefined;
  readonly isSaved: boolean;
  readonly button: string;
  /** Where what is typed is held, once it can be planned; one of its own when nobody else looks at it. */
  readonly drafts?: DraftStore;
  /** Whom the last save touched. */
  readonly changed?: Changes | undefined;
  /** What is ticked as packed. */
  readonly packed?: readonly TickEvent[];
}

/** The brief and, beside it, what follows: planned in this browser at every keystroke. */
export function BriefPage({
  result,
  values,
  saved,
  base,
  kitchens,
  recipes,
  conflict,
  isSaved,
  button,
  drafts: given,
  changed,
  packed = [],
}: Props) {
  const [own] = useState(createDraftStore);
  const drafts = given ?? own;
  const [form, fields] = useForm<z.input<typeof briefFormSchema>, z.output<typeof briefFormSchema>>({
    lastResult: result,
    defaultValue: values,
    shouldRevalidate: "onInput",
    shouldValidate: "onBlur",
    onValidate: ({ formData }) => parseWithZod(formData, { schema: briefFormSchema }),
  });
  const formRef = useRef<HTMLFormElement>(null);
  // Keys that come faster than frames are planned once a frame.
  const frame = useRef(0);
  const readSoon = () => {
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(() => latest.current());
  };
  const chosenRecipes = useChosenRecipes(
    base.dishes.map((dish) => dish.recipe),
    readSoon,
  );
  const read = () => {
    if (!formRef.current) return;
    const typedFields = new FormData(formRef.current);
    // What follows does not wait for a title.
    if (!typedFields.get("title")) typedFields.set("title", "New class");
    const submission = parseWithZod(typedFields, { schema: briefFormSchema });
    // While a field is half typed, the last plan that could be made stands.
    if (submission.status !== "success") return;
    const chosen = chosenRecipes(dishesIn(submission.value));
    const typed = chosen && inputOf(submission.value, base, kitchens, chosen);
    // Whoever sits somewhere now keeps the table, as when it is saved.
    const next = typed && saved ? withSeatsFor(saved, typed) : typed;
    if (next) drafts.set({ input: next, plan: plan(next) });
  };
  // What the browser restored or a refused save kept is planned from the first.
  const latest = useRef(read);
  latest.current = read;
  useEffect(() => latest.current(), [result]);
  useEffect(
    () => () => {
      cancelAnimationFrame(frame.current);
      drafts.set(undefined);
    },
    [drafts],
  );
  const before = useMemo(() => saved && plan(saved), [saved]);
  const navigation = useNavigation();
  const [asked] = useSearchParams();
  const isBusy = navigation.state === "submitting";
  // Until the answer is on the screen: the address changes before the page does.
  const isAway = navigation.formMethod !== undefined;
  const all = fields.dishes.getFieldList().map((row) => row.getFieldset());
  // The rows in use and one more to fill; the form carries as many as there can be.
  const used = all.filter((row) => row.what.initialValue).length;
  const rows = all.slice(0, used + 1);
  const options = recipes.flatMap((recipe) => [
    {
      value: dishKey(recipe, null),
      label: `${recipe.title}${recipes.some((one) => one.id === recipe.id && one.revision !== recipe.revision) ? `, revision ${recipe.revision}` : ""}`,
    },
    ...recipe.variants.map((variant) => ({
      value: dishKey(recipe, variant.id),
      label: `${recipe.title}, ${variant.name.toLowerCase()}`,
    })),
  ]);
  return (
    <>
      {/* A class that exists has its line in the head already. */}
      {saved ? null : <DraftBellLine drafts={drafts} saved={undefined} />}
      <Columns split="even">
        <GridForm
          method="post"
          {...getFormProps(form)}
          ref={formRef}
          onInput={readSoon}

          aria-label="Brief"
        >
          <TypedGuard />
          <FormError title="Not saved" problems={form.errors ?? []} />
          {conflict ? (
            <Alert.Root status="error" role="alert">
              <b>
                {conflict.by ?? "Someone"} saved this class while you were typing. Nothing of yours is lost; nothing of
                theirs is overwritten yet.
              </b>
              {conflict.rows.length > 0 ? (
                <Table.Root native>
                  <Heads of={["Field", "Saved now", "You typed"]} />
                  <tbody>
                    {conflict.rows.map((row) => (
                      <tr key={row.field}>
                        <td>{row.field}</td>
                        <td>{row.saved}</td>
                        <td>{row.typed}</td>
                      </tr>
                    ))}
                  </tbody>
                </Table.Root>
              ) : null}
              <Text>Take over into the fields what you want to keep of theirs, then save again.</Text>
            </Alert.Root>
          ) : null}
          {isSaved ? <SavedNote drafts={drafts} saved={saved} changed={changed} /> : null}
          <Hidden
            name="version"
            key={conflict?.version}
            defaultValue={conflict?.version ?? (values.version as number | undefined)}
          />
          {/* What is typed into a form that is already on its way would be lost when the answer comes. */}
          <Fieldset.Root display="contents" disabled={isAway}>
            <BriefFields
              fields={fields}
              dishes={rows}
              kitchens={kitchens.map((kitchen) => ({ value: kitchen.id, label: kitchen.name }))}
              recipes={options}
              isNew={saved === undefined}
              initially={form.initialValue ?? {}}
              isAsked={asked.has("all") || laterNames.some((name) => name in form.allErrors)}
            />
          </Fieldset.Root>
          {saved && before ? <Touched drafts={drafts} saved={saved} before={before} packed={packed} /> : null}
          <SaveBar>
            <Primary loading={isBusy}>{button}</Primary>
          </SaveBar>
        </GridForm>
        <Follows drafts={drafts} saved={saved} before={before} />
      </Columns>
    </>
  );
}

/** Is what is typed another class than the saved one? Names that the database gives to rows do not count. */
function isOther(typed: ClassInput | undefined, saved: ClassInput | undefined): boolean {
  const withoutIds = (input: ClassInput) =>
    canonical({
      ...input,
      dishes: input.dishes.map(({ id: _id, newestRevision: _newest, ...dish }) => dish),
    });
  return typed !== undefined && (saved === undefined || withoutIds(typed) !== withoutIds(saved));
}

function SavedNote({
  drafts,
  saved,
  changed,
}: {
  drafts: DraftStore;
  saved: ClassInput | undefined;
  changed: Changes | undefined;
}) {
  const draft = useDraft(drafts);
  const { names } = useClass();
  return isOther(draft?.input, saved) ? null : (
    <Box role="status">
      <Alert.Root as="p" status="info">
        Saved.
      </Alert.Root>
      {changed ? <WhatChanges changes={changed} names={names} isDone /> : null}
    </Box>
  );
}

/** Whom what is typed touches, before it is saved: plates, dishes, tables, and kits that are packed already. */
function Touched({
  drafts,
  saved,
  before,
  packed,
}: {
  drafts: DraftStore;
  saved: ClassInput;
  before: ClassPlan;
  packed: readonly TickEvent[];
}) {
  const draft = useDeferredValue(useDraft(drafts));
  const { names } = useClass();
  const ticks = useMemo(() => foldTicks(packed).packing, [packed]);
  const changes = useMemo((): Changes => {
    if (!draft || draft.plan === before) return { plates: [], kits: [] };
    const kits =
      ticks.size === 0
        ? []
        : lateChanges(
            ticks,
            packingOfClass(saved, before).containers,
            packingOfClass(draft.input, draft.plan).containers,
          );
    return { plates: plateChanges({ input: saved, plan: before }, draft), kits };
  }, [draft, saved, before, ticks]);
  return <WhatChanges changes={changes} names={names} isDone={false} />;
}

/** What follows from the brief, drawn apart from its fields and after them: the letters come first. */
function Follows({
  drafts,
  saved,
  before,
}: {
  drafts: DraftStore;
  saved: ClassInput | undefined;
  before: ClassPlan | undefined;
}) {
  const draft = useDeferredValue(useDraft(drafts));
  const [shown, now] = draft ? [draft.input, draft.plan] : [saved, before];
  // Without a recipe nothing follows yet, and a column of noughts would say otherwise.
  return shown && now && shown.dishes.length > 0 ? (
    <Consequences input={shown} plan={now} before={before?.figures} isChanged={isOther(draft?.input, saved)} />
  ) : (
    <Box as="section">
      <Heading as="h2" size="xl">
        What follows
      </Heading>
      <Text color="fg.muted">Choose a recipe and a kitchen, and stations, amounts and minutes appear here.</Text>
    </Box>
  );
}
