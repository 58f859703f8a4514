import { Parser } from "htmlparser2";
import { parseJson } from "./text";

/**
 * The JSON-LD blocks of a page's source, parsed; broken ones are passed over. The parser only reads: nothing of the page is run or
 * fetched. At most twenty blocks of at most 400 000 letters.
 */
export function jsonLdIn(source: string): unknown[] {
  const found: unknown[] = [];
  let isInside = false;
  let text = "";
  const parser = new Parser({
    onopentag(name, attributes) {
      isInside = name === "script" && /ld\+json/i.test(attributes.type ?? "");
      text = "";
    },
    ontext(data) {
      if (isInside && text.length < 400_000) text += data;
    },
    onclosetag() {
      if (!isInside || found.length >= 20) return;
      isInside = false;
      try {
        found.push(parseJson(text));
      } catch {
        // A page may carry a broken block beside a good one.
      }
    },
  });
  parser.write(source);
  parser.end();
  return found;
}
