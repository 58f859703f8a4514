import { redirect } from "react-router";
import type { Route } from "./+types/sign-out";
import { database } from "~/db/client.server";
import { closeAllSessions } from "~/services/accounts.server";
import { accountOf, signOutAndGo } from "~/services/session.server";
import { formOf } from "../form";

export const loader = () => redirect("/");

/** Signs out here, or on every device when asked. */
export async function action({ request, context }: Route.ActionArgs) {
  const isEverywhere = (await formOf(request)).get("everywhere") === "yes";
  if (isEverywhere) await closeAllSessions(database(), accountOf(context).id);
  return signOutAndGo(request, "/sign-in");
}
