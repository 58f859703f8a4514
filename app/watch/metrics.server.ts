import { Counter, Gauge, Histogram, Registry } from "prom-client";

/** Figures of the running process, in the text format that monitoring reads. Each process has its own. */
const made = () => {
  const registry = new Registry();
  const registers = [registry];
  return {
    registry,
    requests: new Histogram({
      name: "apron_http_request_seconds",
      help: "Time from a request to the end of its answer",
      labelNames: ["method", "route", "status"] as const,
      buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10],
      registers,
    }),
    queries: new Histogram({
      name: "apron_query_seconds",
      help: "Time of one query",
      buckets: [0.001, 0.003, 0.01, 0.03, 0.1, 0.3, 1, 3],
      registers,
    }),
    failedQueries: new Counter({
      name: "apron_query_failures_total",
      help: "Queries that ended in an error",
      registers,
    }),
    streams: new Gauge({ name: "apron_live_streams", help: "Open live streams", registers }),
    connections: new Gauge({
      name: "apron_database_connections",
      help: "Connections of the pool",
      labelNames: ["state"] as const,
      registers,
    }),
    jobs: new Counter({
      name: "apron_jobs_total",
      help: "Background jobs that ended",
      labelNames: ["job", "outcome"] as const,
      registers,
    }),
    lastBackup: new Gauge({
      name: "apron_last_good_backup_seconds",
      help: "When the last good backup ended, in seconds since 1970; 0 for never",
      registers,
    }),
  };
};

// On globalThis, so that a reload in development does not register everything twice.
const held = globalThis as typeof globalThis & { apronBellMetrics?: ReturnType<typeof made> };
export const metrics = (held.apronBellMetrics ??= made());
