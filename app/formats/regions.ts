/** Regions whose way of writing dates, times and numbers somebody may choose; the program's words are English in all of them. */
export const regions = ["en-GB", "en-IE", "en-US", "en-CA", "en-AU", "en-NZ", "en-ZA"] as const;
export type Region = (typeof regions)[number];

export const isRegion = (text: string): text is Region => regions.some((one) => one === text);

/** The paper that is in printers there: Letter in North America, A4 everywhere else. */
export const paperOf = (locale: string): "letter" | "a4" => (/-(?:US|CA|MX|PH)$/.test(locale) ? "letter" : "a4");
