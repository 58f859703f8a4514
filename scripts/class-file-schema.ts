// npm run schema: writes the JSON Schemas of the class file and of the plan as they are read and printed now, and the glossary.
import { writeFileSync } from "node:fs";
import { z } from "zod";
import { classFileSchema } from "~/formats/class-file";
import { planFileSchema } from "~/formats/plan-file";
import { glossary, glossaryText } from "~/ui/words/help";

const write = (file: string, schema: z.ZodType) =>
  writeFileSync(file, `${JSON.stringify(z.toJSONSchema(schema, { io: "input" }), null, 2)}\n`);
write("docs/class-file.schema.json", classFileSchema);
write("docs/plan.schema.json", planFileSchema);
writeFileSync("docs/glossary.md", glossaryText(glossary));
