import fc from "fast-check";
import { readClassFile } from "./class-file";
import { cleanForm, cleanJson, cleanText, parseJson } from "./text";

test("whatever comes in is well formed, composed and without control signs afterwards, and cleaning twice changes nothing", () => {
  fc.assert(
    fc.property(
      fc.string({ unit: "binary", maxLength: 60 }),
      fc.constantFrom("", "\u0000", "\ud800", "e\u0301"),
      (text, odd) => {
        const clean = cleanText(text + odd + text);
        expect(clean.isWellFormed()).toBe(true);
        expect(clean).toBe(clean.normalize("NFC"));
        expect(clean).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/);
        expect(cleanText(clean)).toBe(clean);
      },
    ),
    { numRuns: 500 },
  );
});

test("what people type stays: letters of any script, tabs, line ends, signs", () => {
  for (const text of ["Crêpes für Zoë\r\n\t½ Tasse – 日本", "👩‍🍳 ok", ""]) expect(cleanText(text)).toBe(text);
});

test("names and values of forms and JSON alike; files pass", () => {
  const form = new FormData();
  form.append("na\u0000me", "a\u0000b");
  form.append("file", new File(["x"], "x.txt"));
  const clean = cleanForm(form);
  expect(clean.get("name")).toBe("ab");
  expect(clean.get("file")).toBeInstanceOf(File);
  expect(cleanJson({ "k\u0000": ["\ud800x", 1, null, { a: "b\u0007" }] })).toEqual({ k: ["x", 1, null, { a: "b" }] });
});

test("a list with a hole of a thousand million rows is no list", () => {
  const form = new FormData();
  form.append("dishes[0].what", "a");
  form.append("dishes[999999999].what", "b");
  form.append("x".repeat(200), "c");
  expect([...cleanForm(form).keys()]).toEqual(["dishes[0].what"]);
});

test("JSON that nests deeper than anything of ours is none, wherever it is read; brackets in a text are text", () => {
  for (const [open, close] of [
    ["[", "]"],
    ['{"a":', "}"],
  ] as const) {
    const nested = (depth: number) => `${open.repeat(depth)}1${close.repeat(depth)}`;
    expect(() => parseJson(nested(60))).not.toThrow();
    for (const depth of [61, 5000, 200_000]) {
      expect(() => parseJson(nested(depth))).toThrow(SyntaxError);
      expect(readClassFile(nested(depth)).ok).toBe(false);
    }
  }
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 20 }), (value) =>
      expect(parseJson(JSON.stringify(value))).toEqual(JSON.parse(JSON.stringify(value))),
    ),
  );
  expect(parseJson(JSON.stringify({ said: `"${"[{".repeat(100)}\\` }))).toEqual({ said: `"${"[{".repeat(100)}\\` });
});
