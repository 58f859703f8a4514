import { Box, HStack, Text } from "@chakra-ui/react";
import { ActionForm } from "~/ui/parts/forms";
import type { Stage } from "~/core/plan";
import type { InputChange, StageState } from "~/core/sheet";
import { moment } from "~/ui/format/format";
import { Primary, Secondary } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { stageWords } from "~/ui/words/en";
import { sayChange } from "~/ui/words/findings";
import { Hidden } from "~/ui/parts/plain";

export interface StageStanding {
  readonly state: StageState;
  /** What its findings ask about. */
  readonly questions: number;
  readonly by: string | null;
  readonly at: Date | undefined;
  readonly changes: readonly InputChange[];
  /** The beginning of the stamp as it is now, for printing on a sheet; empty where no sheet prints it. */
  readonly seal: string;
}

interface Props {
  readonly stage: Stage;
  readonly standing: StageStanding;
  readonly timeZone: string;
  /** Why it cannot be settled now; shown in place of the button's promise. */
  readonly blockedBy?: string;
  readonly action: string;
  /** It is signed by a form of its own below; this says how it stands and opens it again. */
  readonly isSignedBelow?: boolean;
  /** What an id or a place stands for, in words; see `subjectsOf`. */
  readonly subjectOf: (kind: string, id: string) => string;
}

/** Says whether a stage is settled, by whom, and what has made it stale; and settles it. */
export function SettleBar({ stage, standing, timeZone, blockedBy, action, subjectOf, isSignedBelow }: Props) {
  const locale = useLocale();
  const { state, by, at, changes } = standing;
  const signed = at ? `${by ?? "someone"}, ${moment(at, locale, timeZone)}` : "";
  return (
    <HStack data-part="sign-off" borderTopWidth="1px" borderColor="fg" pt="3" mt="6" gap="3" wrap="wrap">
      {state === "settled" ? <Text>Signed off by {signed}.</Text> : null}
      {state === "stale" ? (
        <Box>
          <Text layerStyle="needsYou">Changed since sign-off by {signed}.</Text>
          <Text fontSize="sm">
            {changes
              .slice(0, 6)
              .map((change) => sayChange(change, subjectOf))
              .join("; ")}
            {changes.length > 6 ? `; and ${changes.length - 6} more` : ""}.
          </Text>
        </Box>
      ) : null}
      {state === "open" ? <Text color="fg.muted">Not signed off yet.</Text> : null}
      {blockedBy ? <Text layerStyle="needsYou">{blockedBy}</Text> : null}
      <ActionForm _print={{ display: "none" }} method="post" action={action}>
        <Hidden name="stage" value={stage} />
        {state === "settled" ? (
          <Secondary name="intent" value="unsettle">
            Open again
          </Secondary>
        ) : isSignedBelow ? null : (
          <Primary name="intent" value="settle" disabled={blockedBy !== undefined}>
            Sign off {stageWords[stage].toLowerCase()}
          </Primary>
        )}
      </ActionForm>
    </HStack>
  );
}
