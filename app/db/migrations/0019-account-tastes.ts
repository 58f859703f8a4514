import { type Kysely, sql } from "kysely";

/** The degrees somebody reads, the cups a new class of theirs begins with, and the ground of their pages; null for what is usual. */
const columns = {
  scale: ["celsius", "fahrenheit"],
  cups: ["us-usual", "metric-usual", "au-usual"],
  shade: ["dark"],
} as const;

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const [column, words] of Object.entries(columns))
    await sql
      .raw(
        `alter table account add column ${column} text check (${column} in (${words.map((word) => `'${word}'`).join(", ")}))`,
      )
      .execute(db);
}

export async function down(db: Kysely<unknown>): Promise<void> {
  for (const column of Object.keys(columns)) await sql.raw(`alter table account drop column ${column}`).execute(db);
}
