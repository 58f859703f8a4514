import type { Route } from "./+types/shopping-csv";
import { database } from "~/db/client.server";
import { writeCsv } from "~/formats/csv";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { tripOf } from "~/services/shop.server";
import { nameOfLine, sayBasket, sayOver, sectionWords } from "~/ui/words/kits";

/** The shopping list as a table: grams and pieces as numbers, packs as they are said. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const { lines } = await tripOf(database(), params.classId);
  const locale = "en-GB";
  const grams = (value: number | undefined) => (value === undefined ? "" : Math.round(value * 10) / 10);
  const rows = lines.map((line) => [
    sectionWords[line.section],
    nameOfLine(line),
    grams(line.grams),
    line.pieces ?? "",
    grams(line.stockGrams),
    grams(line.buyGrams),
    line.buyPieces ?? "",
    sayBasket(line, locale),
    sayOver(line, locale),
    line.price === undefined ? "" : line.price / 100,
  ]);
  return fileAnswer(
    writeCsv(
      [
        "section",
        "what",
        "needed g",
        "needed pieces",
        "on hand g",
        "buy g",
        "buy pieces",
        "packs",
        "left over",
        "price",
      ],
      rows,
    ),
    "text/csv",
    input.title,
    "-shopping.csv",
  );
}
