import { setImmediate } from "node:timers/promises";
import QRCode from "qrcode";

/**
 * Square codes as pictures (SVG) by their keys, so many together and one lot after the other, with other requests between them: the
 * codes of a large class take longer to draw than all the rest of its page.
 */
export function codesOf(
  codes: readonly (readonly [key: string, text: string])[],
  atOnce: number,
): Promise<Readonly<Record<string, string>>>[] {
  let before: Promise<unknown> = Promise.resolve();
  return Array.from({ length: Math.ceil(codes.length / atOnce) }, (_, part) => {
    const drawn = before.then(async () => {
      await setImmediate();
      const some = codes.slice(part * atOnce, (part + 1) * atOnce);
      return Object.fromEntries(
        await Promise.all(
          some.map(async ([key, text]) => [key, await QRCode.toString(text, { type: "svg", margin: 0 })] as const),
        ),
      );
    });
    before = drawn;
    return drawn;
  });
}
