import { Form } from "react-router";
import { Secondary } from "./fields";
import { Hidden } from "./plain";
import type { UndoOffer } from "./undo-store";

/** Sends what takes the change back. */
export const UndoForm = ({ offer, onSubmit }: { offer: UndoOffer; onSubmit?: () => unknown }) => (
  <Form method="post" action={offer.action} {...(onSubmit ? { onSubmit } : {})}>
    {Object.entries(offer.fields).map(([name, value]) => (
      <Hidden key={name} name={name} value={value} />
    ))}
    <Secondary>{offer.back}</Secondary>
  </Form>
);
