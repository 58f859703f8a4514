import type { ReactNode } from "react";
import { Form } from "react-router";
import { PlainButton, Fold, FoldTitle, Hidden } from "~/ui/parts/plain";

/** Puts one thing of a list aside, or takes it back. */
export const AsideButton = ({ action, id, isAside }: { action: string; id: string; isAside: boolean }) => (
  <Form method="post" action={action}>
    <Hidden name="intent" value={isAside ? "back" : "aside"} />
    <PlainButton className="row-button" type="submit" name="id" value={id}>
      {isAside ? "Take back" : "Put aside"}
    </PlainButton>
  </Form>
);

interface Props {
  readonly action: string;
  readonly of: readonly { readonly id: string; readonly name: ReactNode }[];
}

/** What was put aside, folded below its list: classes that have it keep it, and nothing new is offered it. */
export const PutAside = ({ action, of }: Props) =>
  of.length === 0 ? null : (
    <Fold className="no-print" style={{ marginTop: 24 }}>
      <FoldTitle>Put aside: {of.length}</FoldTitle>
      <p className="quiet small">Classes that have it keep it. Nothing new is offered it until it is taken back.</p>
      <ul className="plain-list">
        {of.map(({ id, name }) => (
          <li key={id} style={{ display: "flex", gap: 16, alignItems: "center" }}>
            {name}
            <AsideButton action={action} id={id} isAside />
          </li>
        ))}
      </ul>
    </Fold>
  );
