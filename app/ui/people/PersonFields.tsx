import { substances } from "~/core/pantry";
import { AreaField, CheckField, SelectField, TextField } from "~/ui/parts/fields";
import { type Option, optionsOf } from "~/ui/parts/options";
import { ageWords, dietWords, roleWords, severityWords, substanceWords } from "~/ui/words/en";
import { wordsIn } from "~/ui/words/regional";
import { useLocale } from "~/ui/sheet/locale";
import { sayMeaning } from "~/ui/words/people";
import { look } from "~/ui/theme/look";

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
      <TextField field={fields.name} label="Name" className={look("c6")} autoComplete="off" />
      <SelectField field={fields.role} label="What they do" options={optionsOf(roleWords)} className={look("c3")} />
      <SelectField field={fields.ageBand} label="Age" options={optionsOf(ageWords)} className={look("c3")} />
      <SelectField
        field={fields.grownUpId}
        label="Looked after by"
        options={grownUps}
        empty="nobody named"
        isFound
        className={look("c6")}
      />
      <TextField
        field={fields.email}
        label="E-mail for reminders"
        type="email"
        autoComplete="off"
        className={look("c6")}
        hint="theirs, or the guardian’s"
      />
      <SelectField
        field={fields.answered}
        label="Allergies and diet"
        options={[
          { value: "no", label: "not answered" },
          { value: "yes", label: "answered" },
        ]}
        hint="Not answered is not “none”."
        className={look("c6")}
      />
      <SelectField
        field={fields.diet}
        label="Diet"
        options={optionsOf(dietWords)}
        empty="none given"
        className={look("c6")}
      />
      <fieldset>
        <legend>Avoids</legend>
        {needs.map((need, index) => (
          <div className={look("form", "filled-below")} key={need.substance.name}>
            <SelectField
              field={need.substance}
              label={`What${index > 0 ? ` (${index + 1})` : ""}`}
              options={substances.map((value) => ({ value, label: substanceWords[value] }))}
              empty="–"
              className={look("c3")}
            />
            <TextField
              field={need.food}
              label="or any food"
              className={look("c3")}
              autoComplete="off"
              hint="corn, banana"
            />
            <SelectField
              field={need.severity}
              label="How bad"
              options={optionsOf(words)}
              empty="–"
              className={look("c3")}
            />
            <TextField field={need.note} label="In their words" className={look("c3")} autoComplete="off" />
            <CheckField field={need.touchOrAir} label="touch or air matters" className={look("c3")} />
            <TextField
              field={need.covers}
              label="That food covers"
              className={look("c6")}
              autoComplete="off"
              hint={sayMeaning(String(need.food.value ?? ""))}
            />
            <CheckField field={need.isOnlyThis} label="only what is called that" className={look("c3")} />
          </div>
        ))}
      </fieldset>
      <AreaField
        field={fields.words}
        label="What was said in free words"
        className={look("c8")}
        rows={2}
        hint="The program does not interpret this: until you tick the box, every verdict is unknown."
      />
      <CheckField
        field={fields.areWordsRead}
        label="read, notes too, and turned into what stands above"
        className={look("c4")}
      />
      <CheckField
        field={fields.wordsSayNothing}
        label="I have read them: nothing to avoid in them"
        className={look("c4")}
      />
      <TextField
        field={fields.emergency}
        label="Where the rescue medicine and the emergency plan are"
        className={look("c8")}
        autoComplete="off"
      />
      <TextField
        field={fields.note}
        label="Note"
        className={look("c4")}
        autoComplete="off"
        hint="no health: left-handed, leaves early"
      />
    </>
  );
}
