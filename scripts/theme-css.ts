// npm run theme: writes the theme's styles as one static, cacheable sheet. Rendering them into every page costs 25 kB each.
import { writeFileSync } from "node:fs";
import type { SystemStyleObject } from "@chakra-ui/react";
import { serializeStyles } from "@emotion/serialize";
import { compile, middleware, prefixer, serialize, stringify } from "stylis";
import { system } from "~/ui/theme";
import { sheets } from "~/ui/theme/sheets";
import type { Styles } from "~/ui/theme/sheets/styles";

/** Tokens by their values; an at-rule's own selectors one by one, as the system takes them only at the top. */
const resolved = (styles: Styles[number]): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(styles).map(([where, style]) => [
      where,
      /^@(media|container)/.test(where)
        ? resolved(style as Styles[number])
        : where.startsWith("@keyframes")
          ? style
          : system.css(style as SystemStyleObject),
    ]),
  );

const all = [...(system._global as object[]), ...sheets.map(resolved)];
const { styles } = serializeStyles(all as Parameters<typeof serializeStyles>[0]);
writeFileSync(
  "app/theme.css",
  `${system.layers.atRule}\n${serialize(compile(styles), middleware([prefixer, stringify]))}\n`,
);
