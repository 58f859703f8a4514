import type { Kysely } from "kysely";
import type { DB } from "~/db/schema";

/**
 * The port of a label printer: it takes labels one after the other and says after each what became of it. A driver for a real one
 * stands beside the simulated one and keeps to the same words; what it cannot know it says as "offline".
 */
export interface LabelPrinter {
  /** Prints one label. Never throws for what printers do; see {@link PrintOutcome}. */
  print(label: PrinterLabel): Promise<PrintOutcome>;
  state(): Promise<PrinterState>;
}

/** What a printer is given: lines of text, the most important first, and what its square code says. */
export interface PrinterLabel {
  readonly lines: readonly string[];
  readonly code: string;
}

/** "jammed" and "no-labels" stay until somebody mends them; the label is then not printed. */
export type PrintOutcome = "printed" | "jammed" | "no-labels" | "offline";

export interface PrinterState {
  readonly labelsLeft: number;
  readonly isJammed: boolean;
}

/** Labels on a full roll of the stand-in. */
export const rollOf = 24;

/**
 * The stand-in: a roll that runs out, and a jam that somebody can make and clear by hand. It remembers both in the database, so
 * that two tablets stand before the same printer.
 */
export class SimulatedLabelPrinter implements LabelPrinter {
  constructor(private readonly db: Kysely<DB>) {}

  async state(): Promise<PrinterState> {
    const row = await this.db.selectFrom("label_printer").selectAll().executeTakeFirst();
    return row ? { labelsLeft: row.labels_left, isJammed: row.is_jammed } : { labelsLeft: rollOf, isJammed: false };
  }

  /** A printer that nobody has touched yet stands there with a full roll. */
  private async ready(): Promise<void> {
    await this.db
      .insertInto("label_printer")
      .values({ labels_left: rollOf, is_jammed: false })
      .onConflict((conflict) => conflict.doNothing())
      .execute();
  }

  async print(_label: PrinterLabel): Promise<PrintOutcome> {
    await this.ready();
    // Taken off in one statement: two who print at once do not share the last label.
    const taken = await this.db
      .updateTable("label_printer")
      .set((eb) => ({ labels_left: eb("labels_left", "-", 1) }))
      .where("labels_left", ">", 0)
      .where("is_jammed", "=", false)
      .executeTakeFirst();
    if (taken.numUpdatedRows > 0n) return "printed";
    return (await this.state()).isJammed ? "jammed" : "no-labels";
  }

  /** Panel of the stand-in: jam it, clear it, put in a new roll. */
  async operate(what: "jam" | "clear" | "new-roll"): Promise<void> {
    await this.ready();
    await this.db
      .updateTable("label_printer")
      .set(what === "new-roll" ? { labels_left: rollOf } : { is_jammed: what === "jam" })
      .execute();
  }
}
