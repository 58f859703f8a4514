import { type Kysely, sql } from "kysely";
import { substances as earlier } from "./frozen-words";

/**
 * Needs for any food by its name, notes that somebody has read, words signed to name nothing; labels with their market, what was looked
 * for, foods they name and a gluten-free claim; what was decided of each person before the allergy table was signed; corrected souring
 * figures; and an index under every reference that had none.
 */
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const substances = [...earlier, "pine-nut", "pork", "beef", "lard", "rennet", "carmine", "shellac", "beeswax"];
const withSubstances = ["ingredient_substance", "label_substance", "shared_food_substance", "participant_need"];
const named = (table: string, words: readonly string[]) =>
  `alter table ${table} drop constraint ${table}_substance_check, add constraint ${table}_substance_check check (substance in (${list(words)}))`;
const labelColumns = `add column market text check (market in ('us', 'eu', 'anz')), add column looked_for text[] not null default '{}' check (cardinality(looked_for) <= 40),
     add column foods text[] not null default '{}' check (cardinality(foods) <= 40), add column is_gluten_free boolean not null default false`;
const openings = [
  "contains",
  "reached",
  "may-contain",
  "unknown",
  "not-answered",
  "words-not-read",
  "second-answer",
  "coeliac-as-cereal",
];
const decisions = ["sits-out", "own-food", "other-plate", "asked-agreed", "will-ask"];

/** Teaspoons of soda a US cup neutralises: what was reckoned before, and what general baking tables give. */
const souring: readonly (readonly [id: string, before: number, after: number])[] = [
  ["buttermilk", 0.5, 0.45],
  ["soured-cream", 0.5, 0.35],
  ["lemon-juice", 8, 3.2],
  ["vinegar", 8, 3.2],
  ["cream-of-tartar", 24, 14.4],
  ["brown-sugar", 0, 0.1],
  ["honey", 0, 0.25],
  ["cocoa", 0, 0.2],
  ["lemon", 0, 1.4],
];

/** References without an index: deleting or looking up what they name went through the whole table. */
const indexed: readonly (readonly [table: string, columns: string])[] = [
  ["allergy_decision", "decided_by"],
  ["allergy_decision", "participant_id"],
  ["audit_entry", "account_id"],
  ["audit_entry", "class_id"],
  ["class", "kitchen_id"],
  ["class", "updated_by"],
  ["class_dish", "recipe_id, revision"],
  ["class_log", "kept_by"],
  ["class_pack", "ingredient_id"],
  ["class_seat", "class_id, station"],
  ["ingredient", "updated_by"],
  ["intake_answer", "participant_id"],
  ["intake_link", "created_by"],
  ["intake_link", "participant_id"],
  ["label_print", "printed_by"],
  ["label_reading", "ingredient_id"],
  ["live_event", "account_id"],
  ["live_run", "started_by"],
  ["participant", "updated_by"],
  ["plan_change", "made_by"],
  ["recipe_revision", "created_by"],
  ["recipe_standing", "marked_by"],
  ["revision_ingredient", "ingredient_id"],
  ["shop_stock", "ingredient_id"],
  ["stage_stamp", "stamped_by"],
  ["tick_event", "account_id"],
];

const changes: readonly string[] = [
  ...withSubstances.map((table) => named(table, substances)),
  `alter table participant_need add column food text check (length(food) between 1 and 60), add column note_read_by text check (length(note_read_by) between 1 and 120),
     drop constraint participant_need_check,
     add constraint participant_need_check check (
       (kind = 'substance' and num_nonnulls(substance, severity) = 2 and num_nonnulls(diet, food) = 0) or
       (kind = 'food' and num_nonnulls(food, severity) = 2 and num_nonnulls(diet, substance) = 0) or
       (kind = 'diet' and diet is not null and num_nonnulls(substance, severity, food) = 0))`,
  `alter table participant add column words_is_nothing boolean not null default false`,
  `alter table label_reading ${labelColumns}`,
  `alter table shared_food ${labelColumns}`,
  `create table allergy_decision (class_id uuid not null references class on delete cascade, participant_id uuid not null references participant on delete cascade,
     opening text not null check (opening in (${list(openings)})), decision text not null check (decision in (${list(decisions)})),
     decided_by uuid references account on delete set null, decided_at timestamptz not null default now(), primary key (class_id, participant_id, opening))`,
  ...indexed.map(([table, columns]) => `create index on ${table} (${columns})`),
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of changes) await sql.raw(statement).execute(db);
  for (const [id, before, after] of souring)
    await sql`update ingredient set neutralises_tsp = ${after} where id = ${id} and neutralises_tsp = ${before}`.execute(
      db,
    );
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const [id, before, after] of souring)
    await sql`update ingredient set neutralises_tsp = ${before} where id = ${id} and neutralises_tsp = ${after}`.execute(
      db,
    );
  const later = list(substances.filter((one) => !earlier.includes(one)));
  for (const [table, columns] of indexed.filter(([one]) => one !== "allergy_decision"))
    await sql.raw(`drop index ${table}_${columns.replaceAll(", ", "_")}_idx`).execute(db);
  for (const statement of [
    "drop table allergy_decision",
    // Whoever declared what cannot be said any more has not answered: nothing is taken for none.
    `update participant set has_answered = false where id in (select participant_id from participant_need where kind = 'food' or substance in (${later}))`,
    `delete from participant_need where kind = 'food' or substance in (${later})`,
    ...withSubstances
      .filter((table) => table !== "participant_need")
      .map((table) => `delete from ${table} where substance in (${later})`),
    `alter table participant_need drop constraint participant_need_check, drop column food, drop column note_read_by,
       add constraint participant_need_check check ((kind = 'substance' and substance is not null and severity is not null and diet is null) or (kind = 'diet' and diet is not null and substance is null and severity is null))`,
    ...withSubstances.map((table) => named(table, earlier)),
    "alter table participant drop column words_is_nothing",
    ...["label_reading", "shared_food"].map(
      (table) =>
        `alter table ${table} drop column market, drop column looked_for, drop column foods, drop column is_gluten_free`,
    ),
  ])
    await sql.raw(statement).execute(db);
}
