import { Form } from "react-router";
import { type WayOut, wayId } from "~/core/plan";
import { Secondary } from "~/ui/parts/fields";
import { Hidden } from "~/ui/parts/plain";
import { Heads } from "~/ui/sheet/Heads";
import { useLocale } from "~/ui/sheet/locale";
import { sayWay, wayWords } from "~/ui/words/timeline";
import { look } from "~/ui/theme/look";

/** The cheapest ways to gain what is missing, each worked out with the whole class, applied with one press. */
export function WaysOut({ ways, version }: { readonly ways: readonly WayOut[]; readonly version: number }) {
  const locale = useLocale();
  if (ways.length === 0) return null;
  return (
    <table className={look("ruled")}>
      <caption>Ways out</caption>
      <Heads of={["What", "What it costs", "What comes of it", ""]} />
      <tbody>
        {ways.map((one) => {
          const { what, costs } = wayWords(one.way);
          return (
            <tr key={what}>
              <td>{what}</td>
              <td>{costs}</td>
              <td>{sayWay(one, locale)}</td>
              <td className={look("no-print")}>
                {one.becomes ? (
                  <Form method="post">
                    <Hidden name="version" value={version} />
                    <Hidden name="way" value={wayId(one.way)} />
                    <Secondary name="intent" value="way" aria-label={`Do this: ${what}`}>
                      Do this
                    </Secondary>
                  </Form>
                ) : null}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
