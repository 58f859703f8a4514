import { Fieldset } from "@chakra-ui/react";
import { FormGrid } from "~/ui/parts/forms";
import { substances } from "~/core/pantry";
import { AreaField, CheckField, SelectField, TextField } from "~/ui/parts/fields";
import { type Option, optionsOf } from "~/ui/parts/options";
import { ageWords, dietWords, roleWords, severityWords, substanceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";
import { useLocale } from "~/ui/sheet/locale";
import { sayMeaning } from "~/ui/words/people";

type Field = Parameters<typeof TextField>[0]["field"] & { readonly value?: unknown };
interface Props {
  readonly fields: Readonly<
    Record<
      | "name"
      | "role"
      | "ageBand"
      | "answered"
      | "diet"
      | "grownUpId"
      | "email"
      | "note"
      | "words"
      | "areWordsRead"
      | "wordsSayNothing"
      | "emergency",
      Field
    >
  >;
  readonly grownUps: readonly Option[];
  readonly needs: readonly Readonly<
    Record<"substance" | "food" | "severity" | "touchOrAir" | "note" | "covers" | "isOnlyThis", Field>
  >[];
}

/** One person: who, and what they must or want to avoid. */
export function PersonFields({ fields, needs, grownUps }: Props) {
  const words = wordsIn(severityWords, useLocale());
  return (
    <>
      <TextField span={6} field={fields.name} label="Name" autoComplete="off" />
      <SelectField span={3} field={fields.role} label="What they do" options={optionsOf(roleWords)} />
      <SelectField span={3} field={fields.ageBand} label="Age" options={optionsOf(ageWords)} />
      <SelectField
        span={6}
        field={fields.grownUpId}
        label="Looked after by"
        options={grownUps}
        empty="nobody named"
        isFound
      />
      <TextField
        span={6}
        field={fields.email}
        label="E-mail for reminders"
        type="email"
        autoComplete="off"

        hint="theirs, or the guardian’s"
      />
      <SelectField
        span={6}
        field={fields.answered}
        label="Allergies and diet"
        options={[
          { value: "no", label: "not answered" },
          { value: "yes", label: "answered" },
        ]}
        hint="Not answered is not “none”."
      />
      <SelectField span={6} field={fields.diet} label="Diet" options={optionsOf(dietWords)} empty="none given" />
      <Fieldset.Root>
        <Fieldset.Legend>Avoids</Fieldset.Legend>
        {needs.map((need, index) => (
          <FormGrid pb="2" key={need.substance.name}>
            <SelectField
              span={3}
              field={need.substance}
              label={`What${index > 0 ? ` (${index + 1})` : ""}`}
              options={substances.map((value) => ({ value, label: substanceWords[value] }))}
              empty="–"
            />
            <TextField
              span={3}
              field={need.food}
              label="or any food"

              autoComplete="off"
              hint="corn, banana"
            />
            <SelectField span={3} field={need.severity} label="Severity" options={optionsOf(words)} empty="–" />
            <TextField span={3} field={need.note} label="In their words" autoComplete="off" />
            <CheckField span={3} field={need.touchOrAir} label="touch or air matters" />
            <TextField
              span={6}
              field={need.covers}
              label="That food covers"

              autoComplete="off"
              hint={sayMeaning(String(need.food.value ?? ""))}
            />
            <CheckField span={3} field={need.isOnlyThis} label="only what is called that" />
          </FormGrid>
        ))}
      </Fieldset.Root>
      <AreaField
        span={8}
        field={fields.words}
        label="What was said in free words"

        rows={2}
        hint="The program does not interpret this: until you tick the box, every verdict is unknown."
      />
      <CheckField span={4} field={fields.areWordsRead} label="read, notes too, and turned into what stands above" />
      <CheckField span={4} field={fields.wordsSayNothing} label="I have read them: nothing to avoid in them" />
      <TextField
        span={8}
        field={fields.emergency}
        label="Where the rescue medicine and the emergency plan are"

        autoComplete="off"
      />
      <TextField
        span={4}
        field={fields.note}
        label="Note"

        autoComplete="off"
        hint="no health: left-handed, leaves early"
      />
    </>
  );
}
