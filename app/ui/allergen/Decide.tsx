import { Form } from "react-router";
import { type Decision, type Opening, decisionsFor } from "~/core/plan";
import { useLocale } from "~/ui/sheet/locale";
import { wordsIn } from "~/ui/words/regional";
import { Choice, Primary } from "~/ui/parts/fields";
import { decisionWords, openingWords } from "~/ui/words/people";
import { look } from "~/ui/theme/look";

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
    <Form method="post" className={look("no-print", "above-l")}>
      <h3>Settle this table</h3>
      {typed ? (
        <div className={look("form-error")} role="alert">
          Not signed: something below has no decision yet. Choose one for each line, then sign again.
        </div>
      ) : null}
      {setApart.length > 0 ? <p>Set apart, at a station of their own: {setApart.join(", ")}.</p> : null}
      {openings.length === 0 ? <p>Nothing stands open.</p> : null}
      {openings.map(({ participantId, name, kind }) => {
        const field = `decide ${participantId} ${kind}`;
        const before = decided.find((one) => one.participantId === participantId && one.kind === kind);
        return (
          <div className={look("form", "filled-below")} key={field}>
            <label className={look("c8")} htmlFor={field}>
              <b>{name}</b>: {words[kind]}
            </label>
            <div className={look("c4")}>
              <Choice
                id={field}
                name={field}
                defaultValue={String(typed?.[field] ?? before?.decision ?? "")}
                options={decisionsFor(kind).map((one) => ({ value: one, label: decisionWords[one] }))}
                empty="to be decided …"
              />
            </div>
          </div>
        );
      })}
      <div className={look("actions")}>
        <Primary name="intent" value="settle">
          Settle allergies
        </Primary>
      </div>
    </Form>
  );
}
