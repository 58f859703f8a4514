import type { Amount, ScoopCount } from "~/core/quantity";
import { amount, grams, scoops } from "~/ui/format/format";
import { useLocale } from "./locale";

/** Number first, unit quieter. Fractions are written with a fraction slash, which browsers set as true fractions by themselves. */
function Split({ text }: { text: string }) {
  const cut = text.search(/ ?[A-Za-z%]/);
  return cut <= 0 ? (
    <>{text}</>
  ) : (
    <>
      {text.slice(0, cut)}
      <span className="unit">{text.slice(cut)}</span>
    </>
  );
}

export const AmountText = ({ value }: { value: Amount }) => <Split text={amount(value, useLocale())} />;
export const Grams = ({ value }: { value: number }) => <Split text={grams(value, useLocale())} />;
export const ScoopText = ({ counts }: { counts: readonly ScoopCount[] }) => <>{scoops(counts, useLocale())}</>;
