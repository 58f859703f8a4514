import { inPieces } from "~/core/quantity";
import crypto from "node:crypto";
import { type Kysely, sql } from "kysely";
import { parseDateTime, toZoned } from "@internationalized/date";
import { type ClassInput, openingsOf, plan } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import type { LiveEvent } from "~/core/teach";
import { addRevision } from "~/db/queries/recipes.server";
import { classOf } from "~/db/queries/classes.server";
import { within } from "~/db/client.server";
import type { DB } from "~/db/schema";
import { demoAccounts, demoAddresses, demoClasses, demoDrift } from "~/demo/boathouse";
import { demoDrafts, starterRecipes } from "~/demo/recipes";
import { otherFamilies, starterBook } from "~/demo/starter-book";
import { accountByEmail, addAccount } from "./accounts.server";
import { importClass } from "./class-import.server";
import { settle } from "./sign-off.server";
import { keepDecisions } from "./decisions.server";
import { appendEvents, keepLog } from "./live.server";
import { setRetention } from "./privacy.server";

const minute = 60_000;

/** Adds those recipes that are not there yet; gives how many. */
async function addRecipes(db: Kysely<DB>, recipes: readonly Recipe[], accountId: string | null): Promise<number> {
  const rows = await db
    .selectFrom("recipe")
    .select("id")
    .where(
      "id",
      "in",
      recipes.map((recipe) => recipe.id),
    )
    .execute();
  const there = new Set(rows.map((row) => row.id));
  const wanted = recipes.filter((recipe) => !there.has(recipe.id));
  await within(db, async (trx) => {
    for (const recipe of wanted) await addRevision(trx, recipe, accountId);
  });
  return wanted.length;
}

/** Adds the starter recipes that are not there yet; gives how many. */
export const addStarterRecipes = (db: Kysely<DB>, accountId: string | null): Promise<number> =>
  addRecipes(db, starterBook, accountId);

/** How a class that was taught really went: the bells as planned, each late by what the demonstration says. */
function eventsOfTaught(input: ClassInput): LiveEvent[] {
  const { timeline, stations } = plan(input);
  const doors = toZoned(parseDateTime(input.startsAt), input.timeZone).toDate().getTime();
  const at = (minutes: number) => doors + Math.round(minutes * minute);
  const event = <E extends Omit<LiveEvent, "id">>(one: E) => ({ ...one, id: crypto.randomUUID() });
  const rung = timeline.bells.map((bell) =>
    event({ kind: "bell-rung" as const, at: at(bell.at + (demoDrift[bell.kind] ?? 0)), bellId: bell.id }),
  );
  const counted = stations.map((station, index) =>
    event({
      kind: "pieces-counted" as const,
      at: at(timeline.lastLoadEnd + 11 + index / 4),
      stationId: station.id,
      pieces: inPieces(Math.max(0, station.scale.piecesMade - (index % 2))),
    }),
  );
  return [
    event({ kind: "class-started", at: at(0) }),
    ...rung,
    ...counted,
    event({
      kind: "note-added",
      at: at(timeline.firstPour + 12),
      text: "Middle iron slow to heat again: its lamp went out a good three minutes after the others.",
    }),
    event({ kind: "class-ended", at: at(timeline.end + (demoDrift.close ?? 0)) }),
  ];
}

/**
 * Loads the demonstration afresh: its accounts where missing, its classes in place of earlier ones. Nothing else is touched. Whole or
 * not at all, whenever it is broken off.
 */
export const loadDemo = (db: Kysely<DB>): Promise<void> => within(db, loadAll);

async function loadAll(db: Kysely<DB>): Promise<void> {
  const ids: string[] = [];
  for (const account of demoAccounts)
    ids.push((await accountByEmail(db, account.email))?.id ?? (await addAccount(db, account)));
  const lead = ids[0] ?? null;
  await db.deleteFrom("class").where("is_demo", "=", true).execute();
  await addRecipes(db, [...starterRecipes, ...otherFamilies, ...demoDrafts], lead);
  const { next, current, taught } = demoClasses();
  const bring = async (input: ClassInput): Promise<ClassInput> => {
    const brought = await importClass(db, input, lead, true);
    if ("missing" in brought)
      throw new Error(`the demonstration names an ingredient that is not there: ${brought.missing}`);
    const stored = await classOf(db, brought.id);
    if (!stored) throw new Error("the demonstration's class was not stored");
    return stored.input;
  };

  const half = await bring(next);
  const addresses = Object.entries(demoAddresses).map(([name, email]) => sql`(${name}, ${email})`);
  await sql`update participant set email = given.email from (values ${sql.join(addresses)}) as given (name, email)
    where class_id = ${half.id} and participant.name = given.name`.execute(db);
  for (const stage of ["recipe", "gear"] as const) await settle(db, half, half.id, stage, lead);
  // Settled while twelve were expected; two more have come since, which is what stale looks like.
  await settle(db, { ...half, brief: { ...half.brief, people: 12 } }, half.id, "brief", lead);
  const ready = await bring(current);
  for (const stage of ["recipe", "brief", "allergies", "amounts", "gear", "timeline"] as const)
    await settle(db, ready, ready.id, stage, lead);
  await decideAll(db, ready, lead);
  const past = await bring(taught);
  // Long enough that there is something to look at; the usual thirty days would be over.
  await setRetention(db, past.id, 90);
  for (const stage of ["recipe", "brief", "allergies", "amounts", "gear", "timeline", "teach", "log"] as const)
    await settle(db, past, past.id, stage, lead);
  await decideAll(db, past, lead);
  await appendEvents(db, past, eventsOfTaught(past), lead);
  await keepLog(
    db,
    past.id,
    0,
    {
      piecesMade: 10,
      note: "Two waffles stuck before the spray was warm. Next time switch the irons on at the doors and give the middle one to the instructor.",
      namesNobody: true,
    },
    lead,
  );
}

/** The decisions that the signed allergy tables of the demonstration were signed with. */
const decideAll = (db: Kysely<DB>, input: ClassInput, lead: string | null): Promise<void> =>
  keepDecisions(
    db,
    input.id,
    openingsOf(input, plan(input)).map(({ participantId, kind }) => ({
      participantId,
      kind,
      decision: kind === "contains" || kind === "reached" ? "own-food" : "asked-agreed",
    })),
    lead,
  );
