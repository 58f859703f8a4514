import { type ComponentProps, type ReactNode, createContext, useContext, useId } from "react";
import type { DraftProblem } from "~/core/recipe";
import { useLocale } from "~/ui/sheet/locale";
import { sayProblem } from "~/ui/words/batter";
import { PlainButton, PlainInput, PlainSelect, Tick } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";
import type { Styled } from "~/ui/theme/parts";

/** What is wrong, by the place of the field it is about. */
export const ProblemsContext = createContext<ReadonlyMap<string, DraftProblem>>(new Map());

/** The sentence beside a field, when there is one. */
export function Problem({ path, id }: { path: string; id?: string }) {
  const problem = useContext(ProblemsContext).get(path);
  const locale = useLocale();
  return problem ? (
    <span className={look("field-error")} id={id} role="note">
      {sayProblem(problem, locale)}
    </span>
  ) : null;
}

interface CellProps extends Omit<ComponentProps<"input">, "onChange" | "value" | "className"> {
  readonly className?: Styled | undefined;
  readonly label: string;
  readonly value: string;
  readonly onText: (text: string) => void;
  readonly path?: string;
  /** Shown above the field, not only spoken. */
  readonly isLabelled?: boolean;
  readonly unit?: string;
}

/** One text field of a form that is read while it is typed. */
export function Cell({ label, value, onText, path = "", isLabelled = false, unit, className, ...rest }: CellProps) {
  const id = useId();
  const hasProblem = useContext(ProblemsContext).has(path);
  return (
    <div className={look("cell", className)}>
      <label className={look("cell-of")}>
        <span className={isLabelled ? look("cell-label") : look("vh")}>{label}</span>
        <span className={look("cell-box")}>
          <PlainInput
            value={value}
            onChange={(event) => onText(event.target.value)}
            aria-invalid={hasProblem || undefined}
            aria-describedby={hasProblem ? id : undefined}
            autoComplete="off"
            {...rest}
          />
          {unit ? (
            <span className={look("quiet", "small")} aria-hidden="true">
              {unit}
            </span>
          ) : null}
        </span>
      </label>
      <Problem path={path} id={id} />
    </div>
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
  className,
}: {
  label: string;
  value: V | "";
  options: readonly Choice<V>[];
  onPick: (value: V) => void;
  isLabelled?: boolean;
  empty?: string;
  path?: string;
  className?: Styled | undefined;
}) {
  return (
    <div className={look("cell", className)}>
      <label className={look("cell-of")}>
        <span className={isLabelled ? look("cell-label") : look("vh")}>{label}</span>
        <PlainSelect value={value} onChange={(event) => onPick(event.target.value as V)}>
          {empty === undefined ? null : <option value="">{empty}</option>}
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </PlainSelect>
      </label>
      <Problem path={path} />
    </div>
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
    <fieldset className={look("ticks")}>
      <legend>{legend}</legend>
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
    </fieldset>
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
    <div className={look("span-cells")} role="group" aria-label={label}>
      <span className={look("cell-label")}>{label}</span>
      {(["low", "likely", "high"] as const).map((key) => (
        <Cell
          key={key}
          label={`${label}, ${{ low: "shortest", likely: "likely", high: "longest" }[key]}`}
          value={value[key]}
          onText={(text) => onSpan({ ...value, [key]: text })}
          path={`${path}.${key}`}
          inputMode="decimal"
          className={look("tiny")}
        />
      ))}
      <span className={look("quiet", "small")}>min</span>
    </div>
  );
}

/** A quiet button in a row of the sheet. */
export const RowButton = ({ children, ...rest }: ComponentProps<"button"> & { children: ReactNode }) => (
  <PlainButton type="button" className={look("row-button")} {...rest}>
    {children}
  </PlainButton>
);
