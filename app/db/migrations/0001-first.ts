import { type Kysely, sql } from "kysely";
import {
  ageBands,
  audiences,
  demoModes,
  diets,
  families,
  fillMethods,
  kitModes,
  liveEventKinds,
  participantRoles,
  regimes,
  roles,
  severities,
  stages,
  standings,
  storages,
  substances,
  surfaceKinds,
  tools,
} from "./frozen-words";

/**
 * Everything of the first slice. The lists of allowed words are copied into the checks from the core when this runs; a later word
 * needs a later migration, which is the point of a check. The pantry is filled by the migration after, which knows all its columns.
 */
/** Batch rules as they were when this was written; the next migration adds to them. */
const batchRules = ["whole", "half", "quarter"];
const oneOf = (column: string, words: readonly string[]) =>
  `check (${column} in (${words.map((word) => `'${word}'`).join(", ")}))`;
const words = (column: string, most: number) =>
  `${column} text not null check (length(${column}) between 1 and ${most})`;
const id = "id uuid primary key default gen_random_uuid()";
const stamps = "updated_at timestamptz not null default now()";

const tables: readonly string[] = [
  `create table account (${id}, email text not null unique check (email = lower(email) and length(email) between 3 and 200), ${words("name", 120)},
     role text not null ${oneOf("role", ["lead", "assistant"])}, password_hash text not null, created_at timestamptz not null default now(), ${stamps})`,
  `create table login_session (id_hash text primary key, account_id uuid not null references account on delete cascade, created_at timestamptz not null default now(), expires_at timestamptz not null)`,
  `create index on login_session (account_id)`,
  `create table setup_code (id boolean primary key default true check (id), code_hash text not null, created_at timestamptz not null default now())`,

  `create table ingredient (id text primary key check (id ~ '^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$'), ${words("name", 120)}, role text not null ${oneOf("role", roles)}, label text not null ${oneOf("label", ["whole", "packaged"])},
     grams_per_cup float8 check (grams_per_cup > 0), grams_sifted float8 check (grams_sifted > 0), grams_spooned float8 check (grams_spooned > 0), grams_dipped float8 check (grams_dipped > 0),
     grams_per_tsp float8 check (grams_per_tsp > 0), piece_grams float8 check (piece_grams > 0),
     water_percent float8 not null check (water_percent between 0 and 100), fat_percent float8 not null check (fat_percent between 0 and 100),
     true_density float8 not null check (true_density > 0), neutralises_tsp float8 not null check (neutralises_tsp >= 0),
     storage text not null ${oneOf("storage", storages)}, source text not null check (length(source) <= 300), ${stamps},
     check (num_nonnulls(grams_sifted, grams_spooned, grams_dipped) in (0, ${fillMethods.length})), check (num_nonnulls(grams_per_cup, grams_sifted) <= 1))`,
  `create table ingredient_substance (ingredient_id text not null references ingredient on delete cascade, substance text not null ${oneOf("substance", substances)}, primary key (ingredient_id, substance))`,

  `create table recipe (id text primary key check (length(id) between 1 and 64), created_at timestamptz not null default now())`,
  `create table recipe_revision (recipe_id text not null references recipe on delete cascade, revision int not null check (revision >= 1), ${words("title", 120)}, family text not null ${oneOf("family", families)},
     standing text not null ${oneOf("standing", standings)}, body jsonb not null check (jsonb_typeof(body) = 'object'), created_by uuid references account on delete set null, created_at timestamptz not null default now(), primary key (recipe_id, revision))`,
  `create table revision_ingredient (recipe_id text not null, revision int not null, ingredient_id text not null references ingredient, primary key (recipe_id, revision, ingredient_id),
     foreign key (recipe_id, revision) references recipe_revision on delete cascade)`,

  `create table kitchen (${id}, ${words("name", 120)}, sinks int not null check (sinks between 0 and 40), version int not null default 1, ${stamps})`,
  `create table surface (${id}, kitchen_id uuid not null references kitchen on delete cascade, position int not null, ${words("name", 120)}, kind text not null ${oneOf("kind", surfaceKinds)},
     places int not null check (places between 1 and 60), count int not null check (count between 0 and 60), at text not null ${oneOf("at", ["shared", "station"])},
     preheat_minutes float8 check (preheat_minutes between 0 and 120), watts int not null check (watts between 0 and 20000), unique (kitchen_id, position))`,
  `create table kitchen_gear (kitchen_id uuid not null references kitchen on delete cascade, tool text not null ${oneOf("tool", tools)}, owned int not null check (owned between 0 and 1000), primary key (kitchen_id, tool))`,

  `create table class (${id}, ${words("title", 120)}, starts_at text not null check (starts_at ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}$'), time_zone text not null check (length(time_zone) between 1 and 60), kitchen_id uuid not null references kitchen,
     people int not null check (people between 0 and 400), audience text not null ${oneOf("audience", audiences)}, minutes int not null check (minutes between 15 and 600),
     pieces_each_num int not null check (pieces_each_num > 0), pieces_each_den int not null check (pieces_each_den > 0), station_size int not null check (station_size between 1 and 40), helpers int not null check (helpers between 0 and 60),
     kit_mode text not null ${oneOf("kit_mode", kitModes)}, demo text not null ${oneOf("demo", demoModes)}, testers_per_surface int not null check (testers_per_surface between 0 and 2), batch_rule text not null ${oneOf("batch_rule", batchRules)},
     measuring_set_id text not null check (length(measuring_set_id) <= 64), regime text not null ${oneOf("regime", regimes)}, hot_places_per_adult int not null check (hot_places_per_adult between 0 and 20),
     doors_minutes int not null check (doors_minutes between 0 and 120), eat_minutes int not null check (eat_minutes between 0 and 180), clean_minutes int not null check (clean_minutes between 0 and 120),
     has_demo_batch boolean not null, has_spare_kit boolean not null, station_names text[] not null default '{}', is_demo boolean not null default false,
     version int not null default 1, updated_by uuid references account on delete set null, created_at timestamptz not null default now(), ${stamps})`,
  `create index on class (starts_at)`,
  `create table class_dish (${id}, class_id uuid not null references class on delete cascade, position int not null, recipe_id text not null, revision int not null, variant_id text check (length(variant_id) <= 64), stations int check (stations between 0 and 400),
     unique (class_id, position), foreign key (recipe_id, revision) references recipe_revision)`,
  `create table participant (${id}, class_id uuid not null references class on delete cascade, position int not null, ${words("name", 120)}, role text not null ${oneOf("role", participantRoles)}, age_band text not null ${oneOf("age_band", ageBands)},
     has_answered boolean not null default false, version int not null default 1, updated_by uuid references account on delete set null, ${stamps}, unique (class_id, position) deferrable initially deferred)`,
  `create table participant_need (${id}, participant_id uuid not null references participant on delete cascade, position int not null, kind text not null, substance text ${oneOf("substance", substances)}, severity text ${oneOf("severity", severities)},
     touch_or_air boolean not null default false, diet text ${oneOf("diet", diets)}, note text not null default '' check (length(note) <= 2000),
     check ((kind = 'substance' and substance is not null and severity is not null and diet is null) or (kind = 'diet' and diet is not null and substance is null and severity is null)))`,
  `create index on participant_need (participant_id)`,
  `create table label_reading (class_id uuid not null references class on delete cascade, ingredient_id text not null references ingredient, ${words("product", 120)}, ${words("read_by", 120)}, read_on text not null check (read_on ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$'),
     version int not null default 1, ${stamps}, primary key (class_id, ingredient_id))`,
  `create table label_substance (class_id uuid not null, ingredient_id text not null, substance text not null ${oneOf("substance", substances)}, level text not null ${oneOf("level", ["contains", "may-contain"])},
     primary key (class_id, ingredient_id, substance), foreign key (class_id, ingredient_id) references label_reading on delete cascade)`,
  `create table class_pack (class_id uuid not null references class on delete cascade, ingredient_id text not null references ingredient, unit_grams float8 not null check (unit_grams > 0), units_per_pack int not null check (units_per_pack >= 1), ${words("unit_name", 120)}, primary key (class_id, ingredient_id))`,

  `create table stage_stamp (class_id uuid not null references class on delete cascade, stage text not null ${oneOf("stage", stages)}, fingerprint text not null, inputs jsonb not null, stamped_by uuid references account on delete set null, stamped_at timestamptz not null default now(), primary key (class_id, stage))`,
  `create table live_run (class_id uuid primary key references class on delete cascade, snapshot jsonb not null, started_by uuid references account on delete set null, started_at timestamptz not null default now())`,
  `create table live_event (id uuid primary key, class_id uuid not null references class on delete cascade, seq bigint generated always as identity unique, happened_at float8 not null, account_id uuid references account on delete set null,
     kind text not null ${oneOf("kind", liveEventKinds)}, body jsonb not null check (jsonb_typeof(body) = 'object'), received_at timestamptz not null default now())`,
  `create index on live_event (class_id, seq)`,
  `create table class_log (class_id uuid primary key references class on delete cascade, pieces_made int check (pieces_made between 0 and 100000), note text not null default '' check (length(note) <= 4000), version int not null default 1, kept_by uuid references account on delete set null, ${stamps})`,
  `create table audit_entry (id bigint generated always as identity primary key, happened_at timestamptz not null default now(), account_id uuid references account on delete set null, class_id uuid references class on delete set null, action text not null check (length(action) between 1 and 80))`,

  // A live event wakes every listening server; what is sent is only the class, the event itself is read from the table.
  `create function tell_live() returns trigger language plpgsql as $$ begin perform pg_notify('live', new.class_id::text); return null; end $$`,
  `create trigger live_event_told after insert on live_event for each row execute function tell_live()`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of tables) await sql.raw(statement).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  const names = [
    "audit_entry",
    "class_log",
    "live_event",
    "live_run",
    "stage_stamp",
    "class_pack",
    "label_substance",
    "label_reading",
    "participant_need",
    "participant",
    "class_dish",
    "class",
    "kitchen_gear",
    "surface",
    "kitchen",
    "revision_ingredient",
    "recipe_revision",
    "recipe",
    "ingredient_substance",
    "ingredient",
    "setup_code",
    "login_session",
    "account",
  ];
  for (const name of names) await sql.raw(`drop table ${name}`).execute(db);
  await sql.raw("drop function tell_live()").execute(db);
}
