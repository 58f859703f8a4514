import { DatePicker } from "@chakra-ui/react";
import { parseDate } from "@internationalized/date";

interface Props {
  /** An ISO day; left out, the calendar opens at the present month. */
  readonly day: string | undefined;
  readonly locale: string;
  readonly onChoose: (iso: string) => void;
}

/** A month to press a day in, by hand or by the arrow keys. */
export default function Calendar({ day, locale, onChoose }: Props) {
  return (
    <DatePicker.Root
      inline
      unstyled
      locale={locale}
      {...(day === undefined ? {} : { defaultValue: [parseDate(day)] })}
      onValueChange={({ value }) => {
        const [chosen] = value;
        if (chosen) onChoose(chosen.toString());
      }}
    >
      <DatePicker.View view="day" unstyled>
        <DatePicker.Header unstyled />
        <DatePicker.DayTable unstyled />
      </DatePicker.View>
      <DatePicker.View view="month" unstyled>
        <DatePicker.Header unstyled />
        <DatePicker.MonthTable unstyled />
      </DatePicker.View>
      <DatePicker.View view="year" unstyled>
        <DatePicker.Header unstyled />
        <DatePicker.YearTable unstyled />
      </DatePicker.View>
    </DatePicker.Root>
  );
}
