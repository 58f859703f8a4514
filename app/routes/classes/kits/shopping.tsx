import { RowButton } from "~/ui/parts/keys";
import { Box, Heading, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { PlainList } from "~/ui/parts/shopping";
import { InlineField, InlineFieldsForm, InlineLabel, StyledForm } from "~/ui/parts/forms";
import { data } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/shopping";
import { useClass } from "../class-context";
import { priceField, formOf, whole, words, submissionOf } from "../../form";
import { gramsPer, stockUnits } from "~/core/shop";
import { database } from "~/db/client.server";
import { classOnce, classOr404 } from "~/services/classes.server";
import { addExtra, leadOf, removeExtra, saveStock, shopTogether, tripLedBy } from "~/services/shop.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { ShoppingSheet } from "~/ui/shop/ShoppingSheet";
import { FileLink, FormError, TextLink } from "~/ui/parts/fields";
import { day, people } from "~/ui/format/format";
import { PrintButton } from "~/ui/parts/PrintButton";
import { useLocale } from "~/ui/sheet/locale";
import { Hidden, PlainInput } from "~/ui/parts/plain";

const price = priceField("the price of one");
const schema = z.discriminatedUnion("intent", [
  z.object({
    intent: z.literal("stock"),
    ingredientId: z.string().min(1).max(64),
    /** What stood there when the page was read. */
    seen: z.number().min(0).max(1_000_000).default(0),
    unit: z.enum(stockUnits).default("g"),
    amount: z
      .number({ error: "Give what is on hand as a number, such as 500; 0 when there is none." })
      .min(0, { error: "Give 0 or more." })
      .max(1_000_000, { error: "At most 1,000,000." }),
  }),
  z.object({
    intent: z.literal("extra"),
    name: words(120, "what is to be bought, such as baking paper"),
    count: whole(1, 10_000),
    price,
  }),
  z.object({ intent: z.literal("drop-extra"), id: z.uuid() }),
  z.object({ intent: z.literal("together"), otherId: z.uuid() }),
  z.object({ intent: z.literal("apart"), otherId: z.uuid() }),
]);

export async function loader({ params, context }: Route.LoaderArgs) {
  const db = database();
  const [own, leadId] = await Promise.all([classOnce(context, params.classId), leadOf(db, params.classId)]);
  const [trip, events] = await Promise.all([tripLedBy(db, leadId, own), ticksOf(db, leadId)]);
  return { trip, events, me: accountOf(context).name };
}

/** Also after a refusal: whoever was too late keeps theirs again on top of what is there now. */
export const shouldRevalidate = () => true;

export async function action({ request, params }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success")
    return data(
      { problems: Object.values(submission.error ?? {}).flatMap((each) => each ?? []), typed: submission.payload },
      { status: 400 },
    );
  const db = database();
  const form = submission.value;
  const leadId = await leadOf(db, params.classId);
  if (form.intent === "stock") {
    const one = input.pantry.find((each) => each.id === form.ingredientId);
    const each = one && gramsPer(form.unit, one);
    if (each === undefined)
      return data(
        { problems: ["There is no such ingredient in the pantry. Load the page again."], typed: {} },
        { status: 400 },
      );
    if (!(await saveStock(db, leadId, form.ingredientId, form.seen, form.amount * each)))
      return data(
        {
          problems: [
            "Somebody else saved another figure for this meanwhile; it stands in the list now. Save yours again if it is the right one.",
          ],
          typed: {},
        },
        { status: 409 },
      );
  } else if (form.intent === "extra") await addExtra(db, leadId, form);
  else if (form.intent === "drop-extra") await removeExtra(db, leadId, form.id);
  else if (!(await shopTogether(db, leadId, form.otherId, form.intent === "together")))
    return data(
      {
        problems: ["That class is on another trip by now, or leads one. Load the page to see how it stands."],
        typed: {},
      },
      { status: 409 },
    );
  return { problems: [], typed: {} };
}

/** What is bought for one class or several, as packs by shop section, with ticks, what is on hand, and what it costs. */
export default function Shopping({ loaderData, actionData, params }: Route.ComponentProps) {
  const { trip, events, me } = loaderData;
  const { input } = useClass();
  const locale = useLocale();
  const typed = (actionData?.typed ?? {}) as Record<string, unknown>;
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          Shopping
        </Heading>
        <Text color="fg.muted">
          {trip.classes.length === 1
            ? `For ${people(input.brief.people)}, the most that may be used.`
            : `One trip for ${trip.classes.map((one) => one.title).join(", ")}.`}
        </Text>
        <SheetTools>
          <TextLink to="../kits">Kits</TextLink>
          <FileLink href={`/classes/${params.classId}/shopping.csv`}>As a table (CSV)</FileLink>
          <PrintButton>Print the list</PrintButton>
        </SheetTools>
      </SheetHead>
      <FormError title="Not saved" problems={actionData?.problems ?? []} />
      <ShoppingSheet key={trip.leadId} trip={trip} events={events} me={me} timeZone={input.timeZone} />
      <Columns split="even" _print={{ display: "none" }} mt="6">
        <Box as="section">
          <Heading as="h3" size="lg">
            Not eaten
          </Heading>
          <Text color="fg.muted" fontSize="sm">
            Paper, sticks, towels, labels: what the recipe does not name.
          </Text>
          <PlainList>
            {trip.extras.map((extra) => (
              <li key={extra.id}>
                {extra.count} × {extra.name}
                <StyledForm display="inline" method="post">
                  <Hidden name="intent" value="drop-extra" />
                  <RowButton ml="3" name="id" value={extra.id} type="submit">
                    take off
                  </RowButton>
                </StyledForm>
              </li>
            ))}
          </PlainList>
          <InlineFieldsForm method="post" key={trip.extras.length}>
            <Hidden name="intent" value="extra" />
            <InlineField>
              <InlineLabel>What</InlineLabel>
              <PlainInput name="name" defaultValue={String(typed.name ?? "")} autoComplete="off" />
            </InlineField>
            <InlineField>
              <InlineLabel>How many</InlineLabel>
              <PlainInput name="count" inputMode="numeric" defaultValue={String(typed.count ?? "1")} />
            </InlineField>
            <InlineField>
              <InlineLabel>Price of one</InlineLabel>
              <PlainInput name="price" inputMode="decimal" defaultValue={String(typed.price ?? "")} />
            </InlineField>
            <RowButton type="submit">Put on the list</RowButton>
          </InlineFieldsForm>
        </Box>
        <Box as="section">
          <Heading as="h3" size="lg">
            On one trip with
          </Heading>
          <PlainList>
            {trip.classes
              .filter((one) => one.id !== trip.leadId)
              .map((one) => (
                <li key={one.id}>
                  {one.title}, {day(one.startsAt, locale)}
                  <StyledForm display="inline" method="post">
                    <Hidden name="intent" value="apart" />
                    <RowButton ml="3" name="otherId" value={one.id} type="submit">
                      on its own trip
                    </RowButton>
                  </StyledForm>
                </li>
              ))}
            {trip.others
              .filter((one) => one.id !== params.classId)
              .map((one) => (
                <li key={one.id}>
                  <StyledForm display="inline" method="post">
                    <Hidden name="intent" value="together" />
                    <RowButton
                      mr="3"

                      name="otherId"
                      value={one.id}
                      type="submit"
                    >
                      buy for it too
                    </RowButton>
                  </StyledForm>
                  {one.title}, {day(one.startsAt, locale)}
                </li>
              ))}
          </PlainList>
          {trip.leadId === params.classId ? null : (
            <Text color="fg.muted" fontSize="sm">
              This class is bought for with{" "}
              <TextLink to={`/classes/${trip.leadId}/shopping`}>
                {trip.classes.find((one) => one.id === trip.leadId)?.title}
              </TextLink>
              : one cupboard, one list.
            </Text>
          )}
        </Box>
      </Columns>
    </>
  );
}
