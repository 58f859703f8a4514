import { errorForLog } from "~/watch/log.server";
import { routeOf } from "./requests";

const route = (id: string, parentId: string | undefined, path?: string, index?: boolean) => ({
  id,
  parentId,
  path,
  index,
  module: {},
});
// Of a build only its routes are read.
const build = {
  routes: {
    root: route("root", undefined, ""),
    list: route("list", "root", undefined, true),
    frame: route("frame", "root"),
    class: route("class", "frame", "classes/:classId"),
    gear: route("gear", "class", "gear"),
    intake: route("intake", "root", "intake/:token"),
    nowhere: route("nowhere", "root", "*"),
  },
  // Of a whole build only its routes are looked at.
} as unknown as Parameters<typeof routeOf>[0];

test("a request is written down by its route: no token, no words, whatever its form", () => {
  expect(routeOf(build, "/classes/abc/gear?find=nuts")).toEqual({ route: "/classes/:classId/gear", classId: "abc" });
  expect(routeOf(build, "/classes/abc/gear.data?_routes=x")).toEqual({
    route: "/classes/:classId/gear",
    classId: "abc",
  });
  expect(routeOf(build, "/intake/a-secret-token")).toEqual({ route: "/intake/:token", classId: undefined });
  expect(routeOf(build, "/intake/a-secret-token.data")).toEqual({ route: "/intake/:token", classId: undefined });
  expect(routeOf(build, "/_root.data")).toEqual({ route: "/", classId: undefined });
  expect(routeOf(build, "/who/knows?x=1")).toEqual({ route: "none", classId: undefined });
});

test("an error is written down without the row it is about", () => {
  const error = Object.assign(new Error("duplicate key"), {
    code: "23505",
    detail: "Key (name)=(Fay Mosswell) already exists.",
    parameters: ["hives"],
  });
  const said = JSON.stringify(errorForLog(error));
  expect(said).toContain("23505");
  expect(said).not.toMatch(/Mosswell|hives/);
  expect(errorForLog("nuts")).toEqual({ type: "string" });
});
