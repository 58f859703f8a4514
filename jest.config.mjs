const base = {
  rootDir: import.meta.dirname,
  testEnvironment: "node",
  extensionsToTreatAsEsm: [".ts", ".tsx"],
  moduleNameMapper: {
    "/workers/[^/]*\\.browser$": "<rootDir>/test/setup/no-worker.mjs",
    "^fast-check$": "<rootDir>/test/setup/fast-check.mjs",
    "^~/(.*)$": "<rootDir>/app/$1",
  },
  modulePathIgnorePatterns: ["<rootDir>/build/"],
  transform: {
    "^.+\\.tsx?$": [
      "<rootDir>/test/setup/transform.mjs",
      {
        swcrc: false,
        sourceMaps: "inline",
        module: { type: "es6" },
        jsc: {
          target: "es2022",
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
};

export default {
  maxWorkers: 2,
  // Against a test that hangs, not to measure: a busy machine may take its time.
  testTimeout: 240_000,
  projects: [
    {
      ...base,
      displayName: "unit",
      testMatch: ["<rootDir>/{app,server}/**/*.test.{ts,tsx}"],
      testPathIgnorePatterns: ["\\.db\\.test\\.ts$"],
    },
    {
      ...base,
      displayName: "db",
      testMatch: ["<rootDir>/app/**/*.db.test.ts"],
      globalSetup: "<rootDir>/test/setup/start-database.mjs",
      globalTeardown: "<rootDir>/test/setup/stop-database.mjs",
    },
  ],
};
