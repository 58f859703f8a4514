import { HStack, Heading } from "@chakra-ui/react";
import { SheetHead, SheetTools } from "~/ui/parts/sheet";
import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/floor";
import { formOf } from "../form";
import { floorKinds } from "~/core/gear";
import { database } from "~/db/client.server";
import { changeFloor, kitchens } from "~/db/queries/kitchens.server";
import { notFound } from "~/services/classes.server";
import { FloorSketch } from "~/ui/kitchen/FloorSketch";
import { FormError, Primary, TextLink } from "~/ui/parts/fields";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { PrintButton } from "~/ui/parts/PrintButton";
import { Hidden } from "~/ui/parts/plain";
import { parseJson } from "~/formats/text";

async function kitchenOr404(kitchenId: string) {
  const [found] = z.uuid().safeParse(kitchenId).success ? await kitchens(database(), kitchenId) : [];
  if (!found) throw notFound("kitchen");
  return found;
}

export const loader = async ({ params }: Route.LoaderArgs) => ({ kitchen: await kitchenOr404(params.kitchenId) });

/** What no hand draws: only a broken page or a made-up request sends it. */
const error = "The sketch was not understood. Load the page and draw again.";
const metres = (what: string) =>
  z
    .number({ error: `Give how ${what} the room is in metres, such as 8.` })
    .min(1, { error: `A room is at least 1 m ${what}.` })
    .max(100, { error: `A room is at most 100 m ${what}.` });
const place = z.number({ error }).min(0, { error }).max(100, { error });
const floorSchema = z.strictObject(
  {
    widthM: metres("wide"),
    depthM: metres("deep"),
    marks: z
      .array(
        z.strictObject(
          {
            kind: z.enum(floorKinds, { error }),
            label: z.string({ error }).trim().max(40, { error: "A name has at most 40 letters. Shorten it." }),
            x: place,
            y: place,
          },
          { error },
        ),
        { error },
      )
      .max(120, { error: "At most 120 things." }),
  },
  { error },
);

/** Also after a refusal: whoever was too late keeps theirs again on top of what is there now. */
export const shouldRevalidate = () => true;

export async function action({ request, params }: Route.ActionArgs) {
  const kitchen = await kitchenOr404(params.kitchenId);
  const form = await formOf(request);
  const text = form.get("floor");
  const version = Number(form.get("version"));
  let typed: unknown;
  try {
    typed = parseJson(typeof text === "string" ? text : "");
  } catch {
    typed = undefined;
  }
  const floor = floorSchema.safeParse(typed);
  if (!floor.success)
    return data({ problems: [...new Set(floor.error.issues.map((issue) => issue.message))] }, { status: 400 });
  const isKept =
    Number.isSafeInteger(version) &&
    (await database()
      .transaction()
      .execute((trx) => changeFloor(trx, kitchen.id, version, floor.data)));
  if (!isKept)
    return data(
      {
        problems: [
          "Somebody else changed this kitchen or its sketch meanwhile. Yours is still below: save it again to replace theirs, or load the page to see it.",
        ],
      },
      { status: 409 },
    );
  return redirect(`/kitchens/${kitchen.id}/floor?kept`);
}

/** A sketch of the room: where stations, heat, water, ways out and the table set apart are. */
export default function Floor({ loaderData, actionData }: Route.ComponentProps) {
  const { kitchen } = loaderData;
  return (
    <>
      <title>{`Sketch of ${kitchen.name} · Apron Bell`}</title>
      <SheetHead>
        <Heading as="h1" size="2xl">
          Sketch of {kitchen.name}
        </Heading>
        <SheetTools>
          <TextLink to={`/kitchens/${kitchen.id}`}>The kitchen</TextLink>
          <PrintButton>Print the sketch</PrintButton>
        </SheetTools>
      </SheetHead>
      <FormError title="Not saved" problems={actionData?.problems ?? []} />
      <Form method="post">
        <Hidden name="version" value={kitchen.version} />
        <WhenReady>
          <FloorSketch floor={kitchen.floor} />
        </WhenReady>
        <HStack _print={{ display: "none" }} mt="3.5" gap="3" wrap="wrap">
          <Primary>Save the sketch</Primary>
        </HStack>
      </Form>
    </>
  );
}
