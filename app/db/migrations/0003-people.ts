import { type Kysely, sql } from "kysely";
import { ageBands, diets, substances } from "./frozen-words";

/**
 * People and allergies: who looks after whom, free words, where the medicine is, seats and stations kept apart, products as bought,
 * food brought along, intake links and answers, the outbox, retention, and plan changes that can be undone.
 */
const list = (words: readonly string[]) => words.map((word) => `'${word}'`).join(", ");
const earlierAges = ["under-6", "6-11", "12-17", "adult"];
const earlierDiets = ["vegetarian", "vegan"];
const id = "id uuid primary key default gen_random_uuid()";
const words = (column: string, most: number) =>
  `${column} text not null default '' check (length(${column}) <= ${most})`;
const isDate = (column: string) => `check (${column} ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}$')`;

const changes: readonly string[] = [
  `alter table participant
     drop constraint participant_age_band_check, add constraint participant_age_band_check check (age_band in (${list(ageBands)})),
     add column grown_up_id uuid references participant on delete set null, add column ${words("note", 500)},
     add column ${words("words", 2000)}, add column words_read_by text check (length(words_read_by) between 1 and 120),
     add column ${words("emergency", 500)}, add column answered_by text check (length(answered_by) between 1 and 120),
     add column answered_on text ${isDate("answered_on")}, add column email text check (email = lower(email) and length(email) between 3 and 200),
     add constraint participant_not_own_grown_up check (grown_up_id <> id)`,
  `create index on participant (grown_up_id)`,
  `create index on participant (email)`,
  `alter table participant_need drop constraint participant_need_diet_check, add constraint participant_need_diet_check check (diet in (${list(diets)}))`,
  `alter table class add column retain_days int not null default 30 check (retain_days between 1 and 3650), add column health_removed_at timestamptz, add column washes_between boolean not null default false, add column is_remote boolean not null default false`,
  `create table class_station (class_id uuid not null references class on delete cascade, position int not null check (position between 0 and 399), is_apart boolean not null default false, primary key (class_id, position))`,
  `create table class_seat (participant_id uuid primary key references participant on delete cascade, class_id uuid not null, station int not null, position int not null,
     foreign key (class_id, station) references class_station (class_id, position) on delete cascade)`,
  `create index on class_seat (class_id)`,
  `alter table class_pack add column product text check (length(product) between 1 and 120), add column price int check (price between 0 and 100000000)`,
  `create table shared_food (${id}, class_id uuid not null references class on delete cascade, position int not null, name text not null check (length(name) between 1 and 120),
     brought_by text not null check (length(brought_by) between 1 and 120), product text check (length(product) between 1 and 120), read_by text check (length(read_by) between 1 and 120), read_on text ${isDate("read_on")},
     check (num_nonnulls(product, read_by, read_on) in (0, 3)))`,
  `create index on shared_food (class_id)`,
  `create table shared_food_substance (food_id uuid not null references shared_food on delete cascade, substance text not null check (substance in (${list(substances)})), level text not null check (level in ('contains', 'may-contain')), primary key (food_id, substance))`,
  `create table label_photo (class_id uuid not null, ingredient_id text not null, kind text not null check (kind in ('image/jpeg', 'image/png')), bytes bytea not null check (octet_length(bytes) <= 3000000), taken_at timestamptz not null default now(),
     primary key (class_id, ingredient_id), foreign key (class_id) references class on delete cascade)`,
  `create table intake_link (token_hash text primary key check (length(token_hash) = 64), class_id uuid not null references class on delete cascade, participant_id uuid references participant on delete cascade,
     created_by uuid references account on delete set null, created_at timestamptz not null default now(), expires_at timestamptz not null, revoked_at timestamptz)`,
  `create index on intake_link (class_id)`,
  `create table intake_answer (${id}, class_id uuid not null references class on delete cascade, participant_id uuid not null references participant on delete cascade, body jsonb not null check (jsonb_typeof(body) = 'object'), received_at timestamptz not null default now())`,
  `create index on intake_answer (class_id)`,
  `create table outbox_mail (${id}, class_id uuid references class on delete cascade, to_address text not null check (length(to_address) between 3 and 200), subject text not null check (length(subject) between 1 and 200), body text not null check (length(body) <= 8000), written_at timestamptz not null default now())`,
  `create index on outbox_mail (class_id)`,
  `create table plan_change (${id}, class_id uuid not null references class on delete cascade, what text not null check (length(what) between 1 and 300), before jsonb not null check (jsonb_typeof(before) = 'object'), made_by uuid references account on delete set null, made_at timestamptz not null default now())`,
  `create index on plan_change (class_id, made_at)`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const table of [
    "plan_change",
    "outbox_mail",
    "intake_answer",
    "intake_link",
    "label_photo",
    "shared_food_substance",
    "shared_food",
    "class_seat",
    "class_station",
  ])
    await sql.raw(`drop table ${table}`).execute(db);
  const back = [
    "alter table class_pack drop column product, drop column price",
    "alter table class drop column retain_days, drop column health_removed_at, drop column washes_between, drop column is_remote",
    // The words of before do not hold these: an infant is a small child, and a diet nobody can name is an open answer.
    "update participant set age_band = 'under-6' where age_band = 'under-1'",
    `update participant set has_answered = false where id in (select participant_id from participant_need where diet not in (${list(earlierDiets)})) or (words <> '' and words_read_by is null)`,
    `delete from participant_need where diet not in (${list(earlierDiets)})`,
    `alter table participant_need drop constraint participant_need_diet_check, add constraint participant_need_diet_check check (diet in (${list(earlierDiets)}))`,
    `alter table participant drop constraint participant_not_own_grown_up, drop constraint participant_age_band_check, add constraint participant_age_band_check check (age_band in (${list(earlierAges)})),
       drop column grown_up_id, drop column note, drop column words, drop column words_read_by, drop column emergency, drop column answered_by, drop column answered_on, drop column email`,
  ];
  for (const change of back) await sql.raw(change).execute(db);
}
