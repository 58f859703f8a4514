import { data } from "react-router";
import type { ClassInput } from "~/core/plan";
import type { EggRule } from "~/core/scale";
import type { KitMode } from "~/core/schedule";
import { database } from "~/db/client.server";

/** Takes a way of putting kits together, for a class that is still at `version`. @throws a 409 page when somebody changed it first. */
export async function setKitChoice(
  input: ClassInput,
  version: number,
  choice:
    { readonly intent: "kit-mode"; readonly value: KitMode } | { readonly intent: "egg-rule"; readonly value: EggRule },
  accountId: string,
): Promise<void> {
  const changed = await database()
    .updateTable("class")
    .set({
      ...(choice.intent === "kit-mode" ? { kit_mode: choice.value } : { egg_rule: choice.value }),
      version: version + 1,
      updated_by: accountId,
      updated_at: new Date(),
    })
    .where("id", "=", input.id)
    .where("version", "=", version)
    .executeTakeFirst();
  if (changed.numUpdatedRows === 0n)
    throw data("Somebody changed this class a moment ago. Go back, load the page and choose again.", { status: 409 });
}
