import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { matching } from "./matching";

const of = (...labels: string[]) => labels.map((label) => ({ label }));

describe("what fits a typed word", () => {
  it("knows neither case nor accents, and takes words in any order", () => {
    const list = of("Crêpes for a quick rest", "Thick pancakes", "Buttermilk crêpes");
    expect(matching(list, "CREPE").map((one) => one.label)).toEqual(["Crêpes for a quick rest", "Buttermilk crêpes"]);
    expect(matching(list, "crepes butter")).toEqual(of("Buttermilk crêpes"));
    expect(matching(list, "scone")).toEqual([]);
  });

  it("keeps each thing once, loses none that has the whole word, and is the list itself for nothing typed", () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 8 })), fc.string({ maxLength: 3 }), (labels, typed) => {
        const list = of(...labels);
        const found = matching(list, typed);
        expect(new Set(found).size).toBe(found.length);
        for (const one of list) {
          if (one.label.includes(typed.trim())) expect(found).toContain(one);
        }
        expect(matching(list, "  ")).toEqual(list);
      }),
    );
  });
});
