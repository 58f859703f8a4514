import type { Kysely } from "kysely";
import { type ClassContainer, contentsOf } from "~/core/pack";
import { fingerprintOf } from "~/core/plan";
import { type LabelPrinter, type PrintOutcome, type PrinterLabel } from "~/devices/label-printer.server";
import type { DB } from "~/db/schema";

/** What a label says, as a hash: another one later means the label on the container is not right any more. */
export function labelStamp(container: ClassContainer): string {
  const before = stamps.get(container);
  if (before !== undefined) return before;
  const { dishTitle, place, marks, steps } = container;
  const stamp = fingerprintOf([dishTitle, place, contentsOf(container), marks, steps]);
  stamps.set(container, stamp);
  return stamp;
}

/** By identity: the containers of a class that nobody wrote are the same objects at the next request. */
const stamps = new WeakMap<ClassContainer, string>();

export interface PrintedLabel {
  readonly container: string;
  readonly stamp: string;
  readonly at: Date;
}

/** The latest label printed of each container. */
export async function printedLabels(db: Kysely<DB>, classId: string): Promise<PrintedLabel[]> {
  return db
    .selectFrom("label_print")
    .select(["container", "stamp", "printed_at as at"])
    .distinctOn("container")
    .where("class_id", "=", classId)
    .orderBy("container")
    .orderBy("printed_at", "desc")
    .execute();
}

/** How far a run of labels came: which were printed, and what stopped it. */
export interface PrintRun {
  readonly printed: readonly string[];
  readonly stoppedBy: Exclude<PrintOutcome, "printed"> | null;
}

/** Prints labels one after the other until one does not come out; each is written down as soon as it has. */
export async function printLabels(
  db: Kysely<DB>,
  printer: LabelPrinter,
  classId: string,
  labels: readonly { readonly container: string; readonly stamp: string; readonly label: PrinterLabel }[],
  accountId: string | null,
): Promise<PrintRun> {
  const printed: string[] = [];
  for (const { container, stamp, label } of labels) {
    const outcome = await printer.print(label);
    if (outcome !== "printed") return { printed, stoppedBy: outcome };
    await db.insertInto("label_print").values({ class_id: classId, container, stamp, printed_by: accountId }).execute();
    printed.push(container);
  }
  return { printed, stoppedBy: null };
}
