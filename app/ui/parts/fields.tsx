import type { Option } from "./options";
import { Field } from "@ark-ui/react/field";
import { Button, Flex, Input, NativeSelect, Textarea } from "@chakra-ui/react";
import type { FieldMetadata } from "@conform-to/react";
import { type ComponentProps, type ReactNode, Suspense, lazy, useRef, useState } from "react";
import { Link } from "react-router";
import { PlainButton, Tick } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

/** A link in running text. */
export const TextLink = ({ to, children, ...rest }: ComponentProps<typeof Link>) => (
  <Link className={look("text")} to={to} {...rest}>
    {children}
  </Link>
);

/** A link to a file: a plain anchor, as the router must not fetch it as a page. */
export const FileLink = ({ href, children }: { href: string; children: ReactNode }) => (
  <a className={look("text")} href={href} download>
    {children}
  </a>
);

/** What a field needs of its form's metadata, whatever the form. */
type Meta = Pick<FieldMetadata<unknown>, "id" | "name" | "errors" | "errorId" | "descriptionId"> & {
  readonly initialValue?: unknown;
};

export interface Common {
  readonly field: Meta;
  readonly label: string;
  readonly hint?: ReactNode;
  readonly className?: string;
}

export function valueOf(field: Meta): string | undefined {
  const { initialValue } = field;
  return initialValue === undefined || initialValue === null ? undefined : String(initialValue);
}

/**
 * Label above, what is wrong below, beside the field it is about. What is only read comes from the layer below Chakra's, without styles
 * of its own: the theme styles all of it at once.
 */
export function Labelled({ field, label, hint, className, children }: Common & { children: ReactNode }) {
  // Each reading of a form's field is worked out by the form: once is enough.
  const { errors, id, errorId, descriptionId } = field;
  return (
    <Field.Root
      className={className}
      invalid={Boolean(errors?.length)}
      ids={{ control: id, errorText: errorId, helperText: descriptionId }}
    >
      <Field.Label>{label}</Field.Label>
      {children}
      {hint ? <Field.HelperText>{hint}</Field.HelperText> : null}
      <Field.ErrorText className={look("field-error")}>{errors?.[0]}</Field.ErrorText>
    </Field.Root>
  );
}

export type TextFieldProps = Common & Omit<ComponentProps<typeof Input>, "children">;

export function TextField({ field, label, hint, className, ...rest }: TextFieldProps) {
  const value = valueOf(field);
  return (
    <Labelled field={field} label={label} hint={hint} className={className}>
      <Input key={value} name={field.name} defaultValue={value} unstyled {...rest} />
    </Labelled>
  );
}

export const NumberField = (props: TextFieldProps) => <TextField inputMode="numeric" autoComplete="off" {...props} />;

export const AreaField = ({ field, label, hint, className, ...rest }: Common & ComponentProps<typeof Textarea>) => (
  <Labelled field={field} label={label} hint={hint} className={className}>
    <Textarea name={field.name} defaultValue={valueOf(field)} unstyled {...rest} />
  </Labelled>
);

/** With the first press: nobody else pays for it. */
const TypeToFind = lazy(() => import("./TypeToFind"));

/** A list longer than this is found in by typing, too. */
const longList = 7;

interface FindableProps {
  readonly options: readonly Option[];
  /** What is chosen, as it stands before "find by typing". */
  readonly label: string;
  /** The select whose options these are. */
  readonly children: ReactNode;
}

/** A select that can also be found in by typing once its list is long; the select keeps the value, and works where no script runs. */
export function Findable({ options, label, children }: FindableProps) {
  const place = useRef<HTMLDivElement>(null);
  const opener = useRef<HTMLButtonElement>(null);
  const [isOpen, setOpen] = useState(false);
  if (options.length <= longList) return children;
  const close = () => {
    setOpen(false);
    opener.current?.focus();
  };
  const choose = (value: string) => {
    const select = place.current?.querySelector("select");
    if (select) {
      // As if chosen by hand, so that whoever listens to the form hears of it.
      Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value")?.set?.call(select, value);
      select.dispatchEvent(new Event("input", { bubbles: true }));
      select.dispatchEvent(new Event("change", { bubbles: true }));
    }
    close();
  };
  return (
    <div
      ref={place}
      className={look("findable")}
      // Before the list takes the key to empty its word.
      onKeyDownCapture={(event) => {
        if (event.key !== "Escape" || !isOpen) return;
        event.stopPropagation();
        close();
      }}
      onBlur={({ currentTarget, relatedTarget }) => {
        if (relatedTarget && !currentTarget.contains(relatedTarget)) setOpen(false);
      }}
    >
      {children}
      <PlainButton
        type="button"
        ref={opener}
        aria-label={`${label}: find by typing`}
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
          <path
            d="M12.5 12.5 17 17M14 8.5a5.5 5.5 0 1 1-11 0 5.5 5.5 0 0 1 11 0z"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.5"
          />
        </svg>
      </PlainButton>
      {isOpen ? (
        <div className={look("found")}>
          <Suspense fallback="One moment …">
            <TypeToFind label={`${label}: a part of the name`} options={options} onChoose={choose} />
          </Suspense>
        </div>
      ) : null}
    </div>
  );
}

/** The bare list to choose from, for a place that names it by itself; `SelectField` where it is a field of a form. */
export const Choice = ({
  options,
  empty,
  ...select
}: { options: readonly Option[]; empty: string | undefined } & Pick<
  ComponentProps<typeof NativeSelect.Field>,
  "id" | "name" | "defaultValue"
>) => (
  <NativeSelect.Root unstyled>
    <NativeSelect.Field {...select}>
      {empty === undefined ? null : <option value="">{empty}</option>}
      {options.map((option) => (
        <option key={option.value} value={option.value}>
          {option.label}
        </option>
      ))}
    </NativeSelect.Field>
  </NativeSelect.Root>
);

export const SelectField = ({
  field,
  label,
  hint,
  className,
  options,
  empty,
  isFound = false,
}: Common & {
  options: readonly Option[];
  empty?: string;
  /** The list is somebody's own and may grow long: it can be found in by typing. */
  isFound?: boolean;
}) => (
  <Labelled field={field} label={label} hint={hint} className={className}>
    <Findable options={isFound ? options : []} label={label}>
      <Choice name={field.name} defaultValue={valueOf(field) ?? ""} options={options} empty={empty} />
    </Findable>
  </Labelled>
);

/** A yes-or-no, as a browser's own box: it works without script and is announced everywhere. */
export const CheckField = ({ field, label, className }: Common) => (
  <div className={className}>
    <label className={look("check")}>
      <Tick
        name={field.name}
        id={field.id}
        defaultChecked={field.initialValue === "on" || field.initialValue === true}
      />
      {label}
    </label>
  </div>
);

/** Any number of things from a list, as boxes. */
export function CheckGroup({ field, label, className, options }: Common & { options: readonly Option[] }) {
  const ticked = Array.isArray(field.initialValue) ? field.initialValue.map(String) : [valueOf(field)];
  return (
    <fieldset className={className} aria-describedby={field.errors?.length ? field.errorId : undefined}>
      <legend>{label}</legend>
      <div className={look("checks")}>
        {options.map((option) => (
          <label key={option.value}>
            <Tick name={field.name} value={option.value} defaultChecked={ticked.includes(option.value)} />{" "}
            {option.label}
          </label>
        ))}
      </div>
      {field.errors?.length ? (
        <p id={field.errorId} className={look("field-error")}>
          {field.errors[0]}
        </p>
      ) : null}
    </fieldset>
  );
}

export const Primary = (props: ComponentProps<typeof Button>) => (
  <Button type="submit" data-primary minHeight="44px" fontSize="17px" colorPalette="ink" {...props} />
);
export const Secondary = (props: ComponentProps<typeof Button>) => (
  <Button type="submit" variant="outline" minHeight="44px" fontSize="17px" colorPalette="ink" {...props} />
);

/** Below a form that is longer than a screen: what saves it stays in sight while anything of the form is. */
export const SaveBar = ({ children }: { children: ReactNode }) => (
  <Flex
    position="sticky"
    bottom="0"
    zIndex="docked"
    gap="3"
    wrap="wrap"
    align="center"
    paddingBlock="2"
    background="bg"
    borderTopWidth="1px"
    borderColor="border.muted"
  >
    {children}
  </Flex>
);

/** The one thing a page is mostly opened for, where that leads elsewhere. */
export const PrimaryLink = ({ to, children }: { to: string; children: ReactNode }) => (
  <Button asChild data-primary minHeight="44px" fontSize="17px" colorPalette="ink" className={look("no-print")}>
    <Link to={to}>{children}</Link>
  </Button>
);

/** What is wrong with a form as a whole. */
export function FormError({ title, problems }: { title: string; problems: readonly string[] }) {
  if (problems.length === 0) return null;
  return (
    <div className={look("form-error")} role="alert">
      <b>{title}</b>
      <ul>
        {problems.map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
      </ul>
    </div>
  );
}
