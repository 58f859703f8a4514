import pino from "pino";

/**
 * What the program says of its own running: one line of JSON each, on the standard output, for whatever collects lines there. Never
 * what somebody typed or declared: requests by their route and ids, queries by their text without values, errors by what they are.
 * LOG_LEVEL chooses how much (fatal, error, warn, info, debug, silent).
 */
export const log = pino({
  level: process.env.LOG_LEVEL ?? "info",
  base: { pid: process.pid },
  timestamp: pino.stdTimeFunctions.isoTime,
  formatters: { level: (label) => ({ level: label }) },
  serializers: { err: errorForLog },
});

/**
 * An error without the fields in which a database repeats the values of a row. Its message is cut: a program's own are short, and
 * what is long quotes something.
 */
export function errorForLog(error: unknown): unknown {
  if (!(error instanceof Error)) return { type: typeof error };
  const code = "code" in error && typeof error.code === "string" ? { code: error.code } : {};
  return { type: error.name, message: error.message.slice(0, 300), ...code, stack: (error.stack ?? "").slice(0, 2000) };
}
