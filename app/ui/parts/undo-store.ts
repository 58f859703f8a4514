/** A way back from what was just done: a form that is sent when somebody wants it. */
export interface UndoOffer {
  /** Tells one offer from another: what was done to what. */
  readonly id: string;
  readonly said: string;
  /** What the button says. */
  readonly back: string;
  readonly action: string;
  readonly fields: Readonly<Record<string, string>>;
}

let offers: readonly UndoOffer[] = [];
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());

/** Offers a way back on whatever page follows, until it is taken or put away. */
export function offerUndo(offer: UndoOffer): void {
  if (offers.some((one) => one.id === offer.id)) return;
  offers = [...offers, offer];
  tell();
}
export function forgetUndo(id: string): void {
  offers = offers.filter((one) => one.id !== id);
  tell();
}
export const undoOffers = (): readonly UndoOffer[] => offers;
export function onUndoOffers(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
