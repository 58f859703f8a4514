import { type Kysely, sql } from "kysely";

/**
 * The order of a class's loads as a search found it. A surface is kept by its place in the kitchen's list, as a kitchen's surfaces are
 * written anew whenever it is saved; what is not there any more is passed over when the class is laid.
 */
const changes: readonly string[] = [
  `create table class_order (class_id uuid primary key references class on delete cascade,
     demo_surface int check (demo_surface between 0 and 400), demo_number int check (demo_number between 1 and 60),
     demo_station int check (demo_station between 0 and 399), shows_first boolean not null, check ((demo_surface is null) = (demo_number is null)),
     check (demo_station is null or demo_surface is not null))`,
  `create table class_load (class_id uuid not null references class_order on delete cascade, position int not null check (position between 0 and 3999),
     surface int not null check (surface between 0 and 400), number int not null check (number between 1 and 60), primary key (class_id, position))`,
  `create table class_load_part (class_id uuid not null, load int not null, position int not null check (position between 0 and 59),
     station int not null check (station between 0 and 399), pieces int not null check (pieces between 0 and 400),
     primary key (class_id, load, position), foreign key (class_id, load) references class_load on delete cascade)`,
];

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const change of changes) await sql.raw(change).execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const table of ["class_load_part", "class_load", "class_order"])
    await sql.raw(`drop table ${table}`).execute(db);
}
