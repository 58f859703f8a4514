import crypto from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type ErrorRequestHandler, type RequestHandler } from "express";
import { sql } from "kysely";
import { collectDefaultMetrics } from "prom-client";
import { RouterContextProvider } from "react-router";
import { countedBody, readableAddress } from "./doors";
import { writtenDown } from "./requests";
import { nonceContext, addressContext } from "~/services/request.server";
import { database } from "~/db/client.server";
import { jobsTrouble, startJobs, stopJobs } from "~/services/jobs.server";
import { endStreams } from "~/services/live-hub.server";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";

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
  log.error({ err: error }, "a request failed");
  if (!response.headersSent)
    response
      .status(500)
      .type("text/plain")
      .send("Something went wrong on our side. What you saved before is kept. Load the page again.");
};

const loadBuild = () => import("virtual:react-router/server-build");
// Loaded once: given a function, the router works its table of routes out anew at every request, which development needs.
const served = isProduction ? await loadBuild() : loadBuild;
const serverBuild = async () => (typeof served === "function" ? served() : served);
export const app = express();
app.disable("x-powered-by");
// Once, whatever development reloads.
if (!metrics.registry.getSingleMetric("apron_process_cpu_seconds_total"))
  collectDefaultMetrics({ register: metrics.registry, prefix: "apron_" });
app.set("trust proxy", "loopback");
app.get("/healthz", (_request, response) => void response.type("text/plain").send("ok"));
/** Ready to serve: the database answers. A proxy that asks here sends nobody to a program that could only say sorry. */
app.get("/readyz", (_request, response) => {
  response.set("Cache-Control", "no-store").type("text/plain");
  sql`select 1`.execute(database()).then(
    () => response.send(["ready", jobsTrouble()].filter(Boolean).join("; but ")),
    () => response.status(503).send("the database does not answer"),
  );
});
/** Figures for monitoring: to this machine, or to whoever has the token. */
app.get("/metrics", (request, response, next) => {
  const token = process.env.METRICS_TOKEN ?? "";
  const isHere = ["127.0.0.1", "::1", "::ffff:127.0.0.1"].includes(request.ip ?? "");
  const given = request.get("authorization") ?? "";
  const hash = (text: string) => crypto.createHash("sha256").update(text).digest();
  const isTold = token !== "" && crypto.timingSafeEqual(hash(given), hash(`Bearer ${token}`));
  if (!isHere && !isTold) return void response.status(403).type("text/plain").send("Not for visitors.");
  metrics.registry.metrics().then((text) => void response.type(metrics.registry.contentType).send(text), next);
});
app.use(writtenDown(serverBuild), readableAddress, securityHeaders, sameOriginOnly, countedBody);
app.use(
  createRequestHandler({
    build: served,
    getLoadContext(request, response) {
      const context = new RouterContextProvider();
      context.set(nonceContext, String(response.locals.nonce ?? ""));
      context.set(addressContext, request.ip ?? "");
      return context;
    },
  }),
);
app.use(lastResort);

// Sweeps and nightly backups: whichever process of the program is first does each.
startJobs();

/** Ends what would keep the server from closing. */
export const beforeClose = () => {
  stopJobs();
  endStreams();
};
