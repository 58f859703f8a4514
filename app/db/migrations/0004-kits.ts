import { type Kysely, sql } from "kysely";
import { coatings, eggRules, floorKinds, lampMeanings, stages, tickLists, tools } from "./frozen-words";
import type { DB } from "../schema";
import { starterPantry } from "~/core/pantry";

/**
 * Shopping, kits and gear: how things are bought, other pack sizes, trips for several classes, the cupboard, who prepares what, what
 * was ticked, labels printed, the measured kitchen with its circuits and its sketch. And the starter pantry as it has grown.
 */
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const laterTools = ["stick", "baking-paper"];
const id = "id uuid primary key default gen_random_uuid()";
const ofClass = "class_id uuid not null references class on delete cascade";

const changes: readonly string[] = [
  `alter table ingredient add column raw_name text check (length(raw_name) between 1 and 120), add column raw_keeps float8 check (raw_keeps > 0 and raw_keeps <= 1), add column raw_piece_grams float8 check (raw_piece_grams > 0),
     add constraint ingredient_raw check (num_nonnulls(raw_name, raw_keeps) in (0, 2) and (raw_piece_grams is null or raw_name is not null))`,
  `alter table class add column egg_rule text not null default 'by-weight' check (egg_rule in (${list(eggRules)})), add column container_per text not null default 'line' check (container_per in ('line', 'bowl')),
     add column shops_with uuid references class on delete set null, add constraint class_not_with_itself check (shops_with <> id)`,
  `create index on class (shops_with)`,
  `alter table stage_stamp drop constraint stage_stamp_stage_check, add constraint stage_stamp_stage_check check (stage in (${list(stages)}))`,
  `alter table kitchen_gear drop constraint kitchen_gear_tool_check, add constraint kitchen_gear_tool_check check (tool in (${list(tools)}))`,
  `alter table surface add column diameter_cm float8 check (diameter_cm > 0 and diameter_cm <= 200), add column width_cm float8 check (width_cm > 0 and width_cm <= 300), add column depth_cm float8 check (depth_cm > 0 and depth_cm <= 300),
     add column coating text check (coating in (${list(coatings)})), add column has_hot_handle boolean, add column lamp text check (lamp in (${list(lampMeanings)})),
     add constraint surface_size check (num_nonnulls(width_cm, depth_cm) in (0, 2) and num_nonnulls(diameter_cm, width_cm) < 2)`,
  `create table circuit (${id}, kitchen_id uuid not null references kitchen on delete cascade, position int not null, name text not null check (length(name) between 1 and 120), volts int not null check (volts between 100 and 400),
     amps float8 not null check (amps > 0 and amps <= 125), sockets int not null check (sockets between 0 and 40), plug_amps float8 check (plug_amps > 0 and plug_amps <= 63), unique (kitchen_id, position))`,
  `create table kitchen_floor (kitchen_id uuid primary key references kitchen on delete cascade, width_m float8 not null check (width_m between 1 and 100), depth_m float8 not null check (depth_m between 1 and 100))`,
  `create table floor_mark (${id}, kitchen_id uuid not null references kitchen_floor on delete cascade, position int not null, kind text not null check (kind in (${list(floorKinds)})), label text not null default '' check (length(label) <= 40),
     x float8 not null check (x between 0 and 100), y float8 not null check (y between 0 and 100), unique (kitchen_id, position))`,
  `create table class_pack_size (class_id uuid not null, ingredient_id text not null, position int not null check (position between 1 and 5), unit_grams float8 not null check (unit_grams > 0), units_per_pack int not null check (units_per_pack >= 1), price int check (price between 0 and 100000000),
     primary key (class_id, ingredient_id, position), foreign key (class_id, ingredient_id) references class_pack on delete cascade)`,
  `create table shop_stock (${ofClass}, ingredient_id text not null references ingredient, grams float8 not null check (grams > 0), primary key (class_id, ingredient_id))`,
  `create table shop_extra (${id}, ${ofClass}, name text not null check (length(name) between 1 and 120), count int not null check (count between 1 and 10000), price int check (price between 0 and 100000000))`,
  `create index on shop_extra (class_id)`,
  `create table prep_owner (${ofClass}, task text not null check (length(task) between 1 and 200), owner text not null check (length(owner) between 1 and 120), primary key (class_id, task))`,
  `create table tick_event (id uuid primary key, ${ofClass}, seq bigint generated always as identity unique, happened_at float8 not null, account_id uuid references account on delete set null, list text not null check (list in (${list(tickLists)})),
     key text not null check (length(key) between 1 and 200), is_on boolean not null, body jsonb not null check (jsonb_typeof(body) = 'object'), received_at timestamptz not null default now())`,
  `create index on tick_event (class_id, seq)`,
  `create trigger tick_event_told after insert on tick_event for each row execute function tell_live()`,
  `create table label_printer (is_only boolean primary key default true check (is_only), labels_left int not null check (labels_left between 0 and 10000), is_jammed boolean not null)`,
  `create table label_print (${id}, ${ofClass}, container text not null check (length(container) between 1 and 200), stamp text not null, printed_by uuid references account on delete set null, printed_at timestamptz not null default now())`,
  `create index on label_print (class_id, container)`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
  const typed = db as Kysely<DB>;
  const there = new Set((await typed.selectFrom("ingredient").select("id").execute()).map((row) => row.id));
  // Ingredients from before get the figures that had no column yet; nobody can have changed them.
  const known = starterPantry.filter((one) => there.has(one.id) && (one.sugarPercent > 0 || one.darkens || one.raw));
  if (known.length > 0)
    await sql`update ingredient set sugar_percent = given.sugar, darkens = given.darkens, raw_name = given.raw, raw_keeps = given.keeps, raw_piece_grams = given.piece from (values ${sql.join(
      known.map(
        (one) =>
          sql`(${one.id}, ${one.sugarPercent}::float8, ${one.darkens}::boolean, ${one.raw?.name ?? null}::text, ${one.raw?.keeps ?? null}::float8, ${one.raw?.pieceGrams ?? null}::float8)`,
      ),
    )}) as given (id, sugar, darkens, raw, keeps, piece) where ingredient.id = given.id`.execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const table of [
    "label_print",
    "label_printer",
    "tick_event",
    "prep_owner",
    "shop_extra",
    "shop_stock",
    "class_pack_size",
    "floor_mark",
    "kitchen_floor",
    "circuit",
  ])
    await sql.raw(`drop table ${table}`).execute(db);
  const back = [
    "alter table surface drop constraint surface_size, drop column diameter_cm, drop column width_cm, drop column depth_cm, drop column coating, drop column has_hot_handle, drop column lamp",
    `delete from kitchen_gear where tool in (${list(laterTools)})`,
    `alter table kitchen_gear drop constraint kitchen_gear_tool_check, add constraint kitchen_gear_tool_check check (tool in (${list(tools.filter((tool) => !laterTools.includes(tool)))}))`,
    "delete from stage_stamp where stage = 'kits'",
    `alter table stage_stamp drop constraint stage_stamp_stage_check, add constraint stage_stamp_stage_check check (stage in (${list(stages.filter((stage) => stage !== "kits"))}))`,
    "alter table class drop constraint class_not_with_itself, drop column egg_rule, drop column container_per, drop column shops_with",
    "alter table ingredient drop constraint ingredient_raw, drop column raw_name, drop column raw_keeps, drop column raw_piece_grams",
  ];
  for (const change of back) await sql.raw(change).execute(db);
}
