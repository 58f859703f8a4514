import { LuSearch } from "react-icons/lu";
import { FindableBox, FoundPanel } from "~/ui/parts/pickers";
import { TickLabel, TickRow, colSpan } from "~/ui/parts/forms";
import type { Option } from "./options";
import {
  Alert,
  Box,
  Button,
  Field,
  Fieldset,
  Flex,
  Input,
  Link,
  List,
  NativeSelect,
  Text,
  Textarea,
} from "@chakra-ui/react";
import type { FieldMetadata } from "@conform-to/react";
import { type ComponentProps, type ReactNode, Suspense, lazy, useRef, useState } from "react";
import { Link as RouterLink } from "react-router";
import { PlainButton, Tick } from "~/ui/parts/plain";

/** A link in running text. */
export const TextLink = ({
  to,
  state,
  reloadDocument,
  children,
  ...rest
}: ComponentProps<typeof Link> & Pick<ComponentProps<typeof RouterLink>, "to" | "state" | "reloadDocument">) => (
  <Link asChild {...rest}>
    <RouterLink to={to} state={state} {...(reloadDocument ? { reloadDocument } : {})}>
      {children}
    </RouterLink>
  </Link>
);

/** A link to a file: a plain anchor, as the router must not fetch it as a page. */
export const FileLink = ({ href, children }: { href: string; children: ReactNode }) => (
  <Link href={href} download>
    {children}
  </Link>
);

/** What a field needs of its form's metadata, whatever the form. */
type Meta = Pick<FieldMetadata<unknown>, "id" | "name" | "errors" | "errorId" | "descriptionId"> & {
  readonly initialValue?: unknown;
};

export interface Common {
  readonly field: Meta;
  readonly label: string;
  readonly hint?: ReactNode;
  /** How many of a form's twelve columns it takes; all of them without. */
  readonly span?: number | undefined;
}

const placeOf = (span: number | undefined) => (span === undefined ? {} : { gridColumn: colSpan(span) });

export function valueOf(field: Meta): string | undefined {
  const { initialValue } = field;
  return initialValue === undefined || initialValue === null ? undefined : String(initialValue);
}

/** Label above, what is wrong below, beside the field it is about. */
export function Labelled({ field, label, hint, span, children }: Common & { children: ReactNode }) {
  // Each reading of a form's field is worked out by the form: once is enough.
  const { errors, id, errorId, descriptionId } = field;
  return (
    <Field.Root
      {...placeOf(span)}
      invalid={Boolean(errors?.length)}
      ids={{ control: id, errorText: errorId, helperText: descriptionId }}
    >
      <Field.Label>{label}</Field.Label>
      {children}
      {hint ? <Field.HelperText>{hint}</Field.HelperText> : null}
      <Field.ErrorText>{errors?.[0]}</Field.ErrorText>
    </Field.Root>
  );
}

export type TextFieldProps = Common & Omit<ComponentProps<typeof Input>, "children">;

export function TextField({ field, label, hint, span, ...rest }: TextFieldProps) {
  const value = valueOf(field);
  return (
    <Labelled field={field} label={label} hint={hint} span={span}>
      <Input key={value} name={field.name} defaultValue={value} {...rest} />
    </Labelled>
  );
}

export const NumberField = (props: TextFieldProps) => <TextField inputMode="numeric" autoComplete="off" {...props} />;

export const AreaField = ({ field, label, hint, span, ...rest }: Common & ComponentProps<typeof Textarea>) => (
  <Labelled field={field} label={label} hint={hint} span={span}>
    <Textarea name={field.name} defaultValue={valueOf(field)} {...rest} />
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
    <FindableBox
      ref={place}

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
        <LuSearch size="20" aria-hidden="true" />
      </PlainButton>
      {isOpen ? (
        <FoundPanel>
          <Suspense fallback="One moment …">
            <TypeToFind label={`${label}: a part of the name`} options={options} onChoose={choose} />
          </Suspense>
        </FoundPanel>
      ) : null}
    </FindableBox>
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
  <NativeSelect.Root>
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
  span,
  options,
  empty,
  isFound = false,
}: Common & {
  options: readonly Option[];
  empty?: string;
  /** The list is somebody's own and may grow long: it can be found in by typing. */
  isFound?: boolean;
}) => (
  <Labelled field={field} label={label} hint={hint} span={span}>
    <Findable options={isFound ? options : []} label={label}>
      <Choice name={field.name} defaultValue={valueOf(field) ?? ""} options={options} empty={empty} />
    </Findable>
  </Labelled>
);

/** A yes-or-no, as a browser's own box: it works without script and is announced everywhere. */
export const CheckField = ({ field, label, span }: Common) => (
  <Box {...placeOf(span)}>
    <TickLabel>
      <Tick
        name={field.name}
        id={field.id}
        defaultChecked={field.initialValue === "on" || field.initialValue === true}
      />
      {label}
    </TickLabel>
  </Box>
);

/** Any number of things from a list, as boxes. */
export function CheckGroup({ field, label, span, options }: Common & { options: readonly Option[] }) {
  const ticked = Array.isArray(field.initialValue) ? field.initialValue.map(String) : [valueOf(field)];
  return (
    <Fieldset.Root {...placeOf(span)} aria-describedby={field.errors?.length ? field.errorId : undefined}>
      <Fieldset.Legend>{label}</Fieldset.Legend>
      <TickRow>
        {options.map((option) => (
          <label key={option.value}>
            <Tick name={field.name} value={option.value} defaultChecked={ticked.includes(option.value)} />{" "}
            {option.label}
          </label>
        ))}
      </TickRow>
      {field.errors?.length ? (
        <Text layerStyle="needsYou" fontSize="sm" id={field.errorId}>
          {field.errors[0]}
        </Text>
      ) : null}
    </Fieldset.Root>
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
  <Button _print={{ display: "none" }} asChild data-primary minHeight="44px" fontSize="17px" colorPalette="ink">
    <RouterLink to={to}>{children}</RouterLink>
  </Button>
);

/** What is wrong with a form as a whole. */
export function FormError({ title, problems }: { title: string; problems: readonly string[] }) {
  if (problems.length === 0) return null;
  return (
    <Alert.Root status="error" role="alert">
      <b>{title}</b>
      <List.Root>
        {problems.map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
      </List.Root>
    </Alert.Root>
  );
}
