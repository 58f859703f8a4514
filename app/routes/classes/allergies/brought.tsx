import { HStack, Heading, Text } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { GridForm } from "~/ui/parts/forms";
import { mostPeople } from "~/core/people";
import { getFormProps, useForm } from "@conform-to/react";
import { getLocalTimeZone, today } from "@internationalized/date";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/brought";
import { useClass } from "../class-context";
import { formOf, optionalWords, words, submissionOf } from "../../form";
import { saidOnLabel, saidValues } from "./label-form";
import type { ClassInput } from "~/core/plan";
import { audit } from "~/services/audit.server";
import { classOnce, classOr404, notFound } from "~/services/classes.server";
import { addBrought, removeBrought } from "~/services/products.server";
import { accountOf } from "~/services/session.server";
import { FormError, Primary, SelectField, TextField, TextLink } from "~/ui/parts/fields";
import { LabelFields } from "~/ui/allergen/LabelFields";
import { PlainButton } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";

const schema = z
  .object({
    name: words(120, "what it is"),
    broughtBy: words(120, "who brings it"),
    product: optionalWords(120),
    /** The ingredient it stands for at one household, and which; empty where it is for everybody. */
    ingredientId: optionalWords(120),
    station: z.coerce
      .number()
      .int()
      .min(0)
      .max(mostPeople - 1)
      .default(0),
    ...saidOnLabel,
  })
  .superRefine((form, context) => {
    if (
      form.product === "" &&
      form.contains.length + form.mayContain.length + form.lookedFor.length + form.foods.length > 0
    )
      context.addIssue({
        code: "custom",
        path: ["product"],
        message: "Say what the packet is called, so that another is noticed; or untick the boxes.",
      });
  });

/** What somebody may have of their own: everything the dishes of the class are made of. */
const choicesOf = (input: Pick<ClassInput, "dishes">): string[] => [
  ...new Set(input.dishes.flatMap((dish) => dish.recipe.lines.map((line) => line.ingredientId))),
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  if (params.foodId !== "new" && !(input.shared ?? []).some((food) => food.id === params.foodId))
    throw notFound("food");
  return null;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const account = accountOf(context);
  const before = (input.shared ?? []).find((food) => food.id === params.foodId);
  if (params.foodId !== "new" && !before) throw notFound("food");
  const form = await formOf(request);
  const back = `/classes/${params.classId}/allergies`;
  if (form.get("intent") === "remove") {
    if (before) await removeBrought(params.classId, before.id);
    return redirect(back);
  }
  const submission = submissionOf(form, { schema });
  if (submission.status !== "success") return data(submission.reply(), { status: 400 });
  const { product, name, broughtBy, market, isGlutenFree, ingredientId, station, ...said } = submission.value;
  const isOwn = ingredientId !== "";
  const refuse = (field: string, problem: string) =>
    data(submission.reply({ fieldErrors: { [field]: [problem] } }), { status: 400 });
  if (isOwn && !choicesOf(input).some((id) => id === ingredientId))
    return refuse("ingredientId", "No dish of this class has it any more. Choose what it stands for from the list.");
  const taken = (input.shared ?? []).some(
    (food) => food.id !== before?.id && food.instead?.station === station && food.instead.ingredientId === ingredientId,
  );
  if (isOwn && taken)
    return refuse(
      "ingredientId",
      "This household has a product of its own for it already. Change that one, or choose another.",
    );
  await addBrought(
    params.classId,
    {
      name,
      broughtBy,
      ...(isOwn ? { instead: { station, ingredientId } } : {}),
      label:
        product === ""
          ? null
          : {
              product,
              ...said,
              ...(market ? { market } : {}),
              ...(isGlutenFree ? { isGlutenFree } : {}),
              readBy: account.name,
              readOn: today(getLocalTimeZone()).toString(),
            },
    },
    before?.id,
  );
  await audit(account.id, params.classId, "noted food that is brought along");
  return redirect(back);
}

export default function Brought({ params, actionData }: Route.ComponentProps) {
  const { input, plan, names, action } = useClass();
  const food = (input.shared ?? []).find((one) => one.id === params.foodId);
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData,
    defaultValue: {
      name: food?.name ?? "",
      broughtBy: food?.broughtBy ?? "",
      product: food?.label?.product ?? "",
      ingredientId: food?.instead?.ingredientId ?? "",
      station: String(food?.instead?.station ?? 0),
      ...saidValues(food?.label, input.brief.regime),
      // The form library types a box that may be sent many times by its schema, not by what stands in it at first.
    } as never,
  });
  return (
    <>
      <SheetHead>
        <Heading as="h2" size="xl">
          {food ? food.name : "Food brought along"}
        </Heading>
        <SheetTools>
          <TextLink to={`${action}/allergies`}>The allergy table</TextLink>
        </SheetTools>
      </SheetHead>
      <Text color="fg.muted" mb="3.5" maxW="60ch">
        What somebody brings for everyone is on everybody’s plate. Without a packet to read it is unknown to all who
        avoid anything.{" "}
        {input.brief.isRemote
          ? "What a household has of its own in place of what you would send is on its plates only, and is neither bought nor packed for it."
          : ""}
      </Text>
      <GridForm maxW="860px" method="post" {...getFormProps(form)}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <TextField span={6} field={fields.name} label="What it is" autoComplete="off" />
        <TextField span={6} field={fields.broughtBy} label="Brought by" autoComplete="off" />
        {input.brief.isRemote || food?.instead ? (
          <>
            <SelectField
              span={6}
              field={fields.ingredientId}
              label="In place of"
              hint="of one household’s own"
              empty="for everybody"
              options={choicesOf(input).map((id) => ({ value: id, label: names.ingredient(id) }))}
            />
            <SelectField
              span={6}
              field={fields.station}
              label="At"
              options={plan.stations.map((station, index) => ({ value: String(index), label: station.name }))}
            />
          </>
        ) : null}
        <TextField
          span={8}
          field={fields.product}
          label="What the packet is called"
          hint="empty: home-made, or not read"

          autoComplete="off"
        />
        <LabelFields fields={fields} label={food?.label} input={input} isBack={actionData !== undefined} />
        <HStack gap="3" wrap="wrap">
          <Primary>{food ? "Save" : "Add it"}</Primary>
        </HStack>
      </GridForm>
      {food ? (
        <Form method="post">
          <PlainButton
            color="fg.muted"
            minH="11"
            textDecoration="underline"
            type="submit"

            name="intent"
            value="remove"
          >
            It does not come after all
          </PlainButton>
        </Form>
      ) : null}
    </>
  );
}
