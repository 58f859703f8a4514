import { Toast, Toaster, createToaster } from "@chakra-ui/react";
import { useEffect } from "react";
import { UndoForm } from "./UndoForm";
import { type UndoOffer, forgetUndo } from "./undo-store";

/** Long enough to read, think again and reach for it; the bin keeps what was removed for thirty days beyond. */
const shownMs = 60_000;
const toaster = createToaster({ placement: "bottom-end", duration: shownMs, pauseOnPageIdle: true, removeDelay: 0 });

/** Ways back at the foot of the screen, the newest in front. */
export default function Toasts({ offers }: { offers: readonly UndoOffer[] }) {
  useEffect(() => {
    // The place below listens a moment after it stands.
    const later = setTimeout(() => {
      for (const { id, said } of offers)
        if (!toaster.isVisible(id))
          toaster.create({
            id,
            title: said,
            onStatusChange: ({ status }) => {
              if (status === "unmounted") forgetUndo(id);
            },
          });
    });
    return () => clearTimeout(later);
  }, [offers]);
  return (
    <Toaster toaster={toaster}>
      {(toast) => {
        const offer = offers.find((one) => one.id === toast.id);
        return (
          <Toast.Root>
            <Toast.Title>{toast.title}</Toast.Title>
            {offer ? <UndoForm offer={offer} onSubmit={() => toaster.dismiss(offer.id)} /> : null}
            <Toast.CloseTrigger aria-label="Put this message away" />
          </Toast.Root>
        );
      }}
    </Toaster>
  );
}
