import crypto from "node:crypto";
import type { RequestHandler } from "express";
import type { ServerBuild } from "react-router";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";

/** Every request as one line and one figure: by the route it went to, never by what its address holds. */

type Routes = ServerBuild["routes"];

interface Pattern {
  readonly route: string;
  readonly matches: RegExp;
}

/** Every address as a pattern, those with the most words of their own first, as the router itself would choose. */
function patternsOf(routes: Routes): Pattern[] {
  const pathOf = (id: string | undefined): string => {
    const route = id === undefined ? undefined : routes[id];
    return route ? `${pathOf(route.parentId)}/${route.path ?? ""}` : "";
  };
  const weight = (route: string) =>
    route.split("/").reduce((sum, part) => sum + (part === "*" ? -50 : part.startsWith(":") ? 2 : 10), 0);
  const paths = Object.keys(routes).map((id) => `/${pathOf(id).split("/").filter(Boolean).join("/")}`);
  return [...new Set(paths)]
    .filter((route) => route !== "/*")
    .sort((a, b) => weight(b) - weight(a))
    .map((route) => ({
      route,
      matches: new RegExp(
        `^${route
          .split("/")
          .map((part) =>
            part === "*" ? ".*" : part.startsWith(":") ? `(?<${part.slice(1)}>[^/]+)` : part.replace(/\W/g, "\\$&"),
          )
          .join("/")}/?$`,
      ),
    }));
}

let patterns: readonly Pattern[] | undefined;

/** The pattern of the route that an address goes to, such as /classes/:classId/gear, and the class it names. */
export function routeOf(build: Pick<ServerBuild, "routes">, address: string) {
  patterns ??= patternsOf(build.routes);
  const path = (address.split("?")[0] ?? "/").replace(/\/?_?\.data$/, "") || "/";
  const wanted = path === "/_root" ? "/" : path;
  for (const { route, matches } of patterns) {
    const found = matches.exec(wanted);
    if (found) return { route, classId: found.groups?.classId };
  }
  return { route: "none", classId: undefined };
}

/** An id that a proxy gave, where it is one; otherwise one of our own. It comes back in the answer. */
const idOf = (given: string | undefined): string =>
  given !== undefined && /^[\w-]{8,64}$/.test(given) ? given : crypto.randomUUID();

/** Writes down each request when its answer has ended, or was broken off. */
export const writtenDown =
  (build: () => Promise<ServerBuild>): RequestHandler =>
  (request, response, next) => {
    const from = performance.now();
    const id = idOf(request.get("x-request-id"));
    response.setHeader("X-Request-Id", id);
    const read = request.socket.bytesRead;
    const written = request.socket.bytesWritten;
    response.once("close", () => {
      const ms = performance.now() - from;
      build().then(
        (built) => {
          const { route, classId } = routeOf(built, request.originalUrl);
          const status = response.writableFinished ? response.statusCode : 499;
          // A stream is open for hours: its time says nothing of how fast anything is.
          if (response.getHeader("content-type") !== "text/event-stream")
            metrics.requests.observe({ method: request.method, route, status }, ms / 1000);
          log[status >= 500 ? "error" : "info"](
            {
              id,
              method: request.method,
              route,
              ...(classId === undefined ? {} : { classId: classId.slice(0, 40) }),
              status,
              ms: Math.round(ms),
              in: Math.max(Number(request.get("content-length") ?? 0) || 0, request.socket.bytesRead - read),
              out: request.socket.bytesWritten - written,
            },
            "request",
          );
        },
        () => undefined,
      );
    });
    next();
  };
