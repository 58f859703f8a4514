import { RowButton } from "~/ui/parts/keys";
import { Text } from "@chakra-ui/react";
import { PlainList } from "~/ui/parts/shopping";
import { TextLink } from "~/ui/parts/fields";
import { Form, useSearchParams } from "react-router";
import { Undo } from "~/ui/parts/Undo";
import { Fold, FoldTitle, Hidden } from "~/ui/parts/plain";

/** Where a list goes on after something of it was put aside, or taken back. */
export const afterAside = (list: string, { intent, id }: { intent: "aside" | "back"; id: string }): string =>
  intent === "aside" ? `${list}?aside=${encodeURIComponent(id)}` : list;

/** Puts one thing of a list aside, or takes it back. */
export const AsideButton = ({ action, id, isAside }: { action: string; id: string; isAside: boolean }) => (
  <Form method="post" action={action}>
    <Hidden name="intent" value={isAside ? "back" : "aside"} />
    <RowButton type="submit" name="id" value={id}>
      {isAside ? "Restore" : "Archive"}
    </RowButton>
  </Form>
);

interface Props {
  /** The list's own address: it takes things back, and each of them stands below it. */
  readonly action: string;
  readonly of: readonly { readonly id: string; readonly name: string }[];
}

/** What was put aside, folded below its list: classes that have it keep it, and nothing new is offered it. */
export function PutAside({ action, of }: Props) {
  const [asked] = useSearchParams();
  const just = of.find(({ id }) => id === asked.get("aside"));
  return of.length === 0 ? null : (
    <>
      {just ? (
        <Undo
          id={`${action} ${just.id}`}
          said={`“${just.name}” is archived.`}
          back="Take it back"
          action={action}
          fields={{ intent: "back", id: just.id }}
        />
      ) : null}
      <Fold _print={{ display: "none" }} mt="6">
        <FoldTitle>Archived: {of.length}</FoldTitle>
        <Text color="fg.muted" fontSize="sm">
          Classes that have it keep it. Nothing new is offered it until it is taken back.
        </Text>
        <PlainList>
          {of.map(({ id, name }) => (
            <li data-part="in-row" key={id}>
              <TextLink to={`${action}/${id}`}>{name}</TextLink>
              <AsideButton action={action} id={id} isAside />
            </li>
          ))}
        </PlainList>
      </Fold>
    </>
  );
}
