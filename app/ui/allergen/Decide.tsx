import { Alert, Box, HStack, Heading, Text, chakra } from "@chakra-ui/react";
import { FormGrid, StyledForm, colSpan } from "~/ui/parts/forms";
import { type Decision, type Opening, decisionsFor } from "~/core/plan";
import { useLocale } from "~/ui/sheet/locale";
import { wordsIn } from "~/ui/words/regional";
import { Choice, Primary } from "~/ui/parts/fields";
import { decisionWords, openingWords } from "~/ui/words/people";

interface Props {
  readonly openings: readonly Opening[];
  readonly decided: readonly Decision[];
  readonly setApart: readonly string[];
  /** What was chosen before the signature was refused for want of a decision. */
  readonly typed: Readonly<Record<string, unknown>> | undefined;
}

/**
 * Signing the allergy table: everything that stands open, each with what is decided of it. A plate that contains what somebody must not
 * have cannot be signed away; the choices for it are to keep them from it.
 */
export function Decide({ openings, decided, setApart, typed }: Props) {
  const words = wordsIn(openingWords, useLocale());
  return (
    <StyledForm _print={{ display: "none" }} mt="6" method="post">
      <Heading as="h3" size="lg">
        Sign off this table
      </Heading>
      {typed ? (
        <Alert.Root status="error" role="alert">
          Not signed: something below has no decision yet. Choose one for each line, then sign again.
        </Alert.Root>
      ) : null}
      {setApart.length > 0 ? <Text>Set apart, at a station of their own: {setApart.join(", ")}.</Text> : null}
      {openings.length === 0 ? <Text>Nothing stands open.</Text> : null}
      {openings.map(({ participantId, name, kind }) => {
        const field = `decide ${participantId} ${kind}`;
        const before = decided.find((one) => one.participantId === participantId && one.kind === kind);
        return (
          <FormGrid pb="2" key={field}>
            <chakra.label gridColumn={colSpan(8)} htmlFor={field}>
              <b>{name}</b>: {words[kind]}
            </chakra.label>
            <Box gridColumn={colSpan(4)}>
              <Choice
                id={field}
                name={field}
                defaultValue={String(typed?.[field] ?? before?.decision ?? "")}
                options={decisionsFor(kind).map((one) => ({ value: one, label: decisionWords[one] }))}
                empty="to be decided …"
              />
            </Box>
          </FormGrid>
        );
      })}
      <HStack gap="3" wrap="wrap">
        <Primary name="intent" value="settle">
          Sign off allergies
        </Primary>
      </HStack>
    </StyledForm>
  );
}
