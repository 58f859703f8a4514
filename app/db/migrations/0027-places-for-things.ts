import { type Kysely, sql } from "kysely";

const before = ["station", "heat", "water", "exit", "extinguisher", "allergy-table", "cold"];
const after = [...before, "topping-bar", "packing"];

const allow = (kinds: readonly string[]) =>
  sql.raw(`alter table floor_mark drop constraint floor_mark_kind_check,
    add constraint floor_mark_kind_check check (kind in (${kinds.map((kind) => `'${kind}'`).join(", ")}))`);

/** A sketch of the room shows where toppings stand and where kits are packed. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await allow(after).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`delete from floor_mark where kind in ('topping-bar', 'packing')`.execute(db);
  await allow(before).execute(db);
}
