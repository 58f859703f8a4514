import type PgBoss from "pg-boss";
import { log } from "~/watch/log.server";

/** The queue of jobs, once it is open in this process; kept over what development reloads. */
const held = globalThis as typeof globalThis & { apronBellJobs?: PgBoss | undefined };

export const queue = (): PgBoss | undefined => held.apronBellJobs;
export const holdQueue = (boss: PgBoss): void => {
  held.apronBellJobs = boss;
};

/** Classes saved again within so many seconds are searched once. */
const orderSlot = 5;

/** Has the loads of a class that was just saved put into a better order, as soon as a process has time; nobody waits for it. */
export function askForOrder(classId: string): void {
  queue()
    ?.sendDebounced("order", { classId }, { expireInSeconds: 120 }, orderSlot, classId)
    .catch((error: unknown) => log.warn({ err: error }, "the queue of jobs"));
}
