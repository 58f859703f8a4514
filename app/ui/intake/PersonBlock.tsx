import { Box, Fieldset, Text } from "@chakra-ui/react";
import { PersonFieldset } from "~/ui/parts/people";
import { FormGrid, TickLabel, NeedRow } from "~/ui/parts/forms";
import type { FieldMetadata } from "@conform-to/react";
import { type Substance, substances } from "~/core/pantry";
import { AreaField, CheckField, SelectField, TextField } from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { ageWords, dietWords, severityWords, substanceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";
import { useLocale } from "~/ui/sheet/locale";
import { Hidden, Pick } from "~/ui/parts/plain";

type Need = { substance?: unknown; food?: unknown; severity?: unknown; touchOrAir?: unknown };
type Person = {
  name?: unknown;
  ageBand?: unknown;
  answer?: unknown;
  needs?: Need[] | undefined;
  diet?: unknown;
  words?: unknown;
  emergency?: unknown;
};

interface Props {
  readonly field: FieldMetadata<Person>;
  readonly index: number;
  /** Somebody's own link: who it is about is settled. */
  readonly isOwn: boolean;
  /** What the law of the region makes labels declare: those come first. */
  readonly regime: readonly Substance[];
}

/** One person on the intake form, as a guardian fills it in on a phone: one question a line, no script needed. */
export function PersonBlock({ field, index, isOwn, regime }: Props) {
  const words = wordsIn(severityWords, useLocale());
  const listed = [...regime, ...substances.filter((one) => !regime.includes(one))];
  const person = field.getFieldset();
  const answer = person.answer;
  return (
    <PersonFieldset>
      <Fieldset.Legend>
        {isOwn ? String(person.name.initialValue ?? "") : index === 0 ? "Who it is about" : `And child ${index + 1}`}
      </Fieldset.Legend>
      <FormGrid>
        {isOwn ? (
          <Hidden name={person.name.name} value={String(person.name.initialValue ?? "")} />
        ) : (
          <TextField span={8} field={person.name} label="First and last name" autoComplete="off" />
        )}
        <SelectField span={4} field={person.ageBand} label="Age" options={optionsOf(ageWords)} empty="–" />
        <Box role="group" aria-labelledby={`${answer.id}-title`}>
          <Text fontWeight="600" id={`${answer.id}-title`}>
            Is there anything to avoid, in food or around it?
          </Text>
          {(
            [
              ["nothing", "No, nothing"],
              ["something", "Yes, there is something"],
            ] as const
          ).map(([value, label]) => (
            <TickLabel key={value}>
              <Pick name={answer.name} value={value} defaultChecked={answer.initialValue === value} />
              {label}
            </TickLabel>
          ))}
          {answer.errors?.[0] ? (
            <Text layerStyle="needsYou" fontSize="sm">
              {answer.errors[0]}
            </Text>
          ) : null}
        </Box>
        {(person.needs.getFieldList() as FieldMetadata<Need>[]).map((row, number) => {
          const need = row.getFieldset();
          return (
            <NeedRow key={row.key ?? number}>
              <SelectField
                span={6}
                field={need.substance}
                label={number === 0 ? "Must avoid" : `Must avoid (${number + 1})`}
                options={listed.map((value) => ({ value, label: substanceWords[value] }))}
                empty="–"
              />
              <TextField
                span={6}
                field={need.food}
                label="or any other food"

                autoComplete="off"
                hint="such as corn or banana"
              />
              <SelectField span={6} field={need.severity} label="Severity" options={optionsOf(words)} empty="–" />
              <CheckField span={8} field={need.touchOrAir} label="even touch or the air is harmful" />
            </NeedRow>
          );
        })}
        <SelectField span={6} field={person.diet} label="Diet" options={optionsOf(dietWords)} empty="none" />
        <AreaField
          field={person.words}
          label="Anything else, in your own words"
          rows={3}
          hint="The instructor reads it before anything counts as known."
        />
        <TextField
          field={person.emergency}
          label="Where the rescue medicine and the emergency plan will be"
          autoComplete="off"
        />
      </FormGrid>
    </PersonFieldset>
  );
}
