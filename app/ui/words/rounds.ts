import type { Decided } from "~/core/plan";
import type { Recipe } from "~/core/recipe";
import { howMany, minutes, number } from "~/ui/format/format";

/** "First 6 plain, then 6 with berries; each on a tray of its own." What nobody makes is passed over. */
export function sayRounds(
  recipe: Pick<Recipe, "rounds" | "isRoundsOpen">,
  rounds: readonly { readonly roundId: string; readonly pieces: number }[],
  locale: string,
): string {
  const made = rounds.filter((round) => round.pieces > 0);
  const nameOf = (roundId: string) => recipe.rounds?.find((one) => one.id === roundId)?.name.toLowerCase() ?? roundId;
  const all = made.map((round) => `${number(round.pieces, locale, 0)} ${nameOf(round.roundId)}`);
  if (recipe.isRoundsOpen && all.length > 0)
    return `Decide at the table how many of each, before the first pour. Likely: ${all.join(", ")}. In this order, each on a tray of its own.`;
  return all.length === 0 ? "" : `First ${all.join(", then ")}${all.length > 1 ? "; each on a tray of its own" : ""}.`;
}

/** "First 8 plain, then 4 with berries; each on a tray of its own. 4 loads, 1 more than planned: about 4 min longer on one surface." */
export function sayDecided(
  recipe: Pick<Recipe, "rounds">,
  rounds: readonly { readonly roundId: string; readonly pieces: number }[],
  { loads, planned, minutes: longer }: Decided,
  isSaid: boolean,
  locale: string,
): string {
  const split = sayRounds({ rounds: recipe.rounds }, rounds, locale);
  const likely = split.replace(/^First /, "");
  const more = loads - planned;
  const beside =
    more > 0
      ? `, ${more} more than planned: about ${minutes(longer, locale)} longer on one surface`
      : more < 0
        ? `, ${-more} fewer than planned`
        : ", as planned";
  return `${isSaid ? split : `Not decided yet; likely ${likely}`} ${howMany(loads, "load")}${beside}.`;
}
