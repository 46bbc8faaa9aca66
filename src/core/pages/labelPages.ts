import { PAPER_MM, type LabelFormat } from '../catalogue/paper';
import { ptOf, type Ink, type Measure } from './ink';
import type { Page } from './page';
import { linesOf } from './text';
import type { Label, LabelSheet } from './label';
import { itemAt } from '../units/there';
import { mapTuple } from '../units/tuple';

/** Printers miss the place by about so much: nothing stands nearer to the edge of a label. */
const EDGE_MM = 2;
const MOST_CODE_MM = 24;
const LEAST_NAME_PT = 7;
const WORDS_PT = 8;
const LEAST_WORDS_PT = 5.5;

/** Top left of a label on its page, in mm from the top left of the paper. */
export function labelPlaceMm(format: LabelFormat, index: number): { xMm: number; yMm: number } {
  return {
    xMm: format.leftMm + (index % format.columns) * format.stepXMm,
    yMm: format.topMm + Math.floor(index / format.columns) * format.stepYMm,
  };
}

/** Pages with labels on them, and nothing else: sheets of labels have no room for heads. */
export function* labelPages({ format, labels }: LabelSheet, measure: Measure): Generator<Page> {
  const [widthPt, heightPt] = mapTuple(PAPER_MM[format.paper], ptOf);
  const room = { widthPt, heightPt, leftPt: 0, rightPt: widthPt, topPt: 0, bottomPt: heightPt };
  const perPage = format.columns * format.rows;
  for (let first = 0; first < Math.max(1, labels.length); first += perPage) {
    const inks = labels.slice(first, first + perPage).flatMap((label, i) => {
      const { xMm, yMm } = labelPlaceMm(format, i);
      return labelInks(label, ptOf(xMm), ptOf(yMm), ptOf(format.widthMm), ptOf(format.heightMm), measure);
    });
    yield { room, inks, isBare: true };
  }
}

/** The code at the left, the name as large as it fits, what it is below, the code to type at the foot, and the arrow at the right. */
function labelInks(
  label: Label,
  xPt: number,
  yPt: number,
  widthPt: number,
  heightPt: number,
  measure: Measure,
): Ink[] {
  const edge = ptOf(EDGE_MM);
  const innerHeight = heightPt - 2 * edge;
  const code = Math.min(innerHeight, ptOf(MOST_CODE_MM), (widthPt - 2 * edge) * 0.45);
  const arrow = label.arrow === null ? 0 : Math.min(innerHeight * 0.5, ptOf(9), widthPt * 0.12);
  const left = xPt + edge + code + 2;
  const room = widthPt - 2 * edge - code - 2 - (arrow > 0 ? arrow + 2 : 0);
  const idPt = Math.min(8, innerHeight * 0.22);
  let namePt = Math.min(22, innerHeight * 0.42);
  while (namePt > LEAST_NAME_PT && measure(label.name, namePt, 'bold') > room) namePt -= 0.5;
  const nameLines = linesOf(label.name, room, namePt, 'bold', measure).slice(0, 2);
  let wordsPt = WORDS_PT;
  const left2 = () => innerHeight - nameLines.length * namePt * 1.12 - idPt * 1.3;
  let lines: string[] = [];
  for (; wordsPt >= LEAST_WORDS_PT; wordsPt -= 0.5) {
    lines = linesOf(label.words, room, wordsPt, 'regular', measure);
    if (lines.length * wordsPt * 1.2 <= left2()) break;
  }
  // Text that does not fit even in the smallest letters ends with a sign that there was more.
  const most = Math.max(0, Math.floor(left2() / (Math.max(wordsPt, LEAST_WORDS_PT) * 1.2)));
  if (lines.length > most) {
    lines = lines.slice(0, most);
    if (most > 0) lines[most - 1] = `${itemAt(lines, most - 1).slice(0, -1)}…`;
  }
  const size = Math.max(wordsPt, LEAST_WORDS_PT);
  const inks: Ink[] = [
    {
      is: 'code',
      xPt: xPt + edge,
      yPt: yPt + edge + (innerHeight - code) / 2,
      sizePt: code,
      text: label.link,
    },
  ];
  let y = yPt + edge;
  for (const words of nameLines) {
    inks.push({ is: 'text', xPt: left, baselinePt: y + namePt * 0.9, sizePt: namePt, style: 'bold', words });
    y += namePt * 1.12;
  }
  for (const words of lines) {
    inks.push({ is: 'text', xPt: left, baselinePt: y + size, sizePt: size, style: 'regular', words });
    y += size * 1.2;
  }
  inks.push({
    is: 'text',
    xPt: left,
    baselinePt: yPt + heightPt - edge - idPt * 0.15,
    sizePt: idPt,
    style: 'mono',
    words: label.code,
  });
  if (label.arrow)
    inks.push(...arrowInks(label.arrow, xPt + widthPt - edge - arrow, yPt + (heightPt - arrow) / 2, arrow));
  return inks;
}

const TURN = { right: 0, down: 90, left: 180, up: 270 } as const;

function arrowInks(to: NonNullable<Label['arrow']>, xPt: number, yPt: number, sizePt: number): Ink[] {
  const turn = (TURN[to] * Math.PI) / 180;
  const [cx, cy] = [xPt + sizePt / 2, yPt + sizePt / 2];
  const put = (x: number, y: number) => [
    cx + (x * Math.cos(turn) - y * Math.sin(turn)) * sizePt,
    cy + (x * Math.sin(turn) + y * Math.cos(turn)) * sizePt,
  ];
  const outline = [
    [-0.5, -0.14],
    [0.05, -0.14],
    [0.05, -0.4],
    [0.5, 0],
    [0.05, 0.4],
    [0.05, 0.14],
    [-0.5, 0.14],
  ] as const;
  return [{ is: 'path', points: outline.flatMap(([x, y]) => put(x, y)), closed: true, fill: 'black' }];
}
