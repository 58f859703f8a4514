import { inMinutes, inPieces } from "~/core/quantity";
import { starterRecipes } from "~/demo/recipes";
import { demoKitchens } from "~/demo/boathouse";
import { appliancesOf, caresOf, checkKitchen } from "./cares";
import { gearOf } from "./gear";
import { type Carried, carriedGear, crate, cratesOf, loadLayers } from "./load";
import { minutesHeld, waysFor } from "./ways";
import type { Kitchen } from "./types";

const [pancakes] = starterRecipes;
const [galley, hall] = demoKitchens;
if (!pancakes || !galley || !hall) throw new Error("the demonstration is complete");
const demand = {
  dishes: [{ recipe: pancakes, stations: 4, people: 14, pieces: inPieces(30) }],
  isMeasuring: true,
  hasDemo: true,
  surfaces: 3,
};
const room = (gear: Kitchen["gear"]): Kitchen => ({ ...hall, gear });

describe("ways out of a shortage", () => {
  const lines = gearOf(
    demand,
    room([
      { tool: "whisk", owned: 3 },
      { tool: "fork", owned: 40 },
    ]),
  );
  const whisk = lines.find((line) => line.tool === "whisk");
  if (!whisk) throw new Error("the pancakes are whisked");

  test("borrow, replace, take turns, buy; waiting is counted in minutes", () => {
    expect(whisk.short).toBe(2);
    const ways = waysFor(whisk, lines, [pancakes], 4, [galley]);
    expect(ways.map((way) => way.kind)).toEqual(["borrow", "replace", "rotate", "buy"]);
    expect(ways[0]).toMatchObject({ from: "Boathouse galley", count: 2 });
    // 3 owned, 1 for the demonstration: 2 for 4 stations, so two turns.
    expect(ways[2]).toEqual({ kind: "rotate", turns: 2, minutes: minutesHeld("whisk", [pancakes]) });
    expect(minutesHeld("whisk", [pancakes])).toBeGreaterThan(0);
  });

  test("what does instead counts only where it is on the list and there is some to spare", () => {
    const forks = { ...whisk, tool: "fork" as const, owned: 20, needed: 14, short: 0 };
    expect(waysFor(whisk, [whisk, forks], [pancakes], 4, [])).toContainEqual({
      kind: "replace",
      by: "fork",
      count: 2,
      minutes: inMinutes(0),
    });
    expect(
      waysFor(whisk, [whisk, { ...forks, owned: undefined }], [pancakes], 4, []).map((way) => way.kind),
    ).not.toContain("replace");
  });

  test("with none at all nobody takes turns, and enough needs no way out", () => {
    expect(waysFor({ ...whisk, owned: 1, short: 4 }, lines, [pancakes], 4, []).map((way) => way.kind)).toEqual([
      "replace",
      "buy",
    ]);
    expect(waysFor({ ...whisk, short: 0 }, lines, [pancakes], 4, [])).toEqual([]);
  });
});

describe("what to mind of a kitchen", () => {
  const unit = (n: number) => ({ id: `griddle-${n}`, surfaceId: "griddle", name: "Carried griddle", number: n });

  test("a kitchen whose circuits nobody wrote down is unknown, one that carries all is silent, one that does not blocks", () => {
    const codes = (kitchen: Kitchen) => checkKitchen(kitchen, [unit(1), unit(2)]).map((one) => one.code);
    const { circuits: _circuits, ...unknown } = hall;
    expect(codes(unknown)).toContain("circuits-not-known");
    const circuit = { id: "a", name: "left wall", volts: 230, amps: 16, sockets: 2, plugAmps: 13 };
    expect(codes({ ...hall, circuits: [circuit] })).not.toContain("circuits-short");
    const weak = { ...circuit, volts: 120, amps: 15, plugAmps: null };
    expect(checkKitchen({ ...hall, circuits: [weak] }, [unit(1), unit(2)])).toContainEqual({
      code: "circuits-short",
      level: "blocks",
      left: ["Carried griddle 2"],
      watts: 2800,
      isProven: true,
    });
    expect(appliancesOf(hall, [unit(1)])).toEqual([{ id: "griddle-1", name: "Carried griddle 1", watts: 1400 }]);
  });

  test("coating, handle and lamp are said, and an unexplained lamp is said to be that", () => {
    const iron = galley.surfaces.find((one) => one.kind === "waffle-iron");
    if (!iron) throw new Error("the galley has irons");
    const { lamp: _lamp, ...unexplained } = iron;
    expect(caresOf(unexplained)).toContain("lamp-unknown");
    expect(caresOf({ ...iron, lamp: "ready" })).toContain("lamp-ready");
    expect(caresOf({ ...iron, coating: "non-stick", hasHotHandle: true, lamp: "heating" })).toEqual([
      "no-metal",
      "never-empty",
      "hot-handle",
      "lamp-heating",
    ]);
  });
});

describe("the car", () => {
  test("heavy first, what is wanted first last, and no crate too full or too heavy for one person", () => {
    const gear = carriedGear(
      gearOf(demand, hall),
      hall.surfaces.map((surface) => ({ surface, count: surface.count })),
    );
    const all: Carried[] = [...gear, { key: "cold", layer: "cold", count: 3, gramsEach: 5000, litresEach: 20 }];
    const crates = cratesOf(all);
    const order = crates.map((one) => loadLayers.indexOf(one.layer));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    for (const one of crates) {
      const isSingle = one.items.reduce((sum, item) => sum + item.count, 0) === 1;
      expect(isSingle || (one.grams <= crate.grams && one.litres <= crate.litres)).toBe(true);
    }
    for (const thing of all)
      expect(crates.reduce((sum, one) => sum + (one.items.find((item) => item.key === thing.key)?.count ?? 0), 0)).toBe(
        thing.count,
      );
    expect(gear.find((one) => one.key === "tool:whisk")?.count).toBe(4);
  });

  test("an oven stays where it is", () => {
    const oven = { ...hall.surfaces[0], kind: "oven" as const } as (typeof hall.surfaces)[number];
    expect(carriedGear([], [{ surface: oven, count: 1 }])).toEqual([]);
  });
});
