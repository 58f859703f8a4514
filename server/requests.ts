import crypto from "node:crypto";
import type { RequestHandler } from "express";
import { type RouteObject, type ServerBuild, matchRoutes } from "react-router";
import { log } from "~/watch/log.server";
import { metrics } from "~/watch/metrics.server";

/** Every request as one line and one figure: by the route it went to, never by what its address holds. */

type Routes = ServerBuild["routes"];

/** The table of routes as a tree, which is what is matched against. */
function treeOf(routes: Routes, parentId?: string): RouteObject[] {
  return Object.values(routes).flatMap((route): RouteObject[] =>
    !route || route.parentId !== parentId
      ? []
      : route.index
        ? [{ id: route.id, index: true }]
        : [
            {
              id: route.id,
              children: treeOf(routes, route.id),
              ...(route.path === undefined ? {} : { path: route.path }),
            },
          ],
  );
}

let tree: RouteObject[] | undefined;

/** The pattern of the route that an address goes to, such as /classes/:classId/gear, and the ids of rows in it. */
export function routeOf(build: Pick<ServerBuild, "routes">, address: string) {
  tree ??= treeOf(build.routes);
  const path = (address.split("?")[0] ?? "/").replace(/\/?_?\.data$/, "") || "/";
  const matches = matchRoutes(tree, path === "/_root" ? "/" : path);
  const last = matches?.at(-1);
  if (!matches || !last || last.route.path === "*") return { route: "none", classId: undefined };
  const pattern = matches
    .flatMap((match) => match.route.path ?? [])
    .join("/")
    .replace(/\/+/g, "/");
  return { route: `/${pattern.replace(/^\//, "")}`, classId: last.params.classId };
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
