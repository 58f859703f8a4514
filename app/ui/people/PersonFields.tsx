import { substances } from "~/core/pantry";
import { CheckField, SelectField, TextField, optionsOf } from "~/ui/sheet/controls";
import { ageWords, dietWords, roleWords, severityWords, substanceWords } from "~/ui/words/en";

type Field = Parameters<typeof TextField>[0]["field"];
interface Props {
  readonly fields: Readonly<Record<"name" | "role" | "ageBand" | "answered" | "diet", Field>>;
  readonly needs: readonly Readonly<Record<"substance" | "severity" | "touchOrAir" | "note", Field>>[];
}

/** One person: who, and what they must or want to avoid. */
export function PersonFields({ fields, needs }: Props) {
  return (
    <>
      <TextField field={fields.name} label="Name" className="c6" autoComplete="off" />
      <SelectField field={fields.role} label="What they do" options={optionsOf(roleWords)} className="c3" />
      <SelectField field={fields.ageBand} label="Age" options={optionsOf(ageWords)} className="c3" />
      <SelectField
        field={fields.answered}
        label="Allergies and diet"
        options={[
          { value: "no", label: "not answered" },
          { value: "yes", label: "answered" },
        ]}
        hint="Not answered is not “none”."
        className="c6"
      />
      <SelectField field={fields.diet} label="Diet" options={optionsOf(dietWords)} empty="none given" className="c6" />
      <fieldset>
        <legend>Avoids</legend>
        {needs.map((need, index) => (
          <div className="form" key={need.substance.name} style={{ paddingBottom: 8 }}>
            <SelectField
              field={need.substance}
              label={`What${index > 0 ? ` (${index + 1})` : ""}`}
              options={substances.map((value) => ({ value, label: substanceWords[value] }))}
              empty="–"
              className="c3"
            />
            <SelectField
              field={need.severity}
              label="How bad"
              options={optionsOf(severityWords)}
              empty="–"
              className="c3"
            />
            <TextField field={need.note} label="In their words" className="c3" autoComplete="off" />
            <CheckField field={need.touchOrAir} label="touch or air matters" className="c3" />
          </div>
        ))}
      </fieldset>
    </>
  );
}
