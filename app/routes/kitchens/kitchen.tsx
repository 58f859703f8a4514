import { Fieldset, Heading, Span, Text } from "@chakra-ui/react";
import { EditDrawer, StarterList } from "~/ui/parts/room";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { FormGrid, GridForm } from "~/ui/parts/forms";
import { surfaceIdOf } from "~/core/ids";
import { measured } from "~/formats/schema-parts";
import { type Minutes } from "~/core/quantity";
import { getFormProps, useForm } from "@conform-to/react";
import { Link, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/kitchen";
import { choice, formOf, whole, words, submissionOf } from "../form";
import {
  type Kitchen,
  type Surface,
  type SurfaceSize,
  type SharedThing,
  coatings,
  flames,
  lampMeanings,
  sharedThings,
  starterKinds,
  starterKitchens,
} from "~/core/gear";
import { type Tool, surfaceKinds, tools } from "~/core/recipe";
import { database } from "~/db/client.server";
import { addKitchen, changeKitchen, kitchens } from "~/db/queries/kitchens.server";
import { notFound } from "~/services/classes.server";
import {
  CheckField,
  FormError,
  NumberField,
  Primary,
  SaveBar,
  Secondary,
  SelectField,
  TextField,
  TextLink,
} from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { list } from "~/ui/format/format";
import { useLocale } from "~/ui/sheet/locale";
import { sharedThingWords, surfaceWords, toolWords } from "~/ui/words/en";
import { inRegion, wordsIn } from "~/ui/words/regional";
import { coatingWords, flameWords, lampWords } from "~/ui/words/kits";
import { SurfaceDrawing } from "~/ui/draw/SurfaceDrawing";
import { StarterSurfaces, drawnPiece } from "~/ui/kitchen/StarterSurfaces";
import { FoldTitle, Hidden } from "~/ui/parts/plain";
import { TypedGuard } from "~/ui/parts/TypedGuard";

const mostSurfaces = 20;
const mostCircuits = 20;
const cmError = "Give centimetres above 0 and up to 200, such as 28.";
const cm = z.number({ error: cmError }).gt(0, { error: cmError }).max(200, { error: cmError });

/** The size of a surface as a form has it. */
const sizeOf = (one: { shape?: "round" | "rect"; across?: number; deep?: number }): SurfaceSize | undefined =>
  one.shape === "round" && one.across !== undefined
    ? { kind: "round", diameterCm: one.across }
    : one.shape === "rect" && one.across !== undefined && one.deep !== undefined
      ? { kind: "rect", widthCm: one.across, depthCm: one.deep }
      : undefined;

// An object with a key for every tool: the form library turns text into numbers in objects, not in records.
const counted = whole(0, 1000).optional();
const around = whole(1, 40).optional();
const aroundSchema = z
  .object(Object.fromEntries(sharedThings.map((thing) => [thing, around])) as Record<SharedThing, typeof around>)
  .default({});
const gearSchema = z
  .object(Object.fromEntries(tools.map((tool) => [tool, counted])) as Record<Tool, typeof counted>)
  .default({});

const schema = z
  .object({
    version: z.int().default(0),
    name: words(120, "a name for the kitchen"),
    sinks: whole(0, 40),
    altitudeM: whole(0, 5000).optional(),
    surfaces: z
      .array(
        z.object({
          name: z.string().trim().max(120).optional(),
          kind: choice(surfaceKinds, "a kind").optional(),
          places: whole(1, 60).optional(),
          count: whole(0, 60).optional(),
          at: choice(["shared", "station"], "where").optional(),
          preheatMinutes: measured<Minutes>(whole(0, 120)).optional(),
          watts: whole(0, 20_000).optional(),
          shape: choice(["round", "rect"], "a shape").optional(),
          across: cm.optional(),
          deep: cm.optional(),
          coating: choice(coatings, "a coating").optional(),
          lamp: choice(lampMeanings, "what the lamp says").optional(),
          flame: choice(flames, "what burns").optional(),
          hasHotHandle: z.boolean().default(false),
        }),
      )
      .max(mostSurfaces)
      .default([]),
    circuits: z
      .array(
        z.object({
          name: z.string().trim().max(120).optional(),
          volts: whole(100, 400).optional(),
          amps: whole(1, 125).optional(),
          sockets: whole(0, 40).optional(),
          plugAmps: whole(1, 63).optional(),
        }),
      )
      .max(mostCircuits)
      .default([]),
    around: aroundSchema,
    gear: gearSchema,
  })
  .superRefine((form, context) => {
    form.surfaces.forEach((surface, index) => {
      if (!surface.name) return;
      if (!surface.kind)
        context.addIssue({
          code: "custom",
          path: ["surfaces", index, "kind"],
          message: "Say what kind of surface it is.",
        });
      if (surface.places === undefined)
        context.addIssue({
          code: "custom",
          path: ["surfaces", index, "places"],
          message: "Say how many pieces cook on it at once.",
        });
      if (surface.shape && surface.across === undefined)
        context.addIssue({
          code: "custom",
          path: ["surfaces", index, "across"],
          message: "Measure it: the width of what is hot, or across the middle of a round one.",
        });
      if (surface.shape === "rect" && surface.deep === undefined)
        context.addIssue({
          code: "custom",
          path: ["surfaces", index, "deep"],
          message: "Measure how deep it is, or choose round.",
        });
    });
    form.circuits.forEach((circuit, index) => {
      if (!circuit.name) return;
      for (const [field, what] of [
        ["volts", "the volts, such as 230 or 120"],
        ["amps", "what its breaker is rated for, such as 16"],
        ["sockets", "how many sockets it has"],
      ] as const)
        if (circuit[field] === undefined)
          context.addIssue({ code: "custom", path: ["circuits", index, field], message: `Give ${what}.` });
    });
  });

/** The kitchen a form describes; its sketch is drawn on a page of its own and stays as it is. */
function kitchenOf(form: z.output<typeof schema>, floor: Kitchen["floor"]): Omit<Kitchen, "id"> {
  const circuits = form.circuits.flatMap((one, index) =>
    one.name && one.volts !== undefined && one.amps !== undefined && one.sockets !== undefined
      ? [
          {
            id: `c${index}`,
            name: one.name,
            volts: one.volts,
            amps: one.amps,
            sockets: one.sockets,
            plugAmps: one.plugAmps ?? null,
          },
        ]
      : [],
  );
  return {
    ...(circuits.length > 0 ? { circuits } : {}),
    ...(floor ? { floor } : {}),
    name: form.name,
    sinks: form.sinks,
    ...(form.altitudeM === undefined ? {} : { altitudeM: form.altitudeM }),
    surfaces: form.surfaces.flatMap((one, index) =>
      one.name && one.kind && one.places !== undefined
        ? [
            {
              id: surfaceIdOf(`s${index}`),
              name: one.name,
              kind: one.kind,
              places: one.places,
              count: one.count ?? 1,
              at: one.at ?? "shared",
              preheatMinutes: one.preheatMinutes ?? null,
              watts: one.watts ?? 0,
              size: sizeOf(one),
              coating: one.coating,
              lamp: one.lamp,
              flame: one.flame,
              // Nobody ticks what they have not looked at: not ticked is not known.
              hasHotHandle: one.hasHotHandle || undefined,
            },
          ]
        : [],
    ),
    goesRound: sharedThings.flatMap((thing) => {
      const count = form.around[thing];
      return count === undefined ? [] : [{ thing, count }];
    }),
    gear: tools.flatMap((tool) => {
      const owned = form.gear[tool];
      return owned === undefined ? [] : [{ tool, owned }];
    }),
  };
}

async function kitchenOr404(kitchenId: string): Promise<(Kitchen & { version: number }) | undefined> {
  if (kitchenId === "new") return undefined;
  const [found] = z.uuid().safeParse(kitchenId).success ? await kitchens(database(), kitchenId) : [];
  if (!found) throw notFound("kitchen");
  return found;
}

export const loader = async ({ request, params }: Route.LoaderArgs) => {
  const kitchen = await kitchenOr404(params.kitchenId);
  const kind = starterKinds.find((one) => one === new URL(request.url).searchParams.get("as"));
  return { kitchen, kind: kitchen ? undefined : kind };
};

export async function action({ request, params }: Route.ActionArgs) {
  const kitchen = await kitchenOr404(params.kitchenId);
  const submission = submissionOf(await formOf(request), { schema });
  if (submission.status !== "success") return data({ result: submission.reply() }, { status: 400 });
  const values = kitchenOf(submission.value, kitchen?.floor);
  const isSaved = await database()
    .transaction()
    .execute(async (trx) =>
      kitchen
        ? changeKitchen(trx, kitchen.id, submission.value.version, values)
        : Boolean(await addKitchen(trx, values)),
    );
  if (!isSaved)
    return data(
      {
        result: submission.reply({
          formErrors: [
            "Somebody changed this kitchen while you were typing. Yours stands below; save again to replace theirs, or load the page to see it.",
          ],
        }),
        version: kitchen?.version,
      },
      { status: 409 },
    );
  return redirect("/kitchens");
}

/** Whether anything typed into a row was refused. */
const hasMistake = (row: Readonly<Record<string, { readonly errors?: readonly string[] | undefined }>>): boolean =>
  Object.values(row).some((field) => (field.errors?.length ?? 0) > 0);

/** What stands in the fields of a surface. */
const fieldsOf = (surface: Surface) => ({
  ...surface,
  hasHotHandle: surface.hasHotHandle ? "on" : "",
  shape: surface.size?.kind ?? "",
  across: surface.size?.kind === "round" ? surface.size.diameterCm : surface.size?.widthCm,
  deep: surface.size?.kind === "rect" ? surface.size.depthCm : undefined,
});
const emptySurface = { name: "", kind: "", places: "", count: "", at: "shared", preheatMinutes: "", watts: "" };
const emptyCircuit = { name: "", volts: "", amps: "", sockets: "", plugAmps: "" };

/** Rooms to begin from, each drawn with what cooks in it. */
const Beginnings = () => (
  <>
    <Text>Choose the room most like yours; everything in it can be changed.</Text>
    <StarterList>
      {starterKinds.map((kind) => (
        <li key={kind}>
          <Link to={`/kitchens/new?as=${kind}`}>
            <StarterSurfaces kind={kind} />
          </Link>
        </li>
      ))}
    </StarterList>
    <Heading as="h2" size="xl">
      Or begin empty
    </Heading>
  </>
);

export default function KitchenPage(props: Route.ComponentProps) {
  return <KitchenForm key={props.loaderData.kind ?? "own"} {...props} />;
}

function KitchenForm({ loaderData, actionData }: Route.ComponentProps) {
  const { kind } = loaderData;
  const stored = loaderData.kitchen;
  const locale = useLocale();
  const kindWords = wordsIn(surfaceWords, locale);
  const shown = stored ?? (kind && starterKitchens[kind]);
  const newer =
    actionData && "version" in actionData && typeof actionData.version === "number" ? actionData.version : undefined;
  const [form, fields] = useForm<z.input<typeof schema>>({
    lastResult: actionData?.result,
    defaultValue: {
      name: shown?.name ?? "",
      sinks: shown?.sinks ?? 1,
      altitudeM: shown?.altitudeM,
      surfaces: shown && shown.surfaces.length > 0 ? shown.surfaces.map(fieldsOf) : [emptySurface],
      circuits: [...(shown?.circuits ?? []), emptyCircuit],
      around: Object.fromEntries(
        sharedThings.map((thing) => [thing, shown?.goesRound?.find((one) => one.thing === thing)?.count ?? ""]),
      ),
      gear: Object.fromEntries(tools.map((tool) => [tool, shown?.gear.find((one) => one.tool === tool)?.owned ?? ""])),
    },
  });
  const surfaces = fields.surfaces.getFieldList().map((row) => row.getFieldset());
  const circuits = fields.circuits.getFieldList().map((row) => row.getFieldset());
  const around = fields.around.getFieldset();
  const gear = fields.gear.getFieldset();
  const title = stored?.name ?? "Add a kitchen";
  return (
    <>
      <title>{`${title} · Apron Bell`}</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          {title}
        </Heading>
        <SheetTools>
          {stored ? <TextLink to={`/kitchens/${stored.id}/floor`}>Sketch of the room</TextLink> : null}
          <TextLink to="/kitchens">Back to the kitchens</TextLink>
        </SheetTools>
      </SheetHead>
      {stored || kind ? null : <Beginnings />}
      <GridForm method="post" {...getFormProps(form)}>
        <TypedGuard />
        <FormError title="Not saved" problems={form.errors ?? []} />
        <Hidden name="version" key={newer} defaultValue={newer ?? stored?.version ?? 0} />
        <TextField span={6} field={fields.name} label="Name" />
        <NumberField span={2} field={fields.sinks} label="Sinks" />
        <NumberField
          span={4}
          field={fields.altitudeM}
          label={inRegion("Metres above the sea", locale)}
          hint="empty: low"
        />
        <Fieldset.Root>
          <Fieldset.Legend>Where pieces cook</Fieldset.Legend>
          {surfaces.map((row, index) => {
            const surface = shown?.surfaces[index];
            return (
              <EditDrawer key={row.name.name} open={surface === undefined || hasMistake(row)}>
                <FoldTitle>
                  {surface ? <SurfaceDrawing surface={surface} recipe={drawnPiece} /> : null}
                  <b>{surface ? `${surface.count} × ${surface.name}` : `Surface ${index + 1}`}</b>
                  {surface ? (
                    <Span color="fg.muted">
                      {kindWords[surface.kind]}, {surface.places} to a load
                      {surface.at === "station" ? ", at each station" : ""}
                      {surface.size ? "" : ", not measured"}
                    </Span>
                  ) : null}
                </FoldTitle>
                <FormGrid>
                  <TextField
                    span={3}
                    field={row.name}
                    label={`Surface ${index + 1}`}

                    autoComplete="off"
                  />
                  <SelectField span={3} field={row.kind} label="Kind" options={optionsOf(kindWords)} empty="–" />
                  <NumberField span={3} field={row.places} label="Pieces a load" />
                  <NumberField span={3} field={row.count} label="How many" />
                  <SelectField
                    span={3}
                    field={row.at}
                    label="Where"
                    options={[
                      { value: "shared", label: "shared by all" },
                      { value: "station", label: "at each station" },
                    ]}
                  />
                  <NumberField span={3} field={row.preheatMinutes} label="Preheat, min" hint="empty: the usual" />
                  <NumberField span={3} field={row.watts} label="Watts each" />
                  <SelectField
                    span={3}
                    field={row.shape}
                    label="Shape"
                    options={[
                      { value: "round", label: "round" },
                      { value: "rect", label: "rectangular" },
                    ]}
                    empty="not measured"
                  />
                  <TextField span={3} field={row.across} label="Across, cm" inputMode="decimal" autoComplete="off" />
                  <TextField span={3} field={row.deep} label="Deep, cm" inputMode="decimal" autoComplete="off" />
                  <SelectField
                    span={3}
                    field={row.coating}
                    label="Coating"
                    options={optionsOf(coatingWords)}
                    empty="not known"
                  />
                  <SelectField
                    span={3}
                    field={row.lamp}
                    label="Its lamp is"
                    options={optionsOf(lampWords)}
                    empty="none, or not known"
                  />
                  <SelectField
                    span={3}
                    field={row.flame}
                    label="Under it burns"
                    options={optionsOf(flameWords)}
                    empty="nothing, or not known"
                  />
                  <CheckField span={3} field={row.hasHotHandle} label="handle gets hot" />
                </FormGrid>
              </EditDrawer>
            );
          })}
          {surfaces.length < mostSurfaces ? (
            <Secondary {...form.insert.getButtonProps({ name: fields.surfaces.name, defaultValue: emptySurface })}>
              One more surface
            </Secondary>
          ) : null}
        </Fieldset.Root>
        <Fieldset.Root>
          <Fieldset.Legend>Circuits</Fieldset.Legend>
          <Text color="fg.muted" fontSize="sm" pb="2">
            One row a breaker. For hours on end it may carry 80 % of what it is rated for; local electrical codes and a
            qualified person come first. Leave all empty when nobody has looked: it is then not known.
          </Text>
          {circuits.map((row, index) => (
            <FormGrid pb="2" key={row.name.name}>
              <TextField span={4} field={row.name} label={`Circuit ${index + 1}`} autoComplete="off" />
              <NumberField span={2} field={row.volts} label="Volts" />
              <NumberField span={2} field={row.amps} label="Breaker, A" />
              <NumberField span={2} field={row.sockets} label="Sockets" />
              <NumberField span={2} field={row.plugAmps} label="Fuse in a plug, A" />
            </FormGrid>
          ))}
          {circuits.length < mostCircuits ? (
            <Secondary {...form.insert.getButtonProps({ name: fields.circuits.name, defaultValue: emptyCircuit })}>
              One more circuit
            </Secondary>
          ) : null}
        </Fieldset.Root>
        <EditDrawer open={sharedThings.some((thing) => around[thing]?.errors)}>
          <FoldTitle>
            <b>What goes round the tables</b>
            <Span color="fg.muted">
              {list(
                (shown?.goesRound ?? []).map(({ thing, count }) => `${count} × ${sharedThingWords[thing]}`),
                locale,
              )}
            </Span>
          </FoldTitle>
          <Text color="fg.muted" fontSize="sm" pb="2">
            How many there are of what fewer tables can have at once than want it: the plan lets them take turns. Empty
            where every table has its own. What goes round carries what it touched to the next table.
          </Text>
          <FormGrid>
            {sharedThings.map((thing) =>
              around[thing] ? (
                <NumberField
                  span={3}
                  key={thing}
                  field={around[thing]}
                  label={`${inRegion(sharedThingWords[thing], locale)}, going round`}
                />
              ) : null,
            )}
          </FormGrid>
        </EditDrawer>
        <EditDrawer open={!stored && !kind}>
          <FoldTitle>
            <b>Gear counted</b>
            <Span color="fg.muted">{shown ? `${shown.gear.length} of ${tools.length} kinds` : ""}</Span>
          </FoldTitle>
          <Text color="fg.muted" fontSize="sm" pb="2">
            Leave empty what nobody has counted: it is then shown as not counted, not as missing.
          </Text>
          <FormGrid>
            {tools.map((tool) =>
              gear[tool] ? <NumberField span={3} key={tool} field={gear[tool]} label={toolWords[tool]} /> : null,
            )}
          </FormGrid>
        </EditDrawer>
        <SaveBar>
          <Primary>Save the kitchen</Primary>
        </SaveBar>
      </GridForm>
    </>
  );
}
