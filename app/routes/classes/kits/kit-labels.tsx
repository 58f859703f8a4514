import { RowButton } from "~/ui/parts/keys";
import { Box, Heading, Link, Span, Text } from "@chakra-ui/react";
import { Columns, SheetHead, SheetTools } from "~/ui/parts/sheet";
import { InlineField, InlineFieldsForm, InlineLabel, RowButtonsForm, StyledForm } from "~/ui/parts/forms";
import { KitLabelBox, LabelPage } from "~/ui/parts/labels";
import { Suspense } from "react";
import { Await, data, useNavigation, useSearchParams } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/kit-labels";
import { useClass } from "../class-context";
import { formOf } from "../../form";
import { foldTicks, packingOfClass } from "~/core/pack";
import { plan } from "~/core/plan";
import { database } from "~/db/client.server";
import { SimulatedLabelPrinter } from "~/devices/label-printer.server";
import { labelSheetOf, labelSheets, mostLabels, usedUpOf } from "~/formats/label-sheets";
import { partOf } from "~/formats/parts";
import { classOnce, classOr404 } from "~/services/classes.server";
import { codesOf } from "~/services/codes.server";
import { labelStamp, printLabels, printedLabels } from "~/services/labels.server";
import { localeOf } from "~/services/request.server";
import { accountOf } from "~/services/session.server";
import { ticksOf } from "~/services/ticks.server";
import { day, howMany, list, moment } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale } from "~/ui/sheet/locale";
import { namesOf } from "~/ui/words/names";
import { containerName, labelLines, placeName } from "~/ui/words/kits";
import { Hidden, PlainInput, PlainSelect } from "~/ui/parts/plain";
import { PartLinks } from "~/ui/sheet/PartLinks";

/** Where the square code of a container leads. */
const recordOf = (request: Request, classId: string, key: string) =>
  new URL(`/classes/${classId}/containers/${key}`, request.url).href;

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { input } = await classOnce(context, params.classId);
  const { containers } = packingOfClass(input, plan(input));
  const db = database();
  const printer = new SimulatedLabelPrinter(db);
  const [printed, state, events] = await Promise.all([
    printedLabels(db, params.classId),
    printer.state(),
    ticksOf(db, params.classId),
  ]);
  return {
    printed,
    printer: state,
    events,
    labels: containers.map((one) => ({ key: one.key, stamp: labelStamp(one) })),
    // Hundreds of codes take a second to draw: the labels come at once, and their codes as they are ready.
    codes: codesOf(
      shownOf(containers, new URL(request.url).searchParams).shown.map((one) => [
        one.key,
        recordOf(request, params.classId, one.key),
      ]),
      codesAtOnce,
    ),
  };
}

/** Containers whose labels are laid out: the one asked for, or the part of all that is. */
const shownOf = <T extends { readonly key: string }>(containers: readonly T[], asked: URLSearchParams) => {
  const only = asked.get("only");
  return partOf(
    containers.filter((one) => only === null || one.key === only),
    asked.get("part"),
    mostLabels,
  );
};

/** Codes that are drawn, and come, together. */
const codesAtOnce = 24;

const formSchema = z.discriminatedUnion("intent", [
  z.object({ intent: z.literal("print"), what: z.enum(["missing", "all"]) }),
  z.object({ intent: z.literal("reprint"), key: z.string().min(1).max(200) }),
  z.object({ intent: z.literal("operate"), what: z.enum(["jam", "clear", "new-roll"]) }),
]);

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const form = formSchema.safeParse(Object.fromEntries(await formOf(request)));
  if (!form.success) return data({ printed: 0, stoppedBy: null, problem: "Choose what to print." }, { status: 400 });
  const db = database();
  const printer = new SimulatedLabelPrinter(db);
  if (form.data.intent === "operate") {
    await printer.operate(form.data.what);
    return { printed: 0, stoppedBy: null, problem: null };
  }
  const made = plan(input);
  const locale = localeOf(request);
  const names = namesOf(input, made, locale);
  const about = { title: input.title, day: day(input.startsAt, locale) };
  const before = new Map((await printedLabels(db, params.classId)).map((one) => [one.container, one.stamp]));
  const asked = form.data;
  const wanted = packingOfClass(input, made).containers.filter((one) =>
    asked.intent === "reprint"
      ? one.key === asked.key
      : asked.what === "all" || before.get(one.key) !== labelStamp(one),
  );
  const run = await printLabels(
    db,
    printer,
    params.classId,
    wanted.map((one) => ({
      container: one.key,
      stamp: labelStamp(one),
      label: { lines: labelLines(one, about, names), code: recordOf(request, params.classId, one.key) },
    })),
    accountOf(context).id,
  );
  return { printed: run.printed.length, stoppedBy: run.stoppedBy, problem: null };
}

const stoppedWords = {
  jammed: "The printer is jammed. Open it, take out the label, press “Clear the jam”, then print what is missing.",
  "no-labels": "The roll is empty. Put in a new one, then print what is missing.",
  offline: "The printer does not answer. Look at its cable, or print on a sheet.",
} as const;

/** Labels for every container: on sheets of a common size, or one after the other on the label printer. */
export default function KitLabels({ loaderData, actionData, params }: Route.ComponentProps) {
  const { input, plan: made, names } = useClass();
  const locale = useLocale();
  const [search] = useSearchParams();
  // One thing at a time: a printer that is pressed twice prints twice.
  const isBusy = useNavigation().state !== "idle";
  const sheet = labelSheetOf(search.get("sheet"));
  const only = search.get("only");
  const { containers } = packingOfClass(input, made);
  const { part, parts: partCount, shown } = shownOf(containers, search);
  // Labels already used are those of the first sheet of all.
  const skip = part === 1 ? usedUpOf(sheet, search.get("skip")) : 0;
  const printed = new Map(loaderData.printed.map((one) => [one.container, one]));
  const labels = new Map(loaderData.labels.map((one) => [one.key, one]));
  const codeAt = new Map(shown.map((one, at) => [one.key, loaderData.codes[Math.floor(at / codesAtOnce)]] as const));
  const ticks = foldTicks(loaderData.events).packing;
  const isRight = (key: string) => printed.get(key)?.stamp === labels.get(key)?.stamp;
  const missing = containers.filter((one) => !isRight(one.key));
  const stale = missing.filter((one) => printed.has(one.key));
  const about = { title: input.title, day: day(input.startsAt, locale) };
  const perPage = sheet.columns * sheet.rows;
  const cells = [...Array.from({ length: skip }, () => undefined), ...shown];
  const pages = Array.from({ length: Math.ceil(cells.length / perPage) }, (_, page) =>
    cells.slice(page * perPage, (page + 1) * perPage),
  );
  const query = `?sheet=${sheet.id}&skip=${skip}${only === null ? "" : `&only=${encodeURIComponent(only)}`}${part === 1 ? "" : `&part=${part}`}`;
  return (
    <>
      <SheetHead _print={{ display: "none" }}>
        <Heading as="h2" size="xl">
          Labels
        </Heading>
        <Text color="fg.muted">
          {partCount === 1
            ? howMany(shown.length, "label")
            : `${howMany(containers.length, "label")} in ${partCount} parts; this is part ${part}`}
          , kits kept apart first.
        </Text>
        <SheetTools>
          <TextLink to={`/classes/${params.classId}/kits`}>Kits</TextLink>
          <Link
            href={`/classes/${params.classId}/kit-labels.pdf${query}`}
            target="_blank"
            rel="noreferrer"
            aria-label="Sheet to print, as PDF, in a new tab"
          >
            Sheet to print (PDF)
          </Link>
        </SheetTools>
      </SheetHead>
      <Columns split="even" _print={{ display: "none" }} mb="4.5">
        <InlineFieldsForm method="get">
          <InlineField>
            <InlineLabel>Sheet</InlineLabel>
            <PlainSelect name="sheet" defaultValue={sheet.id} key={sheet.id}>
              {labelSheets.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </PlainSelect>
          </InlineField>
          <InlineField span="tiny">
            <InlineLabel>Used up</InlineLabel>
            <PlainInput
              name="skip"
              inputMode="numeric"
              defaultValue={skip}
              key={skip}
              aria-label="Labels already used on the first sheet"
            />
          </InlineField>
          <RowButton type="submit">Lay out</RowButton>
          {only === null ? null : <TextLink to={`?sheet=${sheet.id}`}>all labels</TextLink>}
        </InlineFieldsForm>
        <Box as="section">
          <Text>
            <b>Label printer</b>{" "}
            <Span color="fg.muted" fontSize="sm">
              a stand-in: no real one is connected
            </Span>
          </Text>
          <Text
            layerStyle={loaderData.printer.isJammed || loaderData.printer.labelsLeft === 0 ? "needsYou" : undefined}
            color={!(loaderData.printer.isJammed || loaderData.printer.labelsLeft === 0) ? "fg.muted" : undefined}
          >
            {loaderData.printer.isJammed ? "jammed, " : ""}
            {howMany(loaderData.printer.labelsLeft, "label")} on the roll. {containers.length - missing.length} printed
            and right, {missing.length} missing
            {stale.length > 0 ? `, ${stale.length} of them changed since they were printed` : ""}.
          </Text>
          {actionData?.problem ? <Text layerStyle="needsYou">{actionData.problem}</Text> : null}
          {actionData?.stoppedBy ? (
            <Text layerStyle="needsYou" role="alert">
              {actionData.printed} printed. {stoppedWords[actionData.stoppedBy]}
            </Text>
          ) : actionData && actionData.printed > 0 ? (
            <Text role="status">{actionData.printed} printed.</Text>
          ) : null}
          <RowButtonsForm method="post">
            <Hidden name="intent" value="print" />
            <RowButton disabled={isBusy} name="what" value="missing" type="submit">
              Print what is missing
            </RowButton>
            <RowButton disabled={isBusy} name="what" value="all" type="submit">
              Print all anew
            </RowButton>
          </RowButtonsForm>
          <RowButtonsForm method="post">
            <Hidden name="intent" value="operate" />
            <RowButton
              disabled={isBusy}

              name="what"
              value={loaderData.printer.isJammed ? "clear" : "jam"}
              type="submit"
            >
              {loaderData.printer.isJammed ? "Clear the jam" : "Jam it"}
            </RowButton>
            <RowButton disabled={isBusy} name="what" value="new-roll" type="submit">
              New roll
            </RowButton>
          </RowButtonsForm>
        </Box>
      </Columns>
      <PartLinks part={part} parts={partCount} keep={`sheet=${sheet.id}`} />
      {stale.length > 0 ? (
        <Text layerStyle="needsYou" _print={{ display: "none" }}>
          Changed since they were printed:{" "}
          {list(
            stale.map((one) => `${placeName(one.place)}, ${containerName(one)}`),
            locale,
          )}
          .
        </Text>
      ) : null}
      {pages.map((page, index) => (
        <LabelPage
          key={index}

          style={{
            gridTemplateColumns: `repeat(${sheet.columns}, ${sheet.widthMm}mm)`,
            gridAutoRows: `${sheet.heightMm}mm`,
            columnGap: `${sheet.gapXMm}mm`,
            padding: `${sheet.topMm}mm ${sheet.leftMm}mm`,
            width: sheet.page === "A4" ? "210mm" : "215.9mm",
          }}
        >
          {page.map((one, cell) => {
            if (!one) return <Box key={`used-${cell}`} />;
            const tick = ticks.get(one.key);
            const [place = "", what = "", ...rest] = labelLines(
              one,
              { ...about, packed: tick ? `${moment(tick.at, locale, input.timeZone)} by ${tick.by}` : undefined },
              names,
            );
            return (
              <KitLabelBox key={one.key} aria-label={`${place}: ${what}`}>
                <Suspense fallback={<Box data-part="code" aria-hidden />}>
                  <Await resolve={codeAt.get(one.key)}>
                    {(codes) => (
                      <Box
                        data-part="code"

                        aria-hidden
                        dangerouslySetInnerHTML={{ __html: codes?.[one.key] ?? "" }}
                      />
                    )}
                  </Await>
                </Suspense>
                <b>{place}</b>
                <strong>{what}</strong>
                {rest.map((line, at) => (
                  <span key={at}>{line}</span>
                ))}
                <StyledForm _print={{ display: "none" }} method="post">
                  <Hidden name="intent" value="reprint" />
                  <RowButton name="key" value={one.key} type="submit" aria-label={`Print again: ${place}, ${what}`}>
                    {printed.has(one.key) ? "print again" : "print"}
                  </RowButton>
                </StyledForm>
              </KitLabelBox>
            );
          })}
        </LabelPage>
      ))}
    </>
  );
}
