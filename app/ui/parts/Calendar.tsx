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
      locale={locale}
      {...(day === undefined ? {} : { defaultValue: [parseDate(day)] })}
      onValueChange={({ value }) => {
        const [chosen] = value;
        if (chosen) onChoose(chosen.toString());
      }}
    >
      <DatePicker.View view="day">
        <DatePicker.Header />
        <DatePicker.DayTable />
      </DatePicker.View>
      <DatePicker.View view="month">
        <DatePicker.Header />
        <DatePicker.MonthTable />
      </DatePicker.View>
      <DatePicker.View view="year">
        <DatePicker.Header />
        <DatePicker.YearTable />
      </DatePicker.View>
    </DatePicker.Root>
  );
}
