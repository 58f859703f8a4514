import { LuCalendar } from "react-icons/lu";
import { CalendarPanel, DayInputBox } from "~/ui/parts/pickers";
import { Input, Text } from "@chakra-ui/react";
import { Suspense, lazy, useRef, useState } from "react";
import { readDay, readTime, writeDay, writeTime } from "~/formats/dates";
import { useLocale } from "~/ui/sheet/locale";
import { PlainButton } from "~/ui/parts/plain";
import { type Common, Labelled, valueOf } from "./fields";

/** With the first press: nobody else pays for it. */
const Calendar = lazy(() => import("./Calendar"));

/** Puts a value into a field as if it were typed, so that whoever listens to the form hears of it. */
function typeInto(field: HTMLInputElement, value: string): void {
  const own = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value");
  own?.set?.call(field, value);
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

interface DayInputProps {
  readonly name: string;
  readonly id?: string | undefined;
  /** An ISO day, or whatever was typed in its place. */
  readonly defaultValue?: string | undefined;
}

/** A day as its reader writes it, with a calendar to press it in; it works as text where no script runs. */
export function DayInput({ name, id, defaultValue = "" }: DayInputProps) {
  const locale = useLocale();
  const field = useRef<HTMLInputElement>(null);
  const opener = useRef<HTMLButtonElement>(null);
  const [isOpen, setOpen] = useState(false);
  const shown = writeDay(defaultValue, locale);
  const typed = () => {
    const read = readDay(field.current?.value ?? "");
    return read.ok ? read.iso : undefined;
  };
  const close = () => {
    setOpen(false);
    opener.current?.focus();
  };
  const choose = (iso: string) => {
    if (field.current) typeInto(field.current, writeDay(iso, locale));
    close();
  };
  return (
    <DayInputBox
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !isOpen) return;
        event.stopPropagation();
        close();
      }}
      onBlur={({ currentTarget, relatedTarget }) => {
        // Whoever goes on to another field has done with it; a press on paper leaves it open for the next.
        if (relatedTarget && !currentTarget.contains(relatedTarget)) setOpen(false);
      }}
    >
      <Input
        key={shown}
        ref={field}
        id={id}
        name={name}
        defaultValue={shown}
        autoComplete="off"
        onBlur={(event) => {
          // Read at once, so that a day typed in another order is seen as it was understood.
          const read = typed();
          if (read !== undefined) event.target.value = writeDay(read, locale);
        }}
      />
      <PlainButton
        type="button"
        ref={opener}
        aria-label="Choose a day from a calendar"
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
      >
        <LuCalendar size="20" aria-hidden="true" />
      </PlainButton>
      {isOpen ? (
        <CalendarPanel role="group" aria-label="Calendar">
          <Suspense fallback={<Text>One moment …</Text>}>
            <Calendar day={typed()} locale={locale} onChoose={choose} />
          </Suspense>
        </CalendarPanel>
      ) : null}
    </DayInputBox>
  );
}

/** A day as a field of a form. */
export function DateField({ field, label, hint, span }: Common) {
  return (
    <Labelled field={field} label={label} hint={hint} span={span}>
      <DayInput name={field.name} defaultValue={valueOf(field)} />
    </Labelled>
  );
}

/** A time of day as its reader writes it. */
export function TimeField({ field, label, hint, span }: Common) {
  const locale = useLocale();
  const shown = writeTime(valueOf(field) ?? "", locale);
  return (
    <Labelled field={field} label={label} hint={hint} span={span}>
      <Input
        key={shown}
        name={field.name}
        defaultValue={shown}
        autoComplete="off"
        onBlur={(event) => {
          const read = readTime(event.target.value);
          if (read !== undefined) event.target.value = writeTime(read, locale);
        }}
      />
    </Labelled>
  );
}
