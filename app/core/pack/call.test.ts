import fc from "fast-check";
import { classes } from "../../../test/generators";
import { plan } from "~/core/plan";
import { callSheets, missingOf } from "./call";
import { packingOfClass } from "./containers";

test("every container of every table is called once, with the tools it has to itself, and no mark stands for two things", () => {
  fc.assert(
    fc.property(classes, (input) => {
      const made = plan(input);
      const { containers } = packingOfClass(input, made);
      const sheets = callSheets(made.stations, containers, made.gear);
      expect(sheets.map((sheet) => sheet.stationId)).toEqual(made.stations.map((station) => station.id));
      const keys = sheets.flatMap((sheet) => sheet.items.map((item) => item.key));
      expect(new Set(keys).size).toBe(keys.length);
      const called = sheets.flatMap((sheet) =>
        sheet.items.flatMap((item) => (item.kind === "container" ? [item.container] : [])),
      );
      expect(new Set(called)).toEqual(new Set(containers.filter((one) => one.place.kind === "station")));
      for (const sheet of sheets)
        for (const item of sheet.items)
          if (item.kind === "container")
            expect(item.container.place).toMatchObject({ kind: "station", stationId: sheet.stationId });
          else expect(item.count).toBeGreaterThan(0);

      // What is marked is missing where it was marked; what is not on the list any more is not.
      const marked = keys.filter((_key, index) => index % 3 === 0);
      const marks = new Map([...marked, "s1/gone"].map((key) => [key, true]));
      expect(missingOf(sheets, marks).map(({ item }) => item.key)).toEqual(marked);
      expect(missingOf(sheets, new Map())).toEqual([]);
    }),
    { numRuns: 40 },
  );
});
