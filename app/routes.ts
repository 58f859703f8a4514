import { type RouteConfig, index, layout, prefix, route } from "@react-router/dev/routes";

/** The table of contents: every address and its file. */
export default [
  route("sign-in", "routes/account/sign-in.tsx"),
  route("first-account", "routes/account/first-account.tsx"),
  layout("routes/signed-in.tsx", [
    layout("routes/framed.tsx", [
      index("routes/classes/list.tsx"),
      ...prefix("classes", [
        route("new", "routes/classes/new.tsx"),
        route("import", "routes/classes/import.tsx"),
        route(":classId", "routes/classes/class.tsx", [
          index("routes/classes/front.tsx"),
          route("recipe", "routes/classes/recipe.tsx"),
          route("brief", "routes/classes/brief.tsx"),
          route("people", "routes/classes/people.tsx"),
          route("people/import", "routes/classes/people-import.tsx"),
          route("people/:personId", "routes/classes/person.tsx"),
          route("allergies", "routes/classes/allergies.tsx"),
          route("labels/:ingredientId", "routes/classes/label.tsx"),
          route("amounts", "routes/classes/amounts.tsx"),
          route("gear", "routes/classes/gear.tsx"),
          route("timeline", "routes/classes/timeline.tsx"),
          route("log", "routes/classes/log.tsx"),
        ]),
      ]),
      route("recipes", "routes/recipes/shelf.tsx"),
      route("recipes/:recipeId", "routes/recipes/recipe.tsx"),
      route("kitchens", "routes/kitchens/list.tsx"),
      route("kitchens/:kitchenId", "routes/kitchens/kitchen.tsx"),
      route("accounts", "routes/account/accounts.tsx"),
    ]),
    ...prefix("classes/:classId", [
      route("teach", "routes/classes/teach.tsx"),
      route("events", "routes/classes/events.ts"),
      route("changes", "routes/classes/changes.ts"),
      route("class-file.json", "routes/files/class-file.ts"),
      route("timeline.ics", "routes/files/timeline-ics.ts"),
      route("timeline.csv", "routes/files/timeline-csv.ts"),
      route("people.csv", "routes/files/people-csv.ts"),
      route("log.csv", "routes/files/log-csv.ts"),
    ]),
    route("sign-out", "routes/account/sign-out.ts"),
  ]),
  route("*", "routes/nowhere.tsx"),
] satisfies RouteConfig;
