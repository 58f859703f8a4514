import type { Amount, ScoopCount } from "~/core/quantity";
import { amount, grams, scoops } from "~/ui/format/format";
import { useLocale } from "./locale";

/** Number first, unit quieter, true fractions. */
function Split({ text }: { text: string }) {
  const cut = text.search(/ ?[A-Za-z%]/);
  return cut <= 0 ? <span className="frac">{text}</span> : <><span className="frac">{text.slice(0, cut)}</span><span className="unit">{text.slice(cut)}</span></>;
}

export const AmountText = ({ value }: { value: Amount }) => <Split text={amount(value, useLocale())} />;
export const Grams = ({ value }: { value: number }) => <Split text={grams(value, useLocale())} />;
export const ScoopText = ({ counts }: { counts: readonly ScoopCount[] }) => <span className="frac">{scoops(counts, useLocale())}</span>;
