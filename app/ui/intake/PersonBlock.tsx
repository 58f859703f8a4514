import type { FieldMetadata } from "@conform-to/react";
import { type Substance, substances } from "~/core/pantry";
import { AreaField, CheckField, SelectField, TextField } from "~/ui/parts/fields";
import { optionsOf } from "~/ui/parts/options";
import { ageWords, dietWords, severityWords, substanceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";
import { useLocale } from "~/ui/sheet/locale";
import { Hidden, Pick } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

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
    <fieldset className={look("person-block")}>
      <legend>
        {isOwn ? String(person.name.initialValue ?? "") : index === 0 ? "Who it is about" : `And child ${index + 1}`}
      </legend>
      <div className={look("form")}>
        {isOwn ? (
          <Hidden name={person.name.name} value={String(person.name.initialValue ?? "")} />
        ) : (
          <TextField field={person.name} label="First and last name" autoComplete="off" className={look("c8")} />
        )}
        <SelectField
          field={person.ageBand}
          label="Age"
          options={optionsOf(ageWords)}
          empty="–"
          className={look("c4")}
        />
        <div role="group" aria-labelledby={`${answer.id}-title`}>
          <p className={look("strong")} id={`${answer.id}-title`}>
            Is there anything to avoid, in food or around it?
          </p>
          {(
            [
              ["nothing", "No, nothing"],
              ["something", "Yes, there is something"],
            ] as const
          ).map(([value, label]) => (
            <label className={look("check")} key={value}>
              <Pick name={answer.name} value={value} defaultChecked={answer.initialValue === value} />
              {label}
            </label>
          ))}
          {answer.errors?.[0] ? <p className={look("field-error")}>{answer.errors[0]}</p> : null}
        </div>
        {(person.needs.getFieldList() as FieldMetadata<Need>[]).map((row, number) => {
          const need = row.getFieldset();
          return (
            <div className={look("form", "need-row")} key={row.key ?? number}>
              <SelectField
                field={need.substance}
                label={number === 0 ? "Must avoid" : `Must avoid (${number + 1})`}
                options={listed.map((value) => ({ value, label: substanceWords[value] }))}
                empty="–"
                className={look("c6")}
              />
              <TextField
                field={need.food}
                label="or any other food"
                className={look("c6")}
                autoComplete="off"
                hint="such as corn or banana"
              />
              <SelectField
                field={need.severity}
                label="How bad"
                options={optionsOf(words)}
                empty="–"
                className={look("c6")}
              />
              <CheckField field={need.touchOrAir} label="even touch or the air is harmful" className={look("c8")} />
            </div>
          );
        })}
        <SelectField
          field={person.diet}
          label="Diet"
          options={optionsOf(dietWords)}
          empty="none"
          className={look("c6")}
        />
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
      </div>
    </fieldset>
  );
}
