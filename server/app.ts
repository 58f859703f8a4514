import crypto from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type ErrorRequestHandler, type RequestHandler } from "express";
import { sql } from "kysely";
import { RouterContextProvider } from "react-router";
import { countedBody, readableAddress } from "./doors";
import { nonceContext, addressContext } from "~/services/request.server";
import { database } from "~/db/client.server";
import { endStreams } from "~/services/live-hub.server";
import { sweepAttempts } from "~/services/limits.server";
import { removeExpired } from "~/services/privacy.server";

const isProduction = process.env.NODE_ENV === "production";
/** One nonce a page; styles by attribute stay allowed, as the interface sets widths along the bell line that way. */
const securityHeaders: RequestHandler = (_request, response, next) => {
  const nonce = isProduction ? crypto.randomBytes(16).toString("base64") : "";
  response.locals.nonce = nonce;
  response.set({
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "X-Frame-Options": "DENY",
    "Permissions-Policy": "camera=(), microphone=(), geolocation=()",
  });
  if (isProduction) {
    response.set(
      "Content-Security-Policy",
      [
        "default-src 'self'",
        `script-src 'self' 'nonce-${nonce}'`,
        `style-src 'self' 'nonce-${nonce}'`,
        "style-src-attr 'unsafe-inline'",
        "img-src 'self' data: blob:",
        "worker-src 'self'",
        "connect-src 'self'",
        "font-src 'self'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
        "object-src 'none'",
      ].join("; "),
    );
  }
  next();
};

const unsafe = new Set(["POST", "PUT", "PATCH", "DELETE"]);

/** Every change must come from a page of ours. A request that says nothing of where it comes from is refused too. */
const sameOriginOnly: RequestHandler = (request, response, next) => {
  if (!unsafe.has(request.method)) return next();
  const own = `${request.protocol}://${request.get("host")}`;
  if (request.get("sec-fetch-site") === "same-origin" || request.get("origin") === own) return next();
  response
    .status(403)
    .type("text/plain")
    .send(
      "This request did not come from a page of this program, so nothing was changed. Open the page here and try again.",
    );
};

const lastResort: ErrorRequestHandler = (error, _request, response, _next) => {
  console.error(error);
  if (!response.headersSent)
    response
      .status(500)
      .type("text/plain")
      .send("Something went wrong on our side. What you saved before is kept. Load the page again.");
};

export const app = express();
app.disable("x-powered-by");
app.set("trust proxy", "loopback");
app.get("/healthz", (_request, response) => void response.type("text/plain").send("ok"));
/** Ready to serve: the database answers. A proxy that asks here sends nobody to a program that could only say sorry. */
app.get("/readyz", (_request, response) => {
  response.set("Cache-Control", "no-store").type("text/plain");
  sql`select 1`.execute(database()).then(
    () => response.send("ready"),
    () => response.status(503).send("the database does not answer"),
  );
});
app.use(readableAddress, securityHeaders, sameOriginOnly, countedBody);
app.use(
  createRequestHandler({
    build: () => import("virtual:react-router/server-build"),
    getLoadContext(request, response) {
      const context = new RouterContextProvider();
      context.set(nonceContext, String(response.locals.nonce ?? ""));
      context.set(addressContext, request.ip ?? "");
      return context;
    },
  }),
);
app.use(lastResort);

// Health data goes on its day, whether or not anybody opens the program on it.
const sweepEvery = 3_600_000;
const sweep = () => {
  void sweepAttempts().catch((error: unknown) => console.error("attempts were not swept:", error));
  void removeExpired(database()).catch((error: unknown) => console.error("health data was not removed:", error));
};
const sweeping = setInterval(sweep, sweepEvery);
sweeping.unref();
sweep();

/** Ends what would keep the server from closing. */
export const beforeClose = () => {
  clearInterval(sweeping);
  endStreams();
};
