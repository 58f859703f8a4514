import { Box, Fieldset, HStack, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { FormGrid, GridForm } from "~/ui/parts/forms";
import { LabelPhoto } from "~/ui/parts/people";
import { measured } from "~/formats/schema-parts";
import { type Grams } from "~/core/quantity";
import { getFormProps, useForm } from "@conform-to/react";
import { getLocalTimeZone, today } from "@internationalized/date";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import { dayField } from "~/formats/date-fields";
import { DateField } from "~/ui/parts/DateField";
import type { Route } from "./+types/label";
import { useClass } from "../class-context";
import { formOf, optionalWords, priceField, whole, words, submissionOf } from "../../form";
import { saidOnLabel, saidValues } from "./label-form";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404, notFound } from "~/services/classes.server";
import { forgetLabel, saveLabel, savePack, seenPack } from "~/services/products.server";
import { photoFrom, photoOf } from "~/services/photos.server";
import { accountOf } from "~/services/session.server";
import { FormError, Primary, Secondary, TextField, TextLink } from "~/ui/parts/fields";
import { LabelFields } from "~/ui/allergen/LabelFields";
import { FileInput, Hidden, PlainButton } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";

const schema = z.object({
  version: z.int().default(0),
  product: words(120, "what the packet is called, so that another is noticed"),
  readOn: dayField("Give the day it was read."),
  ...saidOnLabel,
  photo: z.instanceof(File).optional(),
});

const otherSizes = 2;
const packPrice = priceField("the price of one pack");
const buySchema = z.object({
  seen: z.string({ error: "The form did not arrive whole. Load the page again and repeat." }).max(80),
  product: optionalWords(120).transform((text) => (text === "" ? undefined : text)),
  unitGrams: measured<Grams>(
    z
      .number({ error: "Give the grams in one unit, such as 250." })
      .gt(0, { error: "Give more than 0 grams." })
      .max(100_000, { error: "At most 100,000 grams." }),
  ),
  unitsPerPack: whole(1, 10_000),
  unitName: words(120, "what one unit is called, such as bag or tub"),
  price: packPrice,
  sizes: z
    .array(
      z.object({
        unitGrams: measured<Grams>(
          z
            .number({ error: "Give the grams in one unit, such as 500, or leave it empty." })
            .gt(0, { error: "Give more than 0 grams." })
            .max(100_000, { error: "At most 100,000 grams." }),
        ).optional(),
        unitsPerPack: whole(1, 10_000).optional(),
        price: packPrice,
      }),
    )
    .max(otherSizes)
    .default([])
    // A row without grams is an empty row.
    .transform((rows) =>
      rows.flatMap(({ unitGrams, unitsPerPack, price }) =>
        unitGrams === undefined ? [] : [{ unitGrams, unitsPerPack: unitsPerPack ?? 1, price }],
      ),
    ),
});

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  if (!input.pantry.some((one) => one.id === params.ingredientId)) throw notFound("ingredient");
  return {
    hasPhoto: (await photoOf(params.classId, params.ingredientId)) !== undefined,
    today: today(getLocalTimeZone()).toString(),
    seen: seenPack(input.packs, params.ingredientId),
  };
}

/** Also after a refusal: whoever was too late keeps theirs again on top of what is there now. */
export const shouldRevalidate = () => true;

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  if (!input.pantry.some((one) => one.id === params.ingredientId)) throw notFound("ingredient");
  const form = await formOf(request);
  const account = accountOf(context);
  if (form.get("intent") === "buy") {
    const bought = submissionOf(form, { schema: buySchema });
    if (bought.status !== "success") return data({ bought: bought.reply() }, { status: 400 });
    const { seen, ...pack } = bought.value;
    if (!(await savePack(params.classId, seen, { ...pack, ingredientId: params.ingredientId })))
      return data(
        {
          bought: bought.reply({
            formErrors: [
              "Somebody else changed how this is bought meanwhile. Yours is below; save it again to replace theirs.",
            ],
          }),
        },
        { status: 409 },
      );
    await audit(account.id, params.classId, `changed the product of ${params.ingredientId}`.slice(0, 80));
    return data({ bought: undefined });
  }
  if (form.get("intent") === "forget") {
    await forgetLabel(params.classId, params.ingredientId);
    return redirect(`/classes/${params.classId}/allergies`);
  }
  const submission = submissionOf(form, { schema });
  if (submission.status !== "success") return data({ read: submission.reply() }, { status: 400 });
  const { version, market, isGlutenFree, ...label } = submission.value;
  const photo = await photoFrom(form.get("photo"));
  if (photo === "refused")
    return data(
      {
        read: submission.reply({
          fieldErrors: { photo: ["This is no JPEG or PNG picture of at most 1.5 MB. Take a smaller one, or none."] },
        }),
      },
      { status: 400 },
    );
  const reading = {
    ...label,
    ...(market ? { market } : {}),
    ...(isGlutenFree ? { isGlutenFree } : {}),
    ingredientId: params.ingredientId,
    readBy: account.name,
  };
  if (!(await saveLabel(params.classId, version, reading, photo))) {
    return data(
      {
        read: submission.reply({
          formErrors: [
            "Somebody else read this label a moment ago. Go back to the table and look at what they found before you replace it.",
          ],
        }),
      },
      { status: 409 },
    );
  }
  await audit(account.id, params.classId, `read the label of ${params.ingredientId}`.slice(0, 80));
  return redirect(`/classes/${params.classId}/allergies`);
}

export default function Label({ loaderData, params, actionData }: Route.ComponentProps) {
  const { input, meta, names } = useClass();
  const label = input.labels.find((one) => one.ingredientId === params.ingredientId);
  const name = names.ingredient(params.ingredientId);
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData && "read" in actionData ? actionData.read : undefined,
    defaultValue: {
      product: label?.product ?? "",
      readOn: loaderData.today,
      ...saidValues(label, input.brief.regime),
      // The form library types a box that may be sent many times by its schema, not by what stands in it at first.
    } as never,
  });
  const pack = input.packs.find((one) => one.ingredientId === params.ingredientId);
  const [buy, bought] = useForm<z.input<typeof buySchema>>({
    id: "buy",
    lastResult: actionData && "bought" in actionData ? actionData.bought : undefined,
    defaultValue: {
      product: pack?.product ?? "",
      unitGrams: pack?.unitGrams,
      unitsPerPack: pack?.unitsPerPack ?? 1,
      unitName: pack?.unitName ?? "",
      price: pack?.price === undefined ? "" : (pack.price / 100).toFixed(2),
      sizes: Array.from({ length: otherSizes }, (_, index) => {
        const size = pack?.sizes?.[index];
        return {
          unitGrams: size?.unitGrams,
          unitsPerPack: size?.unitsPerPack,
          price: size?.price === undefined ? "" : (size.price / 100).toFixed(2),
        };
      }),
    },
  });
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          The label of the {name}
        </Heading>
        <SheetTools>
          <TextLink to="../allergies">Back to the table</TextLink>
        </SheetTools>
      </SheetHead>
      <Text color="fg.muted" mb="3.5" maxW="60ch">
        Read the packet in your hand, not the one from last time. Tick everything it names. What is not ticked will be
        shown as “none declared”, with your name and the day, where the law of the product’s market obliges the label to
        name it; of everything else it says nothing until you have looked through the whole list for it.
      </Text>
      <GridForm maxW="860px" method="post" encType="multipart/form-data" {...getFormProps(form)}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <Hidden name="version" value={meta.labelVersions[params.ingredientId] ?? 0} />
        <TextField span={8} field={fields.product} label="What the packet is called" autoComplete="off" />
        <DateField span={4} field={fields.readOn} label="Read on" />
        <LabelFields
          fields={fields}
          label={label}
          input={input}
          isBack={actionData !== undefined && "read" in actionData}
        />
        <Box>
          <label>
            Picture of the label, if you like
            <br />
            <FileInput minH="11" name="photo" accept="image/jpeg,image/png" />
          </label>
          {fields.photo.errors?.[0] ? (
            <Text layerStyle="needsYou" fontSize="sm">
              {fields.photo.errors[0]}
            </Text>
          ) : null}
          {loaderData.hasPhoto ? (
            <LabelPhoto src={`${params.ingredientId}/photo`} alt={`The label of the ${name}`} />
          ) : null}
        </Box>
        <HStack gap="3" wrap="wrap">
          <Primary>Save what the label says</Primary>
        </HStack>
      </GridForm>
      <Box as="section" mt="6" maxW="860px">
        <Heading as="h3" size="lg">
          What is bought
        </Heading>
        <Text color="fg.muted" fontSize="sm">
          When the product here is another than the one whose label was read, the label counts as not read.
        </Text>
        {pack?.product !== undefined && label && pack.product !== label.product ? (
          <Text layerStyle="needsYou">
            Bought: “{pack.product}”. The label that was read is of “{label.product}”: read the packet in hand.
          </Text>
        ) : null}
        <GridForm method="post" {...getFormProps(buy)}>
          <FormError title="Not saved" problems={buy.errors ?? []} />
          <Hidden name="seen" value={loaderData.seen} />
          <TextField
            span={6}
            field={bought.product}
            label="Product"
            hint="as on the packet; empty: whichever was read"

            autoComplete="off"
          />
          <TextField span={3} field={bought.unitName} label="One unit is a" autoComplete="off" />
          <TextField span={3} field={bought.unitGrams} label="Grams in it" inputMode="decimal" />
          <TextField span={3} field={bought.unitsPerPack} label="Units to a pack" inputMode="numeric" />
          <TextField span={3} field={bought.price} label="Price of a pack" inputMode="decimal" />
          {bought.sizes.getFieldList().map((row, index) => {
            const size = row.getFieldset();
            return (
              <Fieldset.Root display="contents" key={row.key}>
                <Fieldset.Legend fontSize="sm">
                  {index === 0 ? "The same product in another size" : "And another"}
                </Fieldset.Legend>
                <FormGrid>
                  <TextField
                    span={4}
                    field={size.unitGrams}
                    label="Grams in a unit"

                    inputMode="decimal"
                  />
                  <TextField
                    span={4}
                    field={size.unitsPerPack}
                    label="Units to a pack"

                    inputMode="numeric"
                  />
                  <TextField span={4} field={size.price} label="Price of it" inputMode="decimal" />
                </FormGrid>
              </Fieldset.Root>
            );
          })}
          <HStack gap="3" wrap="wrap">
            <Secondary name="intent" value="buy">
              Save what is bought
            </Secondary>
          </HStack>
        </GridForm>
      </Box>
      {label ? (
        <Form method="post">
          <PlainButton
            color="fg.muted"
            minH="11"
            textDecoration="underline"
            type="submit"

            name="intent"
            value="forget"
          >
            Another packet came: not read yet
          </PlainButton>
        </Form>
      ) : null}
    </>
  );
}
