import { Alert, Box, Heading, Span, Table, Text, VisuallyHidden } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { Verdict } from "~/ui/parts/findings";
import { ReasonList } from "~/ui/parts/people";
import { Caution } from "~/ui/parts/recipe";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/remedies";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { type Remedy, waysOutFor } from "~/core/plan";
import { database } from "~/db/client.server";
import { newestRecipes } from "~/db/queries/recipes.server";
import { changePlan } from "~/services/arrange.server";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404, notFound } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { clock, list, minutes, number } from "~/ui/format/format";
import { needsInWords } from "~/ui/people/needs";
import { Secondary, TextLink } from "~/ui/parts/fields";
import { closingCaution, substanceWords, verdictTitle } from "~/ui/words/en";
import { cutsOf, remedyTitles, sayExposure, sayRemedy } from "~/ui/words/people";
import { because } from "~/ui/allergen/Tables";
import { Hidden } from "~/ui/parts/plain";
import { RoomDrawing } from "~/ui/draw/RoomDrawing";
import { floorWords } from "~/ui/words/kits";
import { AskedFirst, WhatChanges, toldIn } from "~/ui/class/WhatChanges";
import { weighed } from "~/services/what-changes.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  if (!input.people.some((person) => person.id === params.personId)) throw notFound("person");
  const ways = waysOutFor(input, params.personId, await newestRecipes(database()));
  // The page shows what each would come to; what it changes is worked out anew when one is chosen.
  return {
    ways: ways.map(({ change, drafted, ...way }) => ({
      ...way,
      isPossible: change !== null,
      swaps: drafted?.swaps ?? [],
    })),
  };
}

const schema = z.object({ version: z.coerce.number().pipe(z.int()), remedy: z.string().max(200) });
const nameOf = (one: Pick<Remedy, "kind" | "recipeId" | "variantId" | "choice">) =>
  [one.kind, one.recipeId ?? "", one.variantId ?? "", ...(one.choice ? ["as-offered"] : [])].join("/");

/** Applies one remedy, worked out anew on the class as it is: the program proposes, this is the instructor's decision. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const account = accountOf(context);
  const sent = await formOf(request);
  const form = schema.safeParse(Object.fromEntries(sent));
  const person = input.people.find((one) => one.id === params.personId);
  if (!person) throw notFound("person");
  const remedy = form.success
    ? waysOutFor(input, person.id, await newestRecipes(database())).find((one) => nameOf(one) === form.data.remedy)
    : undefined;
  if (!form.success || !remedy?.change)
    return data(
      {
        problem: "This way out is not there any more: the class has changed. Look at the list below and choose again.",
      },
      { status: 409 },
    );
  const { changes, asked } = await weighed(
    database(),
    sent,
    input,
    { ...input, ...remedy.change },
    { own: [person.id] },
  );
  if (asked) return data({ asked }, { status: 409 });
  const isDone = await changePlan(
    database(),
    input,
    form.data.version,
    remedy.change,
    `${remedyTitles[remedy.kind]}${remedy.title ? `: ${remedy.title}` : ""}`,
    account.id,
    remedy.drafted?.recipe,
  );
  if (!isDone)
    return data(
      { problem: "Somebody changed this class a moment ago. Look at it as it is now, then choose again." },
      { status: 409 },
    );
  await audit(account.id, params.classId, "applied a remedy");
  const touched = changes.plates.filter((one) => one.participantId !== person.id);
  return touched.length + changes.kits.length > 0
    ? data({ changes })
    : redirect(`/classes/${params.classId}/people/seats`);
}

export default function Remedies({ loaderData, params, actionData }: Route.ComponentProps) {
  const { input, plan, meta, names, action } = useClass();
  const { ways } = loaderData;
  const told = toldIn(actionData);
  const person = input.people.find((one) => one.id === params.personId);
  const plate = plan.plates.find((one) => one.participantId === params.personId);
  if (!person || !plate) return null;
  const sayChoice = ({ takes, rounds }: NonNullable<Remedy["choice"]>, recipeId: string | null) => {
    const recipe = input.dishes.find((dish) => dish.recipe.id === recipeId)?.recipe;
    return [
      ...takes.map(
        ({ lineId, ingredientId }) =>
          `${names.ingredient(ingredientId)} for ${names.ingredient(recipe?.lines.find((line) => line.id === lineId)?.ingredientId ?? "")}`,
      ),
      ...rounds.map(
        ({ roundId }) =>
          `nobody makes the round “${recipe?.rounds?.find((round) => round.id === roundId)?.name ?? roundId}”`,
      ),
    ];
  };
  const person_ = (id: string) => input.people.find((one) => one.id === id)?.name ?? id;
  const grave = plate.items.filter((item) => item.verdict === plate.verdict);
  const counted = (value: number, one: string, many: string) =>
    value === 0
      ? `as many ${many} as now`
      : `${number(Math.abs(value), names.locale)} ${value > 0 ? "more" : "fewer"} ${Math.abs(value) === 1 ? one : many}`;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          {person.name}: <Verdict is={plate.verdict}>{verdictTitle[plate.verdict]}</Verdict>
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
          <TextLink to={`${action}/people/seats`}>Seats</TextLink>
        </SheetTools>
      </SheetHead>
      <Text color="fg.muted">{needsInWords(person, names.locale) || "nothing declared"}</Text>
      <AskedFirst asked={told.asked} names={names} button="Do it all the same" />
      {told.changes ? (
        <Box role="status">
          <Alert.Root as="p" status="info">
            Done. <TextLink to={`${action}/people/seats`}>Seats, where it can be taken back</TextLink>
          </Alert.Root>
          <WhatChanges changes={told.changes} names={names} isDone />
        </Box>
      ) : null}
      {actionData && "problem" in actionData ? (
        <Alert.Root as="p" status="error" role="alert">
          {actionData.problem}
        </Alert.Root>
      ) : null}
      {plate.exposures.length > 0 ? (
        <RoomDrawing
          floor={input.kitchen.floor}
          stations={plan.stations}
          paths={plate.exposures.map((one) => one.legs)}
          at={(minutes) => clock(input.startsAt, input.timeZone, minutes, names.locale)}
          nameOf={(kind) => floorWords[kind]}
          marked={plan.stations.find((station) => station.people.includes(person.id))?.id}
        />
      ) : null}
      <Box as="section" mt="3.5">
        <Heading as="h3" size="lg">
          Why
        </Heading>
        <ReasonList>
          {grave.map((item) => (
            <li key={item.ingredientId}>{because(item, names)}.</li>
          ))}
          {[
            ...new Map(plate.exposures.map((one) => [sayExposure(one, input, plan, names), cutsOf(one.legs)] as const)),
          ].map(([way, cuts]) => (
            <li key={way}>
              {way}. <Span color="fg.muted">What cuts it: {cuts.join("; ")}.</Span>
            </li>
          ))}
          {grave.length + plate.exposures.length === 0 ? <li>Nothing on the plate bears on what they avoid.</li> : null}
        </ReasonList>
      </Box>
      {ways.length > 0 ? (
        <Box as="section">
          <Heading as="h3" size="lg">
            Ways out, what sets nobody apart first
          </Heading>
          <Table.Root native>
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">Their plate then</th>
                <th scope="col">What it takes</th>
                <th data-screen scope="col">
                  <VisuallyHidden>Decide</VisuallyHidden>
                </th>
              </tr>
            </thead>
            <tbody>
              {ways.map((remedy) => (
                <tr key={nameOf(remedy)}>
                  <td>
                    <b>{remedyTitles[remedy.kind]}</b>
                    <div data-small>{sayRemedy(remedy)}</div>
                    {remedy.choice ? (
                      <div data-small>
                        As the recipe offers: {list(sayChoice(remedy.choice, remedy.recipeId), names.locale)}.
                      </div>
                    ) : null}
                    {remedy.swaps.length > 0 ? (
                      <div data-small data-alert>
                        Drafted now, cooked by nobody yet:{" "}
                        {list(
                          remedy.swaps.map(({ from, to }) =>
                            to === null
                              ? `no ${names.ingredient(from)}`
                              : `${names.ingredient(to)} for ${names.ingredient(from)}`,
                          ),
                          names.locale,
                        )}
                        . Chosen, it is kept as a new revision and stays a draft; its words and side effects stand in
                        the recipe.
                      </div>
                    ) : null}
                  </td>
                  <td>
                    <Verdict is={remedy.after}>{verdictTitle[remedy.after]}</Verdict>
                    <WhatChanges changes={{ plates: remedy.touches, kits: [] }} names={names} isDone={false} />
                  </td>
                  <td data-small>
                    {remedy.cost ? (
                      <>
                        {remedy.cost.minutes === 0
                          ? "no more time"
                          : `${remedy.cost.minutes > 0 ? "+" : "−"}${minutes(Math.abs(remedy.cost.minutes), names.locale)}`}
                        ; {counted(remedy.cost.stations, "station", "stations")};{" "}
                        {counted(remedy.cost.kits, "kind of kit", "kinds of kit")};{" "}
                        {remedy.cost.gearShort > 0
                          ? `${remedy.cost.gearShort} more tools missing`
                          : "no more tools missing"}
                        ;{" "}
                        {remedy.cost.money === null
                          ? "money: not every price is known"
                          : remedy.cost.money === 0
                            ? "no more to buy"
                            : `${remedy.cost.money > 0 ? "+" : "−"}${number(Math.abs(remedy.cost.money) / 100, names.locale, 2)} to buy`}
                        ;{" "}
                        {remedy.cost.setApart.length === 0
                          ? "nobody set apart"
                          : `set apart: ${list(remedy.cost.setApart.map(person_), names.locale)}`}
                      </>
                    ) : (
                      "no change to the plan"
                    )}
                  </td>
                  <td data-screen>
                    {remedy.isPossible ? (
                      <Form method="post">
                        <Hidden name="version" value={meta.version} />
                        <Hidden name="remedy" value={nameOf(remedy)} />
                        <Secondary>Do this</Secondary>
                      </Form>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table.Root>
          <Text fontSize="sm" color="fg.muted">
            The program proposes. You decide and sign; {person.name}, their guardian and their clinician know best. A
            change can be taken back under Seats.
          </Text>
        </Box>
      ) : null}
      {person.needs.some((need) => need.kind !== "diet" && need.touchOrAir) ? (
        <Caution>
          Touch or air matters to {person.name} for{" "}
          {list(
            person.needs.flatMap((need) =>
              need.kind !== "diet" && need.touchOrAir
                ? [need.kind === "food" ? need.food : substanceWords[need.substance]]
                : [],
            ),
            names.locale,
          )}
          : only a class without it keeps it out of the room.
        </Caution>
      ) : null}
      <Caution mt="4.5">{closingCaution}</Caution>
    </>
  );
}
