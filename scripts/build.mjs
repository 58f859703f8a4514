import { buildIfNewer } from "./lib/build.mjs";

process.exit(buildIfNewer() ? 0 : 1);
