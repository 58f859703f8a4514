import { type Kysely, sql } from "kysely";

/**
 * What somebody of the class said that a person's word for a food covers, and who said so; whether seats were written down from the
 * register or arranged by a hand; where whoever was taken off a register sat; and how a class eats.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table participant_need
    add column covers text[] check (cardinality(covers) <= 20),
    add column covers_by text check (length(covers_by) between 1 and 120),
    add constraint participant_need_says_covers check (
      (covers is null and covers_by is null) or (covers is not null and covers_by is not null and kind = 'food')
    )`.execute(db);
  await sql`alter table class add column seats_from_register boolean not null default false,
    add column meal_mode text check (meal_mode in ('together', 'as-it-comes'))`.execute(db);
  await sql`alter table removed_person
    add column seat_station int check (seat_station between 0 and 399),
    add column seat_position int check (seat_position between 0 and 399)`.execute(db);
}

/** Without it the words are open again: nothing becomes clear by going back. */
export async function down(db: Kysely<unknown>): Promise<void> {
  await sql`alter table participant_need drop constraint participant_need_says_covers, drop column covers, drop column covers_by`.execute(
    db,
  );
  await sql`alter table class drop column seats_from_register, drop column meal_mode`.execute(db);
  await sql`alter table removed_person drop column seat_station, drop column seat_position`.execute(db);
}
