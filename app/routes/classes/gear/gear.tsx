import type { Route } from "./+types/gear";
import { GearView } from "./GearView";
import { database } from "~/db/client.server";
import { gearElsewhere } from "~/db/queries/kitchens.server";
import { classOnce } from "~/services/classes.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  return { others: await gearElsewhere(database(), input.kitchen.id) };
}

const Gear = ({ loaderData }: Route.ComponentProps) => <GearView others={loaderData.others} />;
export default Gear;
