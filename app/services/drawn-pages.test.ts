import fc from "fast-check";
import { drawnBefore, isAskedAgain, keepDrawn, keyOfPage } from "./drawn-pages.server";

describe("pages as they were drawn", () => {
  test("the same address with the same data is the same page, whatever differs makes another", () => {
    fc.assert(
      fc.property(fc.webUrl(), fc.webUrl(), fc.jsonValue(), fc.jsonValue(), (address, other, data, changed) => {
        const key = keyOfPage(address, { page: data });
        expect(key).toBe(keyOfPage(address, { page: JSON.parse(JSON.stringify(data)) as unknown }));
        if (other !== address) expect(keyOfPage(other, { page: data })).not.toBe(key);
        if (JSON.stringify(changed) !== JSON.stringify(data))
          expect(keyOfPage(address, { page: changed })).not.toBe(key);
      }),
    );
  });

  test.each([
    ["undefined and null", [undefined], [null]],
    ["a whole number of any length and its digits", { n: 5n }, { n: "5" }],
    ["two moments", { at: new Date(0) }, { at: new Date(1) }],
    ["a field more", { a: 1 }, { a: 1, b: undefined }],
    ["who asks", { account: { id: "a" }, list: [1] }, { account: { id: "b" }, list: [1] }],
  ])("%s are two pages", (_what, one, other) => {
    expect(keyOfPage("/", one)).not.toBe(keyOfPage("/", other));
  });

  test.each([
    ["something that is still coming", { later: Promise.resolve(1) }],
    ["a map, which says nothing of itself when written", { byId: new Map([["a", 1]]) }],
    ["a set", { all: new Set([1]) }],
    ["a function", { call: () => 1 }],
    ["an object of a class", { error: new Error("no") }],
  ])("a page with %s is not kept", (_what, data) => {
    expect(keyOfPage("/", data)).toBeUndefined();
  });

  test("a kept page comes back whole, with the nonce of each answer wherever the first stood, and nothing of the first's", () => {
    const key = keyOfPage("/kept", {}) ?? "";
    expect(drawnBefore(key, "b")).toBeUndefined();
    keepDrawn(key, '<script nonce="first">1</script><p>½ “bells”</p><style nonce="first"></style>', "first");
    expect(drawnBefore(key, "second")?.toString()).toBe(
      '<script nonce="second">1</script><p>½ “bells”</p><style nonce="second"></style>',
    );
    expect(drawnBefore(key, "third")?.toString()).not.toMatch(/first|second/);
    expect(drawnBefore(keyOfPage("/other", {}) ?? "", "second")).toBeUndefined();
  });

  test("a page is worth keeping when it is asked for again", () => {
    expect(["one", "other", "one", "one", "third"].map(isAskedAgain)).toEqual([false, false, true, true, false]);
  });

  test("a page without a nonce to cut out is refused", () => {
    expect(() => keepDrawn("key", "<p></p>", "")).toThrow(RangeError);
  });
});
