// npm run -s plan -- file.json: the whole plan of a class file as JSON on standard output. No database. Where the file holds no order
// of its loads one is searched for; --quick leaves it to the rules.
import { readFileSync } from "node:fs";
import { config } from "zod";
import { readClassFile } from "~/formats/class-file";
import { withOrder } from "~/core/plan";
import { planFileOf } from "~/formats/plan-file";

// One file is read and that is all: compiling its schema takes longer than reading by it.
config({ jitless: true });

const unreadable = 2;

function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(unreadable);
}

const words = process.argv.slice(2);
const isQuick = words.includes("--quick");
const file = words.find((word) => word !== "--quick");
if (!file) fail("Expected the path of a class file: npm run -s plan -- my-class.json");
let text: string;
try {
  text = readFileSync(file, "utf8");
} catch {
  fail(`Cannot read “${file}”. Give the path of a class file that exists, such as test/cases/c1-oven-puffed.json.`);
}
const read = readClassFile(text);
if (!read.ok)
  fail(
    [`“${file}” is not a class file that can be planned from:`, ...read.problems.map((problem) => `  ${problem}`)].join(
      "\n",
    ),
  );
const input = isQuick || read.input.order ? read.input : withOrder(read.input);
process.stdout.write(`${JSON.stringify(planFileOf(input), null, 2)}\n`);
