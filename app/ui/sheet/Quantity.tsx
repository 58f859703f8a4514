import { type Measured, putOut } from "~/core/kit";
import type { Amount } from "~/core/quantity";
import { amount, grams, sayPutOut } from "~/ui/format/format";
import { useLocale } from "./locale";

/** Number first, unit quieter. Fractions are written with a fraction slash, which browsers set as true fractions by themselves. */
function Split({ text }: { text: string }) {
  const cut = text.search(/ ?[A-Za-z%]/);
  return cut <= 0 ? (
    <>{text}</>
  ) : (
    <>
      {text.slice(0, cut)}
      <span data-quiet>{text.slice(cut)}</span>
    </>
  );
}

export const AmountText = ({ value }: { value: Amount }) => <Split text={amount(value, useLocale())} />;
export const Grams = ({ value }: { value: number }) => <Split text={grams(value, useLocale())} />;

/** An amount as a hand puts it out: by spoons, weighed where no spoon comes close, or counted. */
export function PutOutText({ of }: { of: Measured }) {
  const way = putOut(of);
  const locale = useLocale();
  if (way.by === "amount") return <AmountText value={way.amount} />;
  return <>{sayPutOut(way, locale)}</>;
}
