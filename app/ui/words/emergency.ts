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

/** What to do first, a line each, until help is there (general first-aid guidance). Trained people and the local number come first. */
export const firstMinutes: readonly (readonly [what: string, act: string])[] = [
  [
    "Anaphylaxis",
    "Adrenaline at once into the outer thigh, then call. Lie flat with legs raised, sit up if breathing is hard, no walking about. Again after 5 minutes if it is no better. An antihistamine is never instead.",
  ],
  [
    "Burn",
    "Cool running water for 20 minutes, jewellery off, then loose film. No ice, butter or cream. A child, a face, a hand, anything larger than a palm, or electricity: medical help.",
  ],
  ["Oil on fire", "Heat off, lid on, leave it. Never water."],
  ["Choking", "Let them cough; then back blows and thrusts as you were trained, and call."],
];

export const emergencyNumber = (timeZone: string): string =>
  byZone.find(([zone]) => zone.test(timeZone))?.[1] ?? "write the local number here: ______";
