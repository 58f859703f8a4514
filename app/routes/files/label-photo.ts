import type { Route } from "./+types/label-photo";
import { classOnce, notFound } from "~/services/classes.server";
import { photoOf } from "~/services/photos.server";

export async function loader({ params, context }: Route.LoaderArgs) {
  await classOnce(context, params.classId);
  const photo = await photoOf(params.classId, params.ingredientId);
  if (!photo) throw notFound("picture");
  return new Response(new Uint8Array(photo.bytes), {
    headers: { "Content-Type": photo.kind, "Cache-Control": "private, no-store" },
  });
}
