import { Box, HStack, Heading, Span, Text, VisuallyHidden } from "@chakra-ui/react";
import { DishBowlSection } from "~/ui/parts/recipe";
import { ActionForm, InlineField, InlineFieldsForm, InlineLabel } from "~/ui/parts/forms";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { mostPeople } from "~/core/people";
import { useMemo, useState } from "react";
import { data, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/scaling";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import {
  type Dish,
  type Mixing,
  isCompared,
  mixings,
  mostBulk,
  scaleWays,
  withMorePeople,
  withSeatsFor,
} from "~/core/plan";
import { readRatio, writeRatio } from "~/core/quantity";
import { type Take, roundLimits } from "~/core/recipe";
import { batchRules } from "~/core/scale";
import { database } from "~/db/client.server";
import { changePlan, madeChanges, undoChange } from "~/services/arrange.server";
import { changeBrief, classOnce, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { useLocale } from "~/ui/sheet/locale";
import { mixingWords } from "~/ui/words/en";
import { sayBowl } from "~/ui/words/batter";
import type { Names } from "~/ui/words/names";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { Gains } from "~/ui/scale/Gains";
import { NotCompared } from "~/ui/scale/NotCompared";
import { ScaleTable } from "~/ui/scale/ScaleTable";
import { AskedFirst, WhatChanges, toldIn } from "~/ui/class/WhatChanges";
import { Told } from "~/ui/parts/Told";
import { weighed } from "~/services/what-changes.server";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { people } from "~/ui/format/format";

const bowlSizes = ["", "1/2", "1", "1 1/2", "2", "3", "4"] as const;

/** How a change of a bowl is called among those that can be taken back. */
const ofBowl = "the bowl and the alternatives of";

const formSchema = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("dish"),
    version: z.coerce.number().int(),
    dishId: z.string().min(1).max(64),
    bowl: z.enum(bowlSizes),
    cooks: z.enum(["all", "wanted"]),
    mixing: z.enum(["once", ...mixings]).default("once"),
    bulk: z.string().trim().max(40).default(""),
  }),
  z.object({ intent: z.literal("undo"), version: z.coerce.number().int() }),
  z.object({ intent: z.literal("rule"), rule: z.enum(batchRules), version: z.coerce.number().int() }),
  z.object({
    intent: z.literal("people"),
    people: z.coerce.number().int().min(0).max(mostPeople),
    version: z.coerce.number().int(),
  }),
]);

const mostParts = roundLimits.parts;

/** The rounds that a form asks for, where they are not the recipe's own; null where it asks for none at all or for what is no number. */
function roundsAsked(recipe: Dish["recipe"], form: FormData): Dish["rounds"] | null {
  if (!recipe.rounds) return undefined;
  const asked = recipe.rounds.map((round) => ({ roundId: round.id, parts: Number(form.get(`round-${round.id}`)) }));
  if (asked.some(({ parts }) => !Number.isInteger(parts) || parts < 0 || parts > mostParts)) return null;
  if (asked.every(({ parts }) => parts === 0)) return null;
  return asked.every(({ parts }, at) => parts === recipe.rounds?.[at]?.parts) ? undefined : asked;
}

/** Batches of dry mix that a form asks for; undefined for as many as are used, null for what is no number of batches. */
function bulkAsked(said: string): number | undefined | null {
  const count = Number(said);
  if (said === "") return undefined;
  return Number.isInteger(count) && count >= 1 && count <= mostBulk ? count : null;
}

/** What a form says of one dish: its bowl, what is cooked of it, which alternatives are taken, and its rounds. */
function dishWith(
  dish: Dish,
  { bowl, cooks, mixing }: { bowl: string; cooks: "all" | "wanted"; mixing: "once" | Mixing },
  { rounds, bulk }: Pick<Dish, "rounds" | "bulk">,
  form: FormData,
): Dish {
  const takes = dish.recipe.lines.flatMap((line): Take[] => {
    const asked = form.get(`take-${line.id}`);
    const found = line.alternatives?.find((one) => one.ingredientId === asked);
    return found ? [{ lineId: line.id, ingredientId: found.ingredientId }] : [];
  });
  return {
    ...dish,
    bowl: readRatio(bowl),
    bulk,
    cooks: cooks === "wanted" ? cooks : undefined,
    mixing: mixing === "once" ? undefined : mixing,
    takes: takes.length > 0 ? takes : undefined,
    rounds,
  };
}

/** Takes one of the options over into the brief, or settles the bowl and the alternatives of one dish. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const sent = await formOf(request);
  const form = formSchema.safeParse(Object.fromEntries(sent));
  const choice = form.data;
  const asked = choice?.intent === "dish" ? input.dishes.find((dish) => dish.id === choice.dishId) : undefined;
  if (!choice || (choice.intent === "dish" && !asked))
    return data({ problem: "This choice was not understood. Load the page again and repeat." }, { status: 400 });
  const rounds = asked && roundsAsked(asked.recipe, sent);
  if (rounds === null)
    return data(
      {
        problem: `The rounds of ${asked?.recipe.title ?? "this dish"} want a whole number of parts from 0 to ${mostParts} each, and one of them above 0. Nothing was changed.`,
      },
      { status: 400 },
    );
  const bulk = choice.intent === "dish" ? bulkAsked(choice.bulk) : undefined;
  if (bulk === null)
    return data(
      {
        problem: `Dry mix is made in whole batches, from 1 to ${mostBulk}, or the field stays empty for as many as are used. Nothing was changed.`,
      },
      { status: 400 },
    );
  const account = accountOf(context).id;
  if (choice.intent === "undo")
    return (await undoChange(database(), input, choice.version, account))
      ? data({ done: "Taken back." })
      : data({ problem: "There is nothing to take back, or somebody saved this class meanwhile." }, { status: 409 });
  const dishes = input.dishes.map((dish) =>
    choice.intent === "dish" && dish.id === choice.dishId ? dishWith(dish, choice, { rounds, bulk }, sent) : dish,
  );
  const brief = {
    ...input.brief,
    ...(choice.intent === "rule" ? { batchRule: choice.rule } : {}),
    ...(choice.intent === "people" ? { people: choice.people } : {}),
  };
  const after = withSeatsFor(input, { ...input, brief, dishes });
  const weight = await weighed(database(), sent, input, after, { hasHealth: false, isShownBefore: false });
  if (weight.asked) return data({ asked: weight.asked }, { status: 409 });
  const { changes } = weight;
  const isSaved =
    choice.intent === "dish"
      ? await changePlan(
          database(),
          input,
          choice.version,
          { dishes, arrangement: input.arrangement },
          `${ofBowl} ${asked?.recipe.title ?? ""}`,
          account,
        )
      : await changeBrief(input, choice.version, brief, account);
  if (!isSaved)
    return data(
      {
        problem: "Somebody saved this class meanwhile. What you see now is theirs; choose again if you still want to.",
      },
      { status: 409 },
    );
  if (choice.intent === "dish") return data({ done: "Kept. What follows has changed with it.", changes });
  if (changes.plates.length + changes.kits.length > 0) return data({ done: "Saved.", changes });
  return redirect(`/classes/${params.classId}/scaling`);
}

/** The newest change that can be taken back, if it was of a bowl. */
export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const [newest] = await madeChanges(database(), params.classId);
  return { undoable: newest?.what.startsWith(ofBowl) ? newest.what : undefined };
}

/** One dish's bowl: as many batches as are wanted or always the same, all of it cooked or not, and what is taken for what. */
function DishForm({ dish, version, isBusy, names }: { dish: Dish; version: number; isBusy: boolean; names: Names }) {
  const locale = useLocale();
  const title = names.dish(dish.id);
  // What the variant leaves out or swaps itself is not open.
  const variant = dish.recipe.variants.find((one) => one.id === dish.variantId);
  const isSettled = (lineId: string) =>
    variant?.omit.includes(lineId) || variant?.swaps.some((swap) => swap.lineId === lineId);
  const open = dish.recipe.lines.filter((line) => (line.alternatives ?? []).length > 0 && !isSettled(line.id));
  const size = dish.bowl ? writeRatio(dish.bowl) : "";
  const sizes = bowlSizes.some((one) => one === size) ? bowlSizes : [...bowlSizes, size];
  return (
    <DishBowlSection _print={{ display: "none" }} aria-label={`The bowl: ${title}`}>
      <Heading as="h2" size="xl">
        The bowl: {title}
      </Heading>
      <InlineFieldsForm isTight method="post" key={version}>
        <Hidden name="version" value={version} />
        <Hidden name="dishId" value={dish.id} />
        <InlineField>
          <InlineLabel>Each table makes</InlineLabel>
          <PlainSelect name="bowl" defaultValue={size}>
            {sizes.map((one) => (
              <option key={one} value={one}>
                {one === "" ? "as many as are wanted" : sayBowl(readRatio(one), locale)}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <InlineField>
          <InlineLabel>and cooks</InlineLabel>
          <PlainSelect name="cooks" defaultValue={dish.cooks ?? "all"}>
            <option value="all">all that it makes</option>
            <option value="wanted">only what is wanted</option>
          </PlainSelect>
        </InlineField>
        <InlineField>
          <InlineLabel>and mixes</InlineLabel>
          <PlainSelect name="mixing" defaultValue={dish.mixing ?? "once"}>
            <option value="once">at once</option>
            {mixings.map((one) => (
              <option key={one} value={one}>
                {mixingWords[one]}
              </option>
            ))}
          </PlainSelect>
        </InlineField>
        <InlineField>
          <InlineLabel>Dry mix, batches in all</InlineLabel>
          <PlainInput
            type="number"
            name="bulk"
            min={1}
            max={mostBulk}
            placeholder="as many as are used"
            defaultValue={dish.bulk ?? ""}
          />
        </InlineField>
        {open.map((line) => (
          <InlineField key={line.id}>
            <InlineLabel>for {names.ingredient(line.ingredientId)}</InlineLabel>
            <PlainSelect
              name={`take-${line.id}`}
              defaultValue={dish.takes?.find((take) => take.lineId === line.id)?.ingredientId ?? ""}
            >
              <option value="">as written</option>
              {line.alternatives?.map((one) => (
                <option key={one.ingredientId} value={one.ingredientId}>
                  {names.ingredient(one.ingredientId)}
                  {one.isAdvised ? "" : ", advised against"}
                  {one.reason ? `: ${one.reason}` : ""}
                </option>
              ))}
            </PlainSelect>
          </InlineField>
        ))}
        {dish.recipe.isRoundsOpen ? (
          <Text color="fg.muted" fontSize="sm">
            {dish.rounds?.some((one) => one.parts > 0)
              ? "Settled here: the tables make what these parts say."
              : "The tables decide while they cook; other parts than the recipe’s settle it here."}
          </Text>
        ) : null}
        {(dish.recipe.rounds ?? []).map((round) => (
          <InlineField key={round.id}>
            <InlineLabel>{round.name}, parts</InlineLabel>
            <PlainInput
              type="number"
              name={`round-${round.id}`}
              min={0}
              max={mostParts}
              required
              defaultValue={dish.rounds?.find((one) => one.roundId === round.id)?.parts ?? round.parts}
            />
          </InlineField>
        ))}
        <HStack gap="3" wrap="wrap">
          <Secondary name="intent" value="dish" disabled={isBusy}>
            Save this bowl
          </Secondary>
        </HStack>
      </InlineFieldsForm>
    </DishBowlSection>
  );
}

/** The ways of making what each station wants, side by side; and what each station gains when more come. */
export default function Scaling({ actionData, loaderData }: Route.ComponentProps) {
  const { input, plan, meta, names } = useClass();
  const told = toldIn(actionData);
  const [more, setMore] = useState(2);
  const isBusy = useNavigation().state !== "idle";
  // One row of options for each dish and each size of station: the uneven last one is its own.
  const groups = useMemo(() => scaleWays(input, plan), [input, plan]);
  const grown = useMemo(() => withMorePeople(input, plan, more), [input, plan, more]);
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Ways to scale
        </Heading>
        <SheetTools>
          <TextLink to="../amounts">Station cards</TextLink>
        </SheetTools>
      </SheetHead>
      <Told told={actionData} />
      <AskedFirst asked={told.asked} names={names} button="Save it all the same" />
      {told.changes ? <WhatChanges changes={told.changes} names={names} isDone /> : null}
      {!isCompared(plan) ? (
        <NotCompared tables={plan.stations.length} />
      ) : groups.length === 0 ? (
        <Text>
          Nothing to scale yet. <TextLink to="../brief">Choose a recipe and say how many come.</TextLink>
        </Text>
      ) : null}
      {groups.map((group) => (
        <ScaleTable
          key={`${group.dish.id} ${group.size} ${group.wanted}`}
          title={`${names.dish(group.dish.id)}: ${people(group.size)} at ${group.stations.map((station) => station.name).join(", ")}`}
          wanted={group.wanted}
          options={group.options}
          chosen={input.brief.batchRule}
          wholeEggs={group.wholeEggs}
          names={names}
        />
      ))}
      {groups.length > 0 ? (
        <ActionForm _print={{ display: "none" }} method="post">
          <Hidden name="version" value={meta.version} />
          <Hidden name="intent" value="rule" />
          <span>The class uses:</span>
          {batchRules.map((rule) => (
            <Secondary key={rule} name="rule" value={rule} disabled={rule === input.brief.batchRule || isBusy}>
              {{ whole: "Whole batches", half: "Half batches", quarter: "Quarter batches", exact: "Just enough" }[rule]}
            </Secondary>
          ))}
        </ActionForm>
      ) : null}
      {input.dishes.map((dish) => (
        <DishForm key={dish.id} dish={dish} version={meta.version} isBusy={isBusy} names={names} />
      ))}
      {loaderData.undoable ? (
        <ActionForm _print={{ display: "none" }} method="post">
          <Hidden name="version" value={meta.version} />
          <Secondary name="intent" value="undo" disabled={isBusy}>
            Take back: {loaderData.undoable}
          </Secondary>
        </ActionForm>
      ) : null}
      <Box as="section" mt="8" aria-label="At the door">
        <SheetHead>
          <Heading as="h2" size="xl">
            At the door
          </Heading>
          <WhenReady>
            <InlineField>
              <VisuallyHidden>How many more come</VisuallyHidden>
              <PlainSelect value={more} onChange={(event) => setMore(Number(event.target.value))}>
                {[-3, -2, -1, 1, 2, 3, 4, 5, 6].map((one) => (
                  <option key={one} value={one}>
                    {one > 0 ? `${one} more` : `${-one} fewer`}
                  </option>
                ))}
              </PlainSelect>
            </InlineField>
          </WhenReady>
        </SheetHead>
        <Gains gains={grown.gains} before={plan} after={grown.plan} names={names} />
        <ActionForm _print={{ display: "none" }} method="post">
          <Hidden name="version" value={meta.version} />
          <Hidden name="people" value={grown.input.brief.people} />
          <Secondary name="intent" value="people" disabled={isBusy || grown.input.brief.people === input.brief.people}>
            Plan for {grown.input.brief.people}
          </Secondary>
          <Span color="fg.muted" fontSize="sm">
            Sheets that were settled for {input.brief.people} then say that they are stale.
          </Span>
        </ActionForm>
      </Box>
    </>
  );
}
