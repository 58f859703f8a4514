import { Input, Text } from "@chakra-ui/react";
import { getLocalTimeZone, parseDate, today } from "@internationalized/date";
import { GridForm, TickLabel } from "~/ui/parts/forms";
import { Form } from "react-router";
import { Ask } from "~/ui/parts/Ask";
import { DayInput } from "~/ui/parts/DateField";
import { Primary } from "~/ui/parts/fields";
import { Hidden, Tick } from "~/ui/parts/plain";

/** Whether a dialog is open, and what closes it. */
interface Opening {
  readonly isOpen: boolean;
  readonly close: () => void;
}
interface Props {
  readonly base: string;
  readonly title: string;
  readonly startsAt: string;
  readonly again: Opening;
  readonly removal: Opening;
}

/** The next day of the same weekday that is neither the class's own nor over, as an ISO day. */
function nextSameWeekday(startsAt: string): string {
  const own = parseDate(startsAt.slice(0, 10));
  const now = today(getLocalTimeZone());
  const weeks = Math.max(1, Math.ceil((now.compare(own) + 1) / 7));
  return own.add({ weeks }).toString();
}

/** What is asked before a class is planned again, or removed. */
export default function ClassDialogs({ base, title, startsAt, again, removal }: Props) {
  return (
    <>
      <Ask
        isFromMenu
        isOpen={again.isOpen}
        onClose={again.close}
        title={`Plan “${title}” again`}
        wayOut="Not now"
        answer={<Primary form="plan-again">Plan it</Primary>}
      >
        <Text>
          The same brief, recipes and kitchen on another day, or on that day every week. Labels and answers are asked
          anew.
        </Text>
        <GridForm method="post" action={base} id="plan-again">
          <Hidden name="intent" value="again" />
          <label>
            Date
            <DayInput name="date" defaultValue={nextSameWeekday(startsAt)} />
          </label>
          <label>
            Times in all, a week apart
            <Input name="weeks" inputMode="numeric" defaultValue="1" pattern="[1-9]|[1-3][0-9]|40" title="1 to 40" />
          </label>
          <TickLabel>
            <Tick name="people" value="on" /> with the people, by name
          </TickLabel>
        </GridForm>
      </Ask>
      <Ask
        isFromMenu
        isOpen={removal.isOpen}
        onClose={removal.close}
        title={`Remove “${title}”?`}
        wayOut="Keep it"
        answer={<Primary form="remove-class">Remove it</Primary>}
      >
        <Text>
          Its brief, people, labels, ticks, events and log go out of sight, and links for answers stop working. For 30
          days it can be put back from “Removed classes”; then it is gone for good.
        </Text>
        <Form method="post" action={base} id="remove-class">
          <Hidden name="intent" value="remove" />
        </Form>
      </Ask>
    </>
  );
}
