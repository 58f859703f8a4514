// Serves the built program, or the sources with reload in development. Started by scripts/start.mjs; ends on SIGTERM.
import fs from "node:fs";
import http from "node:http";
import zlib from "node:zlib";
import compression from "compression";
import express from "express";
import packed from "express-static-gzip";
import { oneDrain } from "../server/drain.mjs";

const isDev = process.argv.includes("--dev");
const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 3000);
process.env.NODE_ENV = isDev ? "development" : "production";

const outer = express();
outer.disable("x-powered-by");
let beforeClose = () => {};
let vite;
if (isDev) {
  const { createServer } = await import("vite");
  vite = await createServer({ server: { middlewareMode: true } });
  outer.use(vite.middlewares);
  outer.use(async (request, response, next) => {
    try {
      const entry = await vite.ssrLoadModule("./server/app.ts");
      beforeClose = entry.beforeClose;
      entry.app(request, response, next);
    } catch (error) {
      next(error);
    }
  });
} else {
  if (!fs.existsSync("build/server/index.js")) throw new Error("There is no build. Run npm start, which builds first.");
  const entry = await import(new URL("../build/server/index.js", import.meta.url).href);
  beforeClose = entry.beforeClose;
  // What a browser keeps for a year was packed as small as can be when it was built; a browser that cannot read that has it packed at
  // once. A page is packed anew at each request, which costs as much as all else about it: lightly packed it is a tenth larger, in a
  // third of the time.
  outer.use("/assets", compression(), oneDrain);
  outer.use(
    "/assets",
    packed("build/client/assets", {
      enableBrotli: true,
      orderPreference: ["br"],
      index: false,
      serveStatic: { immutable: true, maxAge: "1y" },
    }),
  );
  const lightly = { level: 2, brotli: { params: { [zlib.constants.BROTLI_PARAM_QUALITY]: 2 } } };
  outer.use(compression(lightly), oneDrain);
  outer.use(express.static("build/client", { index: false, maxAge: "1h" }));
  outer.use(entry.app);
}

const server = http.createServer(outer);
// Longer than a proxy or a browser keeps a quiet connection: closed from here after Node's five seconds, the next request on it is lost.
server.keepAliveTimeout = 75_000;
server.headersTimeout = 80_000;
// Whoever sends slowly does not hold a connection for ever; an honest upload of the largest file takes a few seconds.
server.requestTimeout = 60_000;
server.maxConnections = 2000;
server.on("error", (error) => {
  const sentence =
    error.code === "EADDRINUSE"
      ? `Port ${port} is in use. Choose another: PORT=${port + 1} npm start`
      : error.code === "EACCES"
        ? `Port ${port} may not be opened. Choose one above 1023: PORT=3000 npm start`
        : error.message;
  console.error(sentence);
  process.exit(1);
});
server.listen(port, host, () => process.send?.({ ready: true }));

const secondsToClose = 2;
let isClosing = false;
function close() {
  if (isClosing) return;
  isClosing = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  beforeClose();
  vite?.close();
  setTimeout(() => server.closeAllConnections(), secondsToClose * 1000).unref();
}
process.on("SIGTERM", close);
process.on("SIGINT", close);
// Without its parent nobody would stop it.
process.on("disconnect", close);
