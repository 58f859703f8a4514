/**
 * The number to call in an emergency, by the region of a time zone. Sources: the published national emergency numbers. Where this list
 * does not know, it says so: a wrong number is worse than none.
 */
const byZone: readonly (readonly [RegExp, string])[] = [
  [/^Europe\/(London|Belfast|Jersey|Guernsey|Isle_of_Man)$/, "999 or 112"],
  [/^Europe\//, "112"],
  [/^(US|Canada)\//, "911"],
  [
    /^America\/(New_York|Chicago|Denver|Los_Angeles|Phoenix|Anchorage|Boise|Detroit|Indiana\/.*|Kentucky\/.*|Toronto|Vancouver|Edmonton|Winnipeg|Halifax|Regina|St_Johns)$/,
    "911",
  ],
  [/^Pacific\/Honolulu$/, "911"],
  [/^Australia\//, "000"],
  [/^Pacific\/(Auckland|Chatham)$/, "111"],
];

export const emergencyNumber = (timeZone: string): string =>
  byZone.find(([zone]) => zone.test(timeZone))?.[1] ?? "write the local number here: ______";
