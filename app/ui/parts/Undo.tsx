import { Alert } from "@chakra-ui/react";
import { Suspense, lazy, useEffect, useRef, useState, useSyncExternalStore } from "react";
import { UndoForm } from "./UndoForm";
import { type UndoOffer, offerUndo, onUndoOffers, undoOffers } from "./undo-store";

const fetchToasts = () => import("./Toasts");
const Toasts = lazy(fetchToasts);
const none: readonly UndoOffer[] = [];

/** What was just done and the way back. It stands on the page where no script runs, else at the foot of the screen. */
export function Undo(offer: UndoOffer) {
  const [isOffered, setOffered] = useState(false);
  // Taken on the page while the slips were still being fetched: then there is nothing left to offer.
  const isTaken = useRef(false);
  const { id } = offer;
  useEffect(() => {
    // Where the slips cannot be fetched the way back stays on the page.
    fetchToasts().then(
      () => {
        if (isTaken.current) return;
        offerUndo(offer);
        setOffered(true);
      },
      () => undefined,
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- an offer is its id: the same words made anew are the same offer
  }, [id]);
  return isOffered ? null : (
    <Alert.Root status="info" display="flex" gap="3" flexWrap="wrap" alignItems="center" role="status">
      <span>{offer.said}</span>
      <UndoForm offer={offer} onSubmit={() => (isTaken.current = true)} />
    </Alert.Root>
  );
}

/** Where ways back stand, on every page. */
export function UndoPlace() {
  const offers = useSyncExternalStore(onUndoOffers, undoOffers, () => none);
  return offers.length === 0 ? null : (
    <Suspense>
      <Toasts offers={offers} />
    </Suspense>
  );
}
