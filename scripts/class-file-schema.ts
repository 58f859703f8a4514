// npm run schema: writes the JSON Schema of the class file from the Zod schema that reads it.
import { writeFileSync } from "node:fs";
import { z } from "zod";
import { classFileSchema } from "~/formats/class-file";

const schema = z.toJSONSchema(classFileSchema, { io: "input" });
writeFileSync("docs/class-file.schema.json", `${JSON.stringify(schema, null, 2)}\n`);
