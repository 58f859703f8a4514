import type { Route } from "./+types/label-photo";
import { classOr404, notFound } from "~/services/classes.server";
import { photoOf } from "~/services/photos.server";

export async function loader({ params }: Route.LoaderArgs) {
  await classOr404(params.classId);
  const photo = await photoOf(params.classId, params.ingredientId);
  if (!photo) throw notFound("picture");
  return new Response(new Uint8Array(photo.bytes), {
    headers: { "Content-Type": photo.kind, "Cache-Control": "private, no-store" },
  });
}
