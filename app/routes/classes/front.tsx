import { redirect } from "react-router";
import type { Route } from "./+types/front";

/** A class opens at its brief. */
export const loader = ({ params }: Route.LoaderArgs) => redirect(`/classes/${params.classId}/brief`);
export default function Front() {
  return null;
}
