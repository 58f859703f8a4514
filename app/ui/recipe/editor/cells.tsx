import { SpanFields, TickSet } from "~/ui/parts/editor";
import { InlineBox, InlineField, InlineFieldLabel, InlineLabel } from "~/ui/parts/forms";
import { Fieldset, Span, VisuallyHidden } from "@chakra-ui/react";
import { type ComponentProps, createContext, useContext, useId } from "react";
import type { DraftProblem } from "~/core/recipe";
import { useLocale } from "~/ui/sheet/locale";
import { sayProblem } from "~/ui/words/batter";
import { PlainInput, PlainSelect, Tick } from "~/ui/parts/plain";

/** What is wrong, by the place of the field it is about. */
export const ProblemsContext = createContext<ReadonlyMap<string, DraftProblem>>(new Map());

/** The sentence beside a field, when there is one. */
export function Problem({ path, id }: { path: string; id?: string }) {
  const problem = useContext(ProblemsContext).get(path);
  const locale = useLocale();
  return problem ? (
    <Span layerStyle="needsYou" fontSize="sm" id={id} role="note">
      {sayProblem(problem, locale)}
    </Span>
  ) : null;
}

type FieldSpan = NonNullable<ComponentProps<typeof InlineField>["span"]>;

interface CellProps extends Omit<ComponentProps<"input">, "onChange" | "value"> {
  readonly span?: FieldSpan | undefined;
  readonly label: string;
  readonly value: string;
  readonly onText: (text: string) => void;
  readonly path?: string;
  /** Shown above the field, not only spoken. */
  readonly isLabelled?: boolean;
  readonly unit?: string;
}

/** One text field of a form that is read while it is typed. */
export function Cell({ label, value, onText, path = "", isLabelled = false, unit, span, ...rest }: CellProps) {
  const id = useId();
  const hasProblem = useContext(ProblemsContext).has(path);
  return (
    <InlineField as="div" span={span} data-span={span}>
      <InlineFieldLabel>
        {isLabelled ? <InlineLabel>{label}</InlineLabel> : <VisuallyHidden>{label}</VisuallyHidden>}
        <InlineBox>
          <PlainInput
            value={value}
            onChange={(event) => onText(event.target.value)}
            aria-invalid={hasProblem || undefined}
            aria-describedby={hasProblem ? id : undefined}
            autoComplete="off"
            {...rest}
          />
          {unit ? (
            <Span color="fg.muted" fontSize="sm" aria-hidden="true">
              {unit}
            </Span>
          ) : null}
        </InlineBox>
      </InlineFieldLabel>
      <Problem path={path} id={id} />
    </InlineField>
  );
}

export interface Choice<V extends string> {
  readonly value: V;
  readonly label: string;
}
/** One choice from a list. */
export function Pick<V extends string>({
  label,
  value,
  options,
  onPick,
  isLabelled = false,
  empty,
  path = "",
  span,
}: {
  label: string;
  value: V | "";
  options: readonly Choice<V>[];
  onPick: (value: V) => void;
  isLabelled?: boolean;
  empty?: string;
  path?: string;
  span?: FieldSpan | undefined;
}) {
  return (
    <InlineField as="div" span={span} data-span={span}>
      <InlineFieldLabel>
        {isLabelled ? <InlineLabel>{label}</InlineLabel> : <VisuallyHidden>{label}</VisuallyHidden>}
        <PlainSelect value={value} onChange={(event) => onPick(event.target.value as V)}>
          {empty === undefined ? null : <option value="">{empty}</option>}
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </PlainSelect>
      </InlineFieldLabel>
      <Problem path={path} />
    </InlineField>
  );
}

/** Several of a short list, as boxes. */
export function Ticks<V extends string>({
  legend,
  all,
  chosen,
  onChosen,
}: {
  legend: string;
  all: Readonly<Record<V, string>>;
  chosen: readonly V[];
  onChosen: (chosen: readonly V[]) => void;
}) {
  return (
    <TickSet>
      <Fieldset.Legend>{legend}</Fieldset.Legend>
      {(Object.entries(all) as [V, string][]).map(([value, words]) => (
        <label key={value}>
          <Tick
            checked={chosen.includes(value)}
            onChange={(event) =>
              onChosen(event.target.checked ? [...chosen, value] : chosen.filter((one) => one !== value))
            }
          />
          {words}
        </label>
      ))}
    </TickSet>
  );
}

/** Shortest, likely, longest. */
export function SpanCells({
  label,
  value,
  onSpan,
  path,
}: {
  label: string;
  value: { readonly low: string; readonly likely: string; readonly high: string };
  onSpan: (value: { low: string; likely: string; high: string }) => void;
  path: string;
}) {
  return (
    <SpanFields role="group" aria-label={label}>
      <InlineLabel>{label}</InlineLabel>
      {(["low", "likely", "high"] as const).map((key) => (
        <Cell
          span="tiny"
          key={key}
          label={`${label}, ${{ low: "shortest", likely: "likely", high: "longest" }[key]}`}
          value={value[key]}
          onText={(text) => onSpan({ ...value, [key]: text })}
          path={`${path}.${key}`}
          inputMode="decimal"
        />
      ))}
      <Span color="fg.muted" fontSize="sm">
        min
      </Span>
    </SpanFields>
  );
}
