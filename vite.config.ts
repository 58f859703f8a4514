import { reactRouter } from "@react-router/dev/vite";
import { type Plugin, defineConfig } from "vite";

// The router's plugin names every server entry index.js; a second entry would become index2.js.
const namedServerEntries: Plugin = {
  name: "named-server-entries",
  enforce: "post",
  configResolved(config) {
    const output = config.environments.ssr?.build.rollupOptions.output;
    if (output && !Array.isArray(output)) output.entryFileNames = "[name].js";
  },
};

// Chakra's theme is one object of every recipe it has, made by calls that nobody can see to be without effect: marked so,
// what no page asks for is left out.
const slimTheme: Plugin = {
  name: "slim-theme",
  transform: {
    filter: { id: /@chakra-ui[\\/]react[\\/]dist[\\/]esm[\\/]theme[\\/]/ },
    handler: (code) => ({ code: code.replaceAll(/= (define\w+(?:\.\w+)?\()/g, "= /* @__PURE__ */ $1"), map: null }),
  },
};

/** What of the core a class does not ask for as soon as it is opened: recipes read and changed, seats, what is ticked and logged. */
const later = [
  "[^/]+/index",
  "recipe/(read-draft|draft|draft-types|draft-changes|edits|compare)",
  "quantity/(read|drawn)",
  "batter/(remedies|swaps/.*)",
  "(seating|log|teach|prep|shop)/.*",
  "turns/turns",
  "look/(stop|techniques|cues|troubles|likeness)",
  "plan/(kept-seats|plate-changes|remedies|openings|matrix|ways|ways-out|gains|wishes|order|once|heats|decided)",
  "pack/(late-changes|ticks|take-home|trays|stored|toppings|call)",
  "pantry/sanity",
  "gear/(ways|load|starters)",
  "schedule/(chain|run|watches)",
].join("|");
const firstCore = new RegExp(`/app/core/(?!(${later})\\.ts$)`);

export default defineConfig(({ command }) => ({
  plugins: [reactRouter(), namedServerEntries, slimTheme],
  resolve: { tsconfigPaths: true },
  optimizeDeps: {
    include: ["@chakra-ui/react", "@emotion/cache", "@emotion/react", "react-dom/client", "react-router/dom", "idb"],
    exclude: ["pg", "kysely"],
  },
  environments: {
    // What nearly every page needs comes in few files: dozens of small ones cost more time than they save.
    client: {
      build: {
        rolldownOptions: {
          // The core's and the words' own files do nothing when they are read: a page takes along what it uses of them.
          treeshake: {
            moduleSideEffects: [{ test: /[\\/]app[\\/](core|ui[\\/](words|format))[\\/]/, sideEffects: false }],
          },
          output: {
            codeSplitting: {
              groups: [
                { name: "react", test: /node_modules[\\/](react|react-dom|react-router|scheduler)[\\/]/ },
                { name: "core", test: (id) => firstCore.test(id.replaceAll("\\", "/")) },
                // But what asks before it does something, which is fetched when it first asks.
                {
                  name: "sheet",
                  test: /[\\/]app[\\/]ui[\\/](words|format|sheet|class)[\\/](?!ClassDialogs|WhatChanges|changes|help|kits|timeline|looks|people|emergency|letters)/,
                },
              ],
            },
          },
        },
      },
    },
    ssr: {
      // Bundled for the built server: it starts three times as fast. Emotion with them, or there are two instances of it.
      resolve: command === "build" ? { noExternal: [/^@chakra-ui\//, /^@ark-ui\//, /^@zag-js\//, /^@emotion\//] } : {},
      build: { rollupOptions: { input: { index: "./server/app.ts", admin: "./server/admin.ts" } } },
    },
  },
}));
