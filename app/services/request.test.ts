import { paperOf, regions } from "~/formats/regions";
import { localeOf, regionCookie, usualFor } from "./request.server";

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
    const kept = regionCookie(region).split(";")[0] ?? "";
    expect(localeOf(asked("en-GB", kept))).toBe(region);
    expect(paperOf(region)).toBe(region === "en-US" || region === "en-CA" ? "letter" : "a4");
  }
  expect(regionCookie(null)).toContain("Max-Age=0");
  expect(paperOf("de-DE")).toBe("a4");
});
