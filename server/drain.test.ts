import http from "node:http";
import type { AddressInfo } from "node:net";
import path from "node:path";
import compression from "compression";
import express, { type RequestHandler } from "express";

test("a long page that waits for its reader again and again leaves no listeners behind", async () => {
  const { oneDrain } = (await import(path.resolve("server/drain.mjs"))) as { oneDrain: RequestHandler };
  let [drains, listeners] = [0, 0];
  const counted: RequestHandler = (_request, response, next) => {
    const { on } = response;
    response.on = function (this: typeof response, name: string, listener: () => void) {
      if (name === "drain") listeners += 1;
      return on.call(this, name, listener);
    } as typeof on;
    next();
  };
  const app = express();
  app.use(compression(), counted, oneDrain);
  app.get("/", async (_request, response) => {
    response.type("text/plain");
    for (let n = 0; n < 60; n += 1) {
      // What does not pack, so that every piece fills the stream.
      const piece = Array.from({ length: 40_000 }, (_, at) =>
        String.fromCharCode(32 + ((at * 7919 + n * 104_729) % 90)),
      );
      if (!response.write(piece.join(""))) {
        await new Promise<void>((resolve) => response.once("drain", resolve));
        drains += 1;
      }
    }
    response.end("the end");
  });
  const server = http.createServer(app).listen(0, "127.0.0.1");
  try {
    await new Promise((resolve) => server.once("listening", resolve));
    const { port } = server.address() as AddressInfo;
    const answer = await fetch(`http://127.0.0.1:${port}/`, { headers: { "Accept-Encoding": "gzip" } });
    expect(answer.headers.get("content-encoding")).toBe("gzip");
    const text = await answer.text();
    expect(text).toHaveLength(60 * 40_000 + "the end".length);
    expect(drains).toBeGreaterThan(10);
    expect(listeners).toBe(1);
  } finally {
    server.close();
  }
});
