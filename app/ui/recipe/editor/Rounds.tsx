import { LineSecond } from "~/ui/parts/editor";
import { RowButton } from "~/ui/parts/keys";
import { Fieldset, Text } from "@chakra-ui/react";
import { TickLabel } from "~/ui/parts/forms";
import { type DraftRound, type RecipeDraft, roundLimits } from "~/core/recipe";
import { Tick } from "~/ui/parts/plain";
import { Cell } from "./cells";

interface Props {
  readonly draft: RecipeDraft;
  readonly onDraft: (change: Partial<RecipeDraft>, field: string) => void;
}

/** A name for a round that none of these has. */
function freeId(rounds: readonly DraftRound[]): string {
  for (let n = 1; ; n += 1) if (!rounds.some((round) => round.id === `round-${n}`)) return `round-${n}`;
}

const withOneMore = (rounds: readonly DraftRound[]): DraftRound[] => [
  ...rounds,
  { id: freeId(rounds), name: rounds.length === 0 ? "Plain" : "", parts: "1" },
];

/** Pieces of one bowl that are finished differently, each kind in loads of its own: which, in which order, how many to how many. */
export function Rounds({ draft, onDraft }: Props) {
  const rounds = draft.rounds ?? [];
  const set = (next: readonly DraftRound[], field: string) =>
    // One round alone is no round: all pieces are alike again.
    onDraft(
      next.length > 1
        ? { rounds: next }
        : { rounds: undefined, isRoundsOpen: undefined, lines: draft.lines.map((line) => ({ ...line, roundId: "" })) },
      field,
    );
  const change = (at: number, more: Partial<DraftRound>, field: string) =>
    set(
      rounds.map((round, index) => (index === at ? { ...round, ...more } : round)),
      field,
    );
  return (
    <Fieldset.Root>
      <Fieldset.Legend>Cooked in rounds of their own</Fieldset.Legend>
      {rounds.map((round, at) => (
        <LineSecond key={round.id}>
          <Cell
            label={`Round ${at + 1}`}
            isLabelled
            value={round.name}
            maxLength={120}
            placeholder="with berries"
            onText={(name) => change(at, { name }, `round-name-${round.id}`)}
            path={`rounds.${round.id}.name`}
          />
          <Cell
            span="tiny"
            label="parts of the bowl"
            isLabelled
            value={round.parts}
            inputMode="numeric"
            onText={(parts) => change(at, { parts }, `round-parts-${round.id}`)}
            path={`rounds.${round.id}.parts`}
          />
          <RowButton
            onClick={() =>
              set(
                rounds.filter((_round, index) => index !== at),
                "",
              )
            }
          >
            Not this round
          </RowButton>
        </LineSecond>
      ))}
      {rounds.length > 1 ? (
        <TickLabel>
          <Tick
            checked={draft.isRoundsOpen ?? false}
            onChange={(event) => onDraft({ isRoundsOpen: event.target.checked || undefined }, "rounds-open")}
          />
          Each table decides how many of each while it cooks; the parts are what is likely
        </TickLabel>
      ) : null}
      {rounds.length < roundLimits.rounds ? (
        <RowButton onClick={() => set(rounds.length === 0 ? withOneMore(withOneMore([])) : withOneMore(rounds), "")}>
          {rounds.length === 0 ? "Finish some pieces differently" : "Add a round"}
        </RowButton>
      ) : (
        <Text color="fg.muted" fontSize="sm">
          {roundLimits.rounds} rounds are the most there can be.
        </Text>
      )}
    </Fieldset.Root>
  );
}
