import type { Route } from "./+types/kit-labels-pdf";
import { packingOfClass } from "~/core/pack";
import { plan } from "~/core/plan";
import { labelsPdf } from "~/formats/label-pdf.server";
import { labelSheetOf, mostLabels, usedUpOf } from "~/formats/label-sheets";
import { partOf } from "~/formats/parts";
import { classOnce } from "~/services/classes.server";
import { fileAnswer } from "~/services/files.server";
import { localeOf } from "~/services/request.server";
import { day } from "~/ui/format/format";
import { namesOf } from "~/ui/words/names";
import { labelLines } from "~/ui/words/kits";

/** The labels of a class on sheets of the size asked for. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const url = new URL(request.url);
  const sheet = labelSheetOf(url.searchParams.get("sheet"));
  const only = url.searchParams.get("only");
  const made = plan(input);
  const locale = localeOf(request);
  const names = namesOf(input, made, locale);
  const about = { title: input.title, day: day(input.startsAt, locale) };
  const { containers } = packingOfClass(input, made);
  const shown = partOf(
    containers.filter((one) => only === null || one.key === only),
    url.searchParams.get("part"),
    mostLabels,
  );
  // Labels already used are those of the first sheet of all.
  const skip = shown.part === 1 ? usedUpOf(sheet, url.searchParams.get("skip")) : 0;
  const labels = shown.shown.map((one) => ({
    lines: labelLines(one, about, names),
    code: new URL(`/classes/${params.classId}/containers/${one.key}`, url).href,
  }));
  const pdf = await labelsPdf(labels, sheet, skip, `Labels, ${input.title}`);
  return fileAnswer(
    new Uint8Array(pdf),
    "application/pdf",
    input.title,
    shown.parts > 1 ? `-labels-${shown.part}.pdf` : "-labels.pdf",
    "inline",
  );
}
