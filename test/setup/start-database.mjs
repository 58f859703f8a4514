import { throwawayCluster } from "../../scripts/lib/postgres.mjs";

/** A PostgreSQL of the tests' own; workers inherit its address. */
export default async function startDatabase() {
  const cluster = await throwawayCluster("test");
  process.env.TEST_PG = cluster.url;
  process.env.LOG_LEVEL ??= "silent";
  globalThis.apronBellTestCluster = cluster;
}
