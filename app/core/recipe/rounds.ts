import { type Pieces, type Ratio, compare, ratio, inPieces, plus } from "~/core/quantity";
import { scaleLineAmount } from "./lines";
import type { Line, Recipe, Round } from "./types";

/** Rounds of one recipe and parts of each, at the most: more are laid out by nobody. */
export const roundLimits = { rounds: 6, parts: 20 } as const;

/** How many parts of a bowl a class makes as one of its rounds; 0 for none of it. */
export interface RoundParts {
  readonly roundId: string;
  readonly parts: number;
}

const partsIn = (rounds: readonly Round[]): number => rounds.reduce((sum, round) => sum + round.parts, 0);

/**
 * So many pieces of one bowl dealt out to the rounds of its recipe, in their order: whole pieces by the parts, what is left over to the
 * largest remainders, of equal ones to the earlier. All of them to the one there is where a recipe has no rounds.
 * @param pieces 0 or more.
 */
export function piecesByRound(recipe: Pick<Recipe, "rounds">, pieces: Pieces): Pieces[] {
  const rounds = recipe.rounds ?? [];
  const all = partsIn(rounds);
  if (all <= 0) return [pieces];
  const dealt = rounds.map(({ parts }) => inPieces(Math.floor((pieces * parts) / all)));
  const over = pieces - dealt.reduce((sum, count) => sum + count, 0);
  const next = rounds
    .map(({ parts }, at) => ({ at, remainder: (pieces * parts) % all }))
    .sort((a, b) => b.remainder - a.remainder || a.at - b.at);
  for (const { at } of next.slice(0, over)) dealt[at] = plus(dealt[at] ?? inPieces(0), inPieces(1));
  return dealt;
}

/** The share of a bowl that is made as each of its rounds. */
const shareOf = (round: Round, rounds: readonly Round[]): Ratio => ratio(BigInt(round.parts), BigInt(partsIn(rounds)));

/**
 * A recipe with the rounds that a class makes of it: what goes into a round by the batch grows or shrinks with its share; a round nobody
 * makes goes with its lines. As it is where the class asks for nothing else, or for none at all.
 */
export function withRounds(recipe: Recipe, asked: readonly RoundParts[] = []): Recipe {
  const before = recipe.rounds ?? [];
  // What a class says of how many is settled; that it leaves a round out is not.
  const isOpen = recipe.isRoundsOpen === true && !asked.some((one) => one.parts > 0);
  const after = before
    .map((round) => ({ ...round, parts: asked.find((one) => one.roundId === round.id)?.parts ?? round.parts }))
    .filter((round) => round.parts > 0);
  if (
    after.length === 0 ||
    (after.length === before.length && after.every((one, at) => one.parts === before[at]?.parts))
  )
    return isOpen === (recipe.isRoundsOpen === true) ? recipe : { ...recipe, isRoundsOpen: undefined };
  const lines = recipe.lines.flatMap((line): Line[] => {
    const was = before.find((round) => round.id === line.roundId);
    if (!was) return [line];
    const is = after.find((round) => round.id === line.roundId);
    if (!is) return [];
    const [from, to] = [shareOf(was, before), shareOf(is, after)];
    if (compare(from, to) === 0) return [line];
    return [{ ...line, amount: scaleLineAmount(line.amount, ratio(to.num * from.den, to.den * from.num)) }];
  });
  const kept = new Set(lines.map((line) => line.id));
  return {
    ...recipe,
    rounds: after,
    isRoundsOpen: isOpen && after.length > 1 ? true : undefined,
    lines,
    steps: recipe.steps.map((step) =>
      step.draws.every((draw) => kept.has(draw.lineId))
        ? step
        : { ...step, draws: step.draws.filter((draw) => kept.has(draw.lineId)) },
    ),
  };
}

/**
 * How many times as much of a round's lines as is likely the tables may want, where they decide while they cook: all of their pieces may
 * become that round. 1 where it is settled.
 */
export function mostOfRound({ rounds = [], isRoundsOpen }: Pick<Recipe, "rounds" | "isRoundsOpen">, id: string): Ratio {
  const round = isRoundsOpen ? rounds.find((one) => one.id === id) : undefined;
  return round ? ratio(BigInt(partsIn(rounds)), BigInt(round.parts)) : ratio(1n);
}

/**
 * The most loads that so many pieces can take when their table decides how many there are of each round: as many rounds as can be with one
 * piece in their last load.
 * @param pieces 0 or more.  @param places pieces of one load, at least 1.  @param rounds at least 1.
 */
export const mostLoads = (pieces: Pieces, places: number, rounds: number): number =>
  Math.min(pieces, Math.floor((pieces + Math.min(rounds, pieces) * (places - 1)) / places));

/** What lies on one plate of a round: what is in the bowl, and what only this round gets. */
export const linesOfRound = (recipe: Pick<Recipe, "lines">, roundId: string | undefined): Line[] =>
  recipe.lines.filter((line) => line.roundId === undefined || line.roundId === roundId);
