import PDFDocument from 'pdfkit';
import { QUIET_MODULES, type Ink } from '@/core/pages/ink';
import { printed, type PrintedPage, type PrintJob } from '@/core/pages/print';
import { codeOf } from './code';
import { Fonts } from './fonts';
import { itemAt } from '@/core/units/there';

const FILL = { white: '#ffffff', light: '#dddddd', black: '#000000' };
const GREY = '#666666';

/** Bytes are handed on in pieces of about this size. */
const PIECE_BYTES = 64 * 1024;
const NOTHING = new Uint8Array(0);

/**
 * Sheets as a PDF file, piece by piece: a page is laid out, written and let go before the next one. A piece without bytes is a moment in
 * which others can be served.
 */
export function* pdfPieces(job: PrintJob, progress: (part: number) => void): Generator<Uint8Array> {
  const document = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    lang: 'en',
    displayTitle: true,
    info: { Title: `${job.name} · ${job.show}`, Creator: 'Rapid Lantern', Producer: 'Rapid Lantern' },
  });
  const fonts = new Fonts(document);
  let told = 0;
  for (const step of printed(job, fonts.measure)) {
    if (step.part - told > 0.005) {
      told = step.part;
      progress(told);
    }
    if (step.is === 'counted') yield NOTHING;
    else {
      writePage(document, fonts, step.page);
      yield* ready(document, PIECE_BYTES);
    }
  }
  document.end();
  yield* ready(document, 0);
}

/** Bytes of the document so far, once they are enough to send. */
function* ready(document: PDFKit.PDFDocument, leastBytes: number): Generator<Uint8Array> {
  // pdfkit is a stream in name; all that it writes is there at once.
  const stream = document as unknown as { read: () => Uint8Array | null; readableLength: number };
  if (stream.readableLength < leastBytes) {
    yield NOTHING;
    return;
  }
  for (let piece = stream.read(); piece; piece = stream.read()) yield Uint8Array.from(piece);
}

function writePage(
  document: PDFKit.PDFDocument,
  fonts: Fonts,
  { widthPt, heightPt, inks, bookmark }: PrintedPage,
): void {
  document.addPage({ size: [widthPt, heightPt], margin: 0 });
  if (bookmark !== null) document.outline.addItem(bookmark);
  for (const ink of inks) write(document, fonts, ink);
}

function write(document: PDFKit.PDFDocument, fonts: Fonts, ink: Ink): void {
  switch (ink.is) {
    case 'text':
      return writeText(document, fonts, ink);
    case 'path': {
      const { points } = ink;
      document.moveTo(itemAt(points, 0), itemAt(points, 1));
      for (let i = 2; i < points.length; i += 2) document.lineTo(itemAt(points, i), itemAt(points, i + 1));
      if (ink.closed) document.closePath();
      return paint(document, ink.fill, ink.widthPt, ink.grey, ink.dashed);
    }
    case 'circle':
      document.circle(ink.xPt, ink.yPt, ink.radiusPt);
      return paint(document, ink.fill, ink.widthPt, false, false);
    case 'code': {
      const rows = codeOf(ink.text);
      const cell = ink.sizePt / (rows.length + 2 * QUIET_MODULES);
      rows.forEach((row, y) => {
        // Dark modules beside one another are one stroke, so that no hairline shows between them.
        for (let x = 0; x < row.length; x += 1) {
          if (!row[x]) continue;
          let end = x;
          while (row[end + 1]) end += 1;
          document.rect(
            ink.xPt + (x + QUIET_MODULES) * cell,
            ink.yPt + (y + QUIET_MODULES) * cell,
            (end - x + 1) * cell,
            cell,
          );
          x = end;
        }
      });
      document.fillColor('#000000').fill();
      return;
    }
  }
}

function paint(
  document: PDFKit.PDFDocument,
  fill: keyof typeof FILL | undefined,
  widthPt: number | undefined,
  grey: boolean | undefined,
  dashed: boolean | undefined,
): void {
  if (widthPt !== undefined) {
    document.lineWidth(widthPt).strokeColor(grey ? GREY : '#000000');
    if (dashed) document.dash(4, { space: 3 });
    else document.undash();
  }
  if (fill && widthPt !== undefined) document.fillAndStroke(FILL[fill], grey ? GREY : '#000000');
  else if (fill) document.fillColor(FILL[fill]).fill();
  else if (widthPt !== undefined) document.stroke();
}

function writeText(document: PDFKit.PDFDocument, fonts: Fonts, ink: Extract<Ink, { is: 'text' }>): void {
  const { words, sizePt, style, anchor = 'start', turnDeg, grey } = ink;
  const width = anchor === 'start' ? 0 : fonts.measure(words, sizePt, style);
  let x = ink.xPt - { start: 0, middle: width / 2, end: width }[anchor];
  document.fillColor(grey ? GREY : '#000000').fontSize(sizePt);
  if (turnDeg) document.save().rotate(-turnDeg, { origin: [ink.xPt, ink.baselinePt] });
  const parts = fonts.parted(words, style);
  for (const [i, part] of parts.entries()) {
    document
      .font(part.font)
      .text(part.words, x, ink.baselinePt, { lineBreak: false, baseline: 'alphabetic' });
    if (i < parts.length - 1) x += fonts.measure(part.words, sizePt, style);
  }
  if (turnDeg) document.restore();
}
