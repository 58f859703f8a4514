import { Form, data, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/floor";
import { formOf } from "../form";
import { floorKinds } from "~/core/gear";
import { database } from "~/db/client.server";
import { kitchens, saveFloor } from "~/db/queries/kitchens.server";
import { notFound } from "~/services/classes.server";
import { FloorSketch } from "~/ui/kitchen/FloorSketch";
import { FormError, Primary, TextLink } from "~/ui/sheet/controls";
import { WhenReady } from "~/ui/sheet/WhenReady";
import { PrintButton } from "~/ui/sheet/PrintButton";

async function kitchenOr404(kitchenId: string) {
  const [found] = z.uuid().safeParse(kitchenId).success ? await kitchens(database(), kitchenId) : [];
  if (!found) throw notFound("kitchen");
  return found;
}

export const loader = async ({ params }: Route.LoaderArgs) => ({ kitchen: await kitchenOr404(params.kitchenId) });

const metre = z.number().min(0).max(100);
const floorSchema = z.strictObject({
  widthM: z.number().min(1, { error: "A room is at least 1 m wide." }).max(100, { error: "At most 100 m." }),
  depthM: z.number().min(1, { error: "A room is at least 1 m deep." }).max(100, { error: "At most 100 m." }),
  marks: z
    .array(z.strictObject({ kind: z.enum(floorKinds), label: z.string().trim().max(40), x: metre, y: metre }))
    .max(120, { error: "At most 120 things." }),
});

export async function action({ request, params }: Route.ActionArgs) {
  const kitchen = await kitchenOr404(params.kitchenId);
  const text = (await formOf(request)).get("floor");
  let typed: unknown;
  try {
    typed = JSON.parse(typeof text === "string" ? text : "");
  } catch {
    typed = undefined;
  }
  const floor = floorSchema.safeParse(typed);
  if (!floor.success)
    return data(
      {
        problems: floor.error.issues.map((issue) =>
          issue.code === "custom" || issue.message.startsWith("A")
            ? issue.message
            : "The sketch was not understood. Load the page and draw again.",
        ),
      },
      { status: 400 },
    );
  await database()
    .transaction()
    .execute((trx) => saveFloor(trx, kitchen.id, floor.data));
  return redirect(`/kitchens/${kitchen.id}/floor?kept`);
}

/** A sketch of the room: where stations, heat, water, ways out and the table set apart are. */
export default function Floor({ loaderData, actionData }: Route.ComponentProps) {
  const { kitchen } = loaderData;
  return (
    <>
      <title>{`Sketch of ${kitchen.name} · Apron Bell`}</title>
      <div className="sheet-head">
        <h1>Sketch of {kitchen.name}</h1>
        <div className="tools">
          <TextLink to={`/kitchens/${kitchen.id}`}>The kitchen</TextLink>
          <PrintButton>Print the sketch</PrintButton>
        </div>
      </div>
      <FormError title="Not kept" problems={actionData?.problems ?? []} />
      <Form method="post">
        <WhenReady>
          <FloorSketch floor={kitchen.floor} />
        </WhenReady>
        <div className="actions no-print" style={{ marginTop: 14 }}>
          <Primary>Keep the sketch</Primary>
        </div>
      </Form>
    </>
  );
}
