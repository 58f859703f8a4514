import { inMinutes } from "~/core/quantity";
import type { Selectable } from "kysely";
import { type Pin, type PinnableBell, pinnableBells } from "~/core/schedule";
import type { ClassTable } from "../schema";

/** The bells that a class has pinned. */
export const pinsIn = (row: Pick<Selectable<ClassTable>, "mix_pinned" | "pour_pinned" | "eat_pinned">): Pin[] =>
  pinnableBells.flatMap((bell) => {
    const at = row[`${bell}_pinned`];
    return at === null ? [] : [{ bell, at: inMinutes(at) }];
  });

/** The columns of pinned bells: those that are not named are let go. */
export const pinColumns = (pins: readonly Pin[]) => {
  const at = (bell: PinnableBell) => pins.find((pin) => pin.bell === bell)?.at ?? null;
  return { mix_pinned: at("mix"), pour_pinned: at("pour"), eat_pinned: at("eat") };
};
