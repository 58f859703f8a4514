import { Box, Text } from "@chakra-ui/react";
import { plus, inPieces } from "~/core/quantity";
import type { ClassInput, ClassPlan, StationPlan } from "~/core/plan";
import { decidedOf } from "~/core/plan";
import type { LiveState } from "~/core/teach";
import { useLocale } from "~/ui/sheet/locale";
import { PlainButton } from "~/ui/parts/plain";
import { sayDecided } from "~/ui/words/rounds";
import type { Happening } from "./useLive";

interface Props {
  readonly input: ClassInput;
  readonly plan: ClassPlan;
  readonly station: StationPlan;
  readonly live: LiveState;
  readonly add: (happening: Happening) => void;
}

/** How many of each round a table makes, where it decides while it cooks: said here, kept for the log, and what that takes in loads. */
export function Deciding({ input, plan, station, live, add }: Props) {
  const locale = useLocale();
  const recipe = plan.dishes.find((dish) => dish.id === station.dishId)?.recipe;
  const likely = station.rounds ?? [];
  const decided = live.decided[station.id];
  // What a table no longer makes by the plan of today is not asked for; what it has not said is as likely.
  const rounds = likely.map(({ roundId, pieces }) => ({
    roundId,
    pieces: decided?.find((one) => one.roundId === roundId)?.pieces ?? (decided ? inPieces(0) : pieces),
  }));
  const taken = decidedOf(
    input,
    plan,
    station,
    rounds.map((one) => one.pieces),
  );
  const [first, ...others] = rounds;
  if (!recipe || !taken || !first) return null;
  const nameOf = (roundId: string) => recipe.rounds?.find((one) => one.id === roundId)?.name ?? roundId;
  const move = (roundId: string, by: 1 | -1) =>
    add({
      kind: "rounds-decided",
      stationId: station.id,
      rounds: rounds.map((one) => ({
        ...one,
        pieces: plus(one.pieces, inPieces(one.roundId === roundId ? by : one.roundId === first.roundId ? -by : 0)),
      })),
    });
  return (
    <Box data-part="deciding">
      <Text role="status">{sayDecided(recipe, rounds, taken, decided !== undefined, locale)}</Text>
      {others.map(({ roundId, pieces }) => (
        <Box data-part="keys" key={roundId}>
          <PlainButton
            type="button"
            disabled={pieces === 0}
            onClick={() => move(roundId, -1)}
            aria-label={`${station.name}: one fewer ${nameOf(roundId).toLowerCase()}`}
          >
            −1
          </PlainButton>
          <PlainButton
            type="button"
            disabled={first.pieces === 0}
            onClick={() => move(roundId, 1)}
            aria-label={`${station.name}: one more ${nameOf(roundId).toLowerCase()}`}
          >
            +1 {nameOf(roundId).toLowerCase()}
          </PlainButton>
        </Box>
      ))}
    </Box>
  );
}
