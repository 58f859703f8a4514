import fc from "fast-check";
import { startHistory, step } from "./history";

type Move = Parameters<typeof step<number>>[1];
const change = (by: number, field = ""): Move => ({ kind: "change", make: (now) => now + by, field });
const run = (moves: readonly Move[]) => moves.reduce((history, move) => step(history, move), startHistory(0));

test("letters typed into one field are one step; another field begins the next", () => {
  const typed = run([change(1, "title"), change(1, "title"), change(1, "title"), change(10, "intro")]);
  expect(typed.now).toBe(13);
  expect(step(typed, { kind: "undo" }).now).toBe(3);
  expect(run([change(1, "title"), change(1, "title"), { kind: "undo" }]).now).toBe(0);
});

test("a change that changes nothing is no step", () => {
  expect(run([change(0), change(0, "title")]).past).toEqual([]);
});

test("after undo, redo goes forward again; a new change ends what could be redone", () => {
  const back = run([change(1), change(2), { kind: "undo" }]);
  expect(step(back, { kind: "redo" }).now).toBe(3);
  expect(step(step(back, change(5)), { kind: "redo" }).now).toBe(6);
});

test("undoing everything comes back to the beginning, redoing everything to the end", () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.constantFrom("", "a", "b")), { maxLength: 30 }),
      (rows) => {
        const end = run(rows.map(([by, field]) => change(by, field)));
        let history = end;
        for (let n = end.past.length; n > 0; n -= 1) history = step(history, { kind: "undo" });
        expect(history.now).toBe(0);
        for (let n = end.past.length; n > 0; n -= 1) history = step(history, { kind: "redo" });
        expect(history.now).toBe(end.now);
        expect(step(history, { kind: "redo" })).toBe(history);
      },
    ),
  );
});
