import { type Kysely, sql } from "kysely";
import { batchRules, standings } from "./frozen-words";

/**
 * The batter book: sugar, colour and brand spread of ingredients and who changed them, standings given to revisions, tolerances and
 * easing of spice per class. The pantry is filled by a later migration, which knows all its columns.
 */
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const earlierRules = ["whole", "half", "quarter"];

const changes: readonly string[] = [
  `alter table ingredient
     add column tsp_low float8 check (tsp_low > 0), add column tsp_high float8 check (tsp_high > 0),
     add column sugar_percent float8 not null default 0 check (sugar_percent between 0 and 100),
     add column darkens boolean not null default false, add column version int not null default 1,
     add column updated_by uuid references account on delete set null,
     add constraint ingredient_spread check (num_nonnulls(tsp_low, tsp_high) in (0, 2) and (tsp_low is null or tsp_low <= tsp_high))`,
  `create table recipe_standing (id bigint generated always as identity primary key, recipe_id text not null, revision int not null, standing text not null check (standing in (${list(standings)})),
     note text not null default '' check (length(note) <= 300), marked_by uuid references account on delete set null, marked_at timestamptz not null default now(),
     foreign key (recipe_id, revision) references recipe_revision on delete cascade)`,
  `create index on recipe_standing (recipe_id, revision)`,
  `alter table class
     add column strict_tolerance_percent float8 not null default 2 check (strict_tolerance_percent between 0.5 and 20),
     add column usual_tolerance_percent float8 not null default 5 check (usual_tolerance_percent between 0.5 and 20),
     add column eases_spice boolean not null default false`,
  `alter table class drop constraint class_batch_rule_check, add constraint class_batch_rule_check check (batch_rule in (${list(batchRules)}))`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  await sql.raw("update class set batch_rule = 'quarter' where batch_rule = 'exact'").execute(db);
  await sql
    .raw(
      `alter table class drop constraint class_batch_rule_check, add constraint class_batch_rule_check check (batch_rule in (${list(earlierRules)})),
       drop column strict_tolerance_percent, drop column usual_tolerance_percent, drop column eases_spice`,
    )
    .execute(db);
  await sql.raw("drop table recipe_standing").execute(db);
  await sql
    .raw(
      "alter table ingredient drop constraint ingredient_spread, drop column tsp_low, drop column tsp_high, drop column sugar_percent, drop column darkens, drop column version, drop column updated_by",
    )
    .execute(db);
}
