import type { LateChange } from "~/core/pack";
import type { PlateChange } from "~/core/plan";
import { list } from "~/ui/format/format";
import { sayReason, verdictTitle } from "./en";
import type { Names } from "./names";
import { placeName, sayContentChange } from "./kits";

/** What a change does to one person, in one or two sentences. */
export function sayPlateChange(change: PlateChange, names: Pick<Names, "ingredient" | "locale">): string {
  const { before, after, isWorse, worse, dish, table } = change;
  const why = worse.map(({ ingredientId, reason, about }) =>
    reason && ingredientId
      ? sayReason(reason, names.ingredient(ingredientId), names.locale)
      : `${about} reaches the plate over the room`,
  );
  const moved = [
    ...(dish ? [`gets ${dish.to || "nothing that is made"}${dish.from ? ` instead of ${dish.from}` : ""}`] : []),
    ...(table
      ? [table.to ? `sits at ${table.to}${table.from ? `, before at ${table.from}` : ""}` : "has no table"]
      : []),
  ];
  const plate =
    before === null && after === null
      ? isWorse
        ? "their plate gets worse: see the allergy table"
        : ""
      : before === null && after !== null
        ? `new on the register, plate: ${verdictTitle[after].toLowerCase()}`
        : before !== null && after === null
          ? "is off the register"
          : before !== after && before !== null && after !== null
            ? `plate: ${verdictTitle[before].toLowerCase()} until now, then ${verdictTitle[after].toLowerCase()}`
            : isWorse
              ? "their plate gets worse"
              : "";
  const said = [...moved, ...(plate ? [plate] : [])];
  return `${said.join("; ")}${why.length > 0 ? ` (${list(why.slice(0, 3), names.locale)})` : ""}.`;
}

/** What a packed container wants done to it. */
export function sayLateChange(change: LateChange, names: Pick<Names, "ingredient" | "locale">): string {
  const what = list(change.ingredientIds.map(names.ingredient), names.locale);
  return change.isUnwanted
    ? `${placeName(change.place)}, ${what}: not wanted any more. Take all of it out.`
    : `${placeName(change.place)}, ${what}: ${list(
        change.changes.map((one) => sayContentChange(one, names)),
        names.locale,
      )}.`;
}
