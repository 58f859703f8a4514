import fc from "fast-check";
import { cups, languageOf, noTastes, paperOf, regions, scaleOf, scales, shades } from "~/formats/regions";
import { localeOf, tastesCookie, tastesOf, usualFor } from "./request.server";

const asked = (language: string, cookie = "") =>
  new Request("http://here.invalid/", { headers: { "accept-language": language, cookie } });

test("a chosen region stands above what the browser asks for; anything else in its place is passed over", () => {
  expect(localeOf(asked("en-US,en;q=0.9"))).toBe("en-US");
  expect(localeOf(asked("de-DE,de;q=0.9"))).toBe("en-GB");
  expect(localeOf(asked("en-US", "zone=UTC; region=en-AU"))).toBe("en-AU");
  for (const odd of ["region=xx-XX", "region=en-AUS", "region=", "aregion=en-AU"])
    expect(localeOf(asked("en-US", odd))).toBe("en-US");
  expect(usualFor(asked("en-US", "region=en-AU"))).toMatchObject({ regime: "anz", measuringSetId: "au-usual" });
});

test("what is kept in the browser is read again, each region and none; paper follows it", () => {
  for (const region of regions) {
    const kept = tastesCookie({ ...noTastes, region }).split(";")[0] ?? "";
    expect(localeOf(asked("en-GB", kept))).toBe(region);
    expect(paperOf(region)).toBe(region === "en-US" || region === "en-CA" ? "letter" : "a4");
  }
  expect(tastesCookie(noTastes)).toContain("Max-Age=0");
  expect(paperOf("de-DE")).toBe("a4");
});

test("whatever was chosen is read from the cookie as it was chosen, and language, paper and cups follow", () => {
  const one = <T>(of: readonly T[]) => fc.constantFrom(null, ...of);
  fc.assert(
    fc.property(
      fc.record({ region: one(regions), scale: one(scales), cups: one(cups), shade: one(shades) }),
      (tastes) => {
        const request = asked("en-US", `zone=UTC; ${tastesCookie(tastes).split(";")[0] ?? ""}`);
        expect(tastesOf(request)).toEqual(tastes);
        const locale = localeOf(request);
        expect(languageOf(locale)).toBe(tastes.region ?? "en-US");
        expect(scaleOf(locale)).toBe(tastes.scale);
        expect(paperOf(locale)).toBe(paperOf(tastes.region ?? "en-US"));
        expect(new Intl.NumberFormat(locale).format(1234.5)).toBe(
          new Intl.NumberFormat(languageOf(locale)).format(1234.5),
        );
        if (tastes.cups) expect(usualFor(request).measuringSetId).toBe(tastes.cups);
      },
    ),
  );
  for (const odd of ["region=en-GB.kelvin.us-usual.dark", "region=....", "region=en-GB"])
    expect(tastesOf(asked("en-US", odd)).scale).toBeNull();
});
