// npm run theme: writes the theme's global styles as a static, cacheable sheet. Rendering them into every page costs 25 kB each.
import { writeFileSync } from "node:fs";
import { serializeStyles } from "@emotion/serialize";
import { compile, middleware, prefixer, serialize, stringify } from "stylis";
import { system } from "~/ui/theme";

const styles = serializeStyles(system._global as Parameters<typeof serializeStyles>[0]).styles;
writeFileSync(
  "app/theme.css",
  `${system.layers.atRule}\n${serialize(compile(styles), middleware([prefixer, stringify]))}\n`,
);
