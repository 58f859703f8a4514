import { Suspense, lazy } from "react";
import { useSubmit } from "react-router";
import { MenuAction, MenuFile, MenuRule, MoreMenu, useFetched, useOpening } from "~/ui/parts/Menu";

/** What asks before it does something is fetched when it first asks. */
const fetchDialogs = () => import("./ClassDialogs");
const ClassDialogs = lazy(fetchDialogs);

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
  const { isFetched: isAsked, whenFetched } = useFetched(fetchDialogs);
  const ask = ({ open }: { open: () => void }) => whenFetched(open);
  return (
    <>
      <MoreMenu label="More">
        {isLead ? <MenuFile href={`${base}/class-file.json`}>Save the class file</MenuFile> : null}
        <MenuFile href={`${base}/timeline.ics`}>Save it for a calendar</MenuFile>
        {isLead ? (
          <>
            <MenuRule />
            <MenuAction name="again" onSelect={() => ask(again)}>
              Plan it again …
            </MenuAction>
            <MenuAction
              name="aside"
              onSelect={() => {
                void send({ intent: isAside ? "back" : "aside" }, { method: "post", action: base });
              }}
            >
              {isAside ? "Take it back to the list" : "Archive it"}
            </MenuAction>
            <MenuAction name="remove" onSelect={() => ask(removal)}>
              Remove the class …
            </MenuAction>
          </>
        ) : null}
      </MoreMenu>
      {isAsked ? (
        <Suspense>
          <ClassDialogs base={base} title={title} startsAt={startsAt} again={again} removal={removal} />
        </Suspense>
      ) : null}
    </>
  );
}
