import type { Kysely } from "kysely";
import { type LateChange, foldTicks, lateChanges, packingOfClass } from "~/core/pack";
import { type ClassInput, type PlateChange, fingerprintOf, plan, plateChanges } from "~/core/plan";
import type { DB } from "~/db/schema";
import { ticksOf } from "./ticks.server";

/** What a change does to people's plates, dishes and tables, and to kits that are packed already. */
export interface WhatChanges {
  readonly plates: readonly PlateChange[];
  readonly kits: readonly LateChange[];
}

/** A change that somebody has to say yes to, knowing whom it touches: the form as it was sent, to be sent again with that word. */
export interface Asked {
  readonly changes: WhatChanges;
  readonly fields: readonly (readonly [name: string, value: string])[];
}

/** Form field with the fingerprint of the changes that the sender has confirmed. */
export const knowsField = "knows";

/** What becomes of a class that is changed; nothing is written. */
export async function whatChanges(db: Kysely<DB>, before: ClassInput, after: ClassInput): Promise<WhatChanges> {
  const [then, now] = [plan(before), plan(after)];
  const plates = plateChanges({ input: before, plan: then }, { input: after, plan: now });
  const ticks = foldTicks(await ticksOf(db, before.id)).packing;
  const kits =
    ticks.size === 0
      ? []
      : lateChanges(ticks, packingOfClass(before, then).containers, packingOfClass(after, now).containers);
  return { plates, kits };
}

/** The same without what people declared, for pages that show no health data: names, dishes and tables stay. */
export const withoutReasons = ({ plates, kits }: WhatChanges): WhatChanges => ({
  plates: plates.map((one) => ({ ...one, before: null, after: null, worse: [] })),
  kits,
});

/**
 * What a change does, and whether it is to be asked about first: it is where it makes anybody's plate worse and the form does not say
 * that whoever sent it knows.
 * @param own people the form itself is about: what they declare is no surprise to whoever types it.
 * @param isShownBefore true where the page itself says beforehand whom a change touches; else any other person, dish, table or packed
 * kit that it touches is asked about, as nobody was told yet.
 */
export async function weighed(
  db: Kysely<DB>,
  form: FormData,
  before: ClassInput,
  after: ClassInput,
  {
    own = [],
    hasHealth = true,
    isShownBefore = true,
  }: { readonly own?: readonly string[]; readonly hasHealth?: boolean; readonly isShownBefore?: boolean } = {},
): Promise<{ readonly changes: WhatChanges; readonly asked: Asked | undefined }> {
  const found = await whatChanges(db, before, after);
  const told = {
    plates: found.plates.filter((one) => !own.includes(one.participantId) || one.dish !== null || one.table !== null),
    kits: found.kits,
  };
  const worse = told.plates.filter((one) => one.isWorse && !own.includes(one.participantId));
  const changes = hasHealth ? told : withoutReasons(told);
  const kits = isShownBefore ? [] : told.kits;
  const touched = isShownBefore ? worse : told.plates;
  const mark = fingerprintOf([
    touched.map((one) => [one.participantId, one.after, one.dish, one.table, one.worse.map((each) => each.about)]),
    kits,
  ]);
  if (touched.length + kits.length === 0 || form.get(knowsField) === mark) return { changes, asked: undefined };
  const sent = [...form].flatMap(([name, value]) =>
    typeof value === "string" && name !== knowsField ? [[name, value] as const] : [],
  );
  return { changes, asked: { changes, fields: [...sent, [knowsField, mark]] } };
}
