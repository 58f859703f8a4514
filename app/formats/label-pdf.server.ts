import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import PDFDocument from "pdfkit";
import QRCode from "qrcode";
import { colors } from "~/ui/theme/colors";
import type { LabelSheet } from "./label-sheets";
import { unpackedFont } from "./woff.server";

/** A label for paper: its lines, the most important first, and what its square code says. */
export interface PaperLabel {
  readonly lines: readonly string[];
  readonly code: string;
}

const find = createRequire(import.meta.url);
const fonts = new Map<400 | 600, Buffer>();
/** The fonts that ship with the program, by weight, unpacked once. */
function fontOf(weight: 400 | 600): Buffer {
  const known = fonts.get(weight);
  if (known) return known;
  const file = find.resolve(`@fontsource/zilla-slab/files/zilla-slab-latin-${weight}-normal.woff`);
  const font = unpackedFont(readFileSync(file));
  fonts.set(weight, font);
  return font;
}

const pointsPerMm = 72 / 25.4;
const paddingMm = 2.5;
/** What the embedded font has no sign for, as one that it has. */
const plain = (text: string): string => text.replace(/[\u2009\u202f]/g, " ");

/** A square code as paths of its dark cells, so that it prints sharp at any size. */
function drawCode(doc: PDFKit.PDFDocument, text: string, x: number, y: number, size: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const cell = size / modules.size;
  for (let row = 0; row < modules.size; row += 1)
    for (let column = 0; column < modules.size; column += 1)
      if (modules.get(row, column)) doc.rect(x + column * cell, y + row * cell, cell, cell);
  doc.fill(colors.black.value);
}

/** Labels drawn before yielding to other requests. */
const labelsAtOnce = 4;
/** One file after the other: two at once would take as long and make everybody wait twice. */
let drawing: Promise<unknown> = Promise.resolve();

/**
 * Labels on sheets, one after the other, as a PDF document. Text that is too long for its label is cut at its end with dots, the
 * allergens' line never before any other.
 * @param skip labels already taken off the first sheet.
 */
export function labelsPdf(
  labels: readonly PaperLabel[],
  sheet: LabelSheet,
  skip: number,
  title: string,
): Promise<Buffer> {
  const drawn = drawing.then(() => drawLabels(labels, sheet, skip, title));
  drawing = drawn.catch(() => undefined);
  return drawn;
}

async function drawLabels(
  labels: Parameters<typeof labelsPdf>[0],
  sheet: Parameters<typeof labelsPdf>[1],
  skip: number,
  title: string,
): Promise<Buffer> {
  const doc = new PDFDocument({
    size: sheet.page === "A4" ? "A4" : "LETTER",
    margin: 0,
    autoFirstPage: false,
    info: { Title: title, Producer: "Apron Bell", Creator: "Apron Bell" },
  });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("data", (chunk: Buffer) => chunks.push(chunk));
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  doc.registerFont("text", fontOf(400)).registerFont("head", fontOf(600));
  const perPage = sheet.columns * sheet.rows;
  for (const [index, label] of labels.entries()) {
    // A class may have hundreds: between a few of them whoever else is waiting has a turn.
    if (index % labelsAtOnce === labelsAtOnce - 1) await new Promise(setImmediate);
    const at = index + skip;
    if (index === 0 || at % perPage === 0) doc.addPage();
    const place = at % perPage;
    const x = (sheet.leftMm + (place % sheet.columns) * (sheet.widthMm + sheet.gapXMm) + paddingMm) * pointsPerMm;
    const y =
      (sheet.topMm + Math.floor(place / sheet.columns) * (sheet.heightMm + sheet.gapYMm) + paddingMm) * pointsPerMm;
    const width = (sheet.widthMm - 2 * paddingMm) * pointsPerMm;
    const height = (sheet.heightMm - 2 * paddingMm) * pointsPerMm;
    const codeSize = Math.min(height * 0.45, 52);
    drawCode(doc, label.code, x + width - codeSize, y, codeSize);
    let top = y;
    label.lines.forEach((line, lineIndex) => {
      const size = lineIndex === 0 ? 11 : lineIndex === 1 ? 10 : 7.5;
      const beside = top < y + codeSize + 2;
      const lineWidth = beside ? width - codeSize - 6 : width;
      doc
        .font(lineIndex < 2 ? "head" : "text")
        .fontSize(size)
        .fillColor(colors.black.value);
      const left = y + height - top;
      if (left < size) return;
      const text = plain(line);
      const wanted = doc.heightOfString(text, { width: lineWidth });
      const most = Math.min(wanted, left, size * 1.25 * (lineIndex === 4 ? 3 : 2));
      doc.text(text, x, top, { width: lineWidth, height: most, ellipsis: true, lineGap: 0 });
      top += most + 0.5;
    });
  }
  if (labels.length === 0) doc.addPage();
  doc.end();
  return done;
}
