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

export default defineConfig(({ command }) => ({
  plugins: [reactRouter(), namedServerEntries],
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
          output: {
            codeSplitting: {
              groups: [
                { name: "react", test: /node_modules[\\/](react|react-dom|react-router|scheduler)[\\/]/ },
                { name: "core", test: /[\\/]app[\\/]core[\\/]/ },
                // But what asks before it does something, which is fetched when it first asks.
                { name: "sheet", test: /[\\/]app[\\/]ui[\\/](words|format|sheet|class)[\\/](?!ClassDialogs)/ },
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
