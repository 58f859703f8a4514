import { Form, useSubmit } from "react-router";
import { Ask } from "~/ui/parts/Ask";
import { Primary } from "~/ui/parts/fields";
import { MenuAction, MenuFile, MenuRule, MoreMenu, useOpening } from "~/ui/parts/Menu";
import { DayInput } from "~/ui/parts/DateField";
import { Hidden, PlainInput, Tick } from "~/ui/parts/plain";

interface Props {
  readonly base: string;
  readonly title: string;
  readonly startsAt: string;
  readonly isLead: boolean;
  readonly isAside: boolean;
}

/** What is done with a class as a whole, and seldom: its files, another day for it, its removal. */
export function ClassMenu({ base, title, startsAt, isLead, isAside }: Props) {
  const removal = useOpening();
  const again = useOpening();
  const send = useSubmit();
  return (
    <>
      <MoreMenu label="More">
        {isLead ? <MenuFile href={`${base}/class-file.json`}>Save the class file</MenuFile> : null}
        <MenuFile href={`${base}/timeline.ics`}>Save it for a calendar</MenuFile>
        {isLead ? (
          <>
            <MenuRule />
            <MenuAction name="again" onSelect={again.open}>
              Plan it again …
            </MenuAction>
            <MenuAction
              name="aside"
              onSelect={() => {
                void send({ intent: isAside ? "back" : "aside" }, { method: "post", action: base });
              }}
            >
              {isAside ? "Take it back to the list" : "Put it aside"}
            </MenuAction>
            <MenuAction name="remove" onSelect={removal.open}>
              Remove the class …
            </MenuAction>
          </>
        ) : null}
      </MoreMenu>
      <Ask
        isOpen={again.isOpen}
        onClose={again.close}
        title={`Plan “${title}” again`}
        wayOut="Not now"
        answer={<Primary form="plan-again">Plan it</Primary>}
      >
        <p>
          The same brief, recipes and kitchen on another day, or on that day every week. Labels and answers are asked
          anew.
        </p>
        <Form method="post" action={base} id="plan-again" className="form">
          <Hidden name="intent" value="again" />
          <label>
            On
            <DayInput name="date" defaultValue={startsAt.slice(0, 10)} />
          </label>
          <label>
            Times in all, a week apart
            <PlainInput
              className="chakra-input"
              name="weeks"
              inputMode="numeric"
              defaultValue="1"
              pattern="[1-9]|[1-3][0-9]|40"
              title="1 to 40"
            />
          </label>
          <label className="check">
            <Tick name="people" value="on" /> with the people, by name
          </label>
        </Form>
      </Ask>
      <Ask
        isOpen={removal.isOpen}
        onClose={removal.close}
        title={`Remove “${title}”?`}
        wayOut="Keep it"
        answer={<Primary form="remove-class">Remove it</Primary>}
      >
        <p>
          Its brief, people, labels, ticks, events and log go out of sight, and links for answers stop working. For 30
          days it can be put back from “Removed classes”; then it is gone for good.
        </p>
        <Form method="post" action={base} id="remove-class">
          <Hidden name="intent" value="remove" />
        </Form>
      </Ask>
    </>
  );
}
