import { formatLength, type Lengths } from '../units/length';
import type { Drawing, Shape, SpotOnDrawing } from './drawing';
import { ptOf, type Ink, type Measure } from './ink';
import { itemAt } from '../units/there';

const PEN_PT = { thin: 0.5, thick: 1.4, dashed: 0.7, none: 0 } as const;
const HEAD_PT = 6;
/** Letters and points of a drawing reach beyond its bounds. */
const ROOM_PT = 16;
const SCALE_BAR_PT = 34;
const MOST_BAR_PT = ptOf(60);

/** A drawing on paper. */
interface PlacedDrawing {
  widthPt: number;
  heightPt: number;
  inks: (xPt: number, yPt: number) => Ink[];
}

/** A drawing as large as it comes out in a room of paper, its scale bar below it. */
export function placeDrawing(
  drawing: Drawing,
  widthPt: number,
  mostHeightPt: number,
  measure: Measure,
  lengths: Lengths,
): PlacedDrawing {
  const { leftMm, rightMm, bottomMm, topMm } = drawing.bounds;
  const [acrossMm, upMm] = [Math.max(1e-3, rightMm - leftMm), Math.max(1e-3, topMm - bottomMm)];
  const barPt = drawing.isToScale ? SCALE_BAR_PT : 0;
  const ptPerMm = Math.min(
    (widthPt - 2 * ROOM_PT) / acrossMm,
    (mostHeightPt - 2 * ROOM_PT - barPt) / upMm,
    // Nothing is drawn larger than it is.
    ptOf(1),
  );
  const heightPt = upMm * ptPerMm + 2 * ROOM_PT + barPt;
  // A drawing narrower than the room stands in its middle.
  const leftPt = (widthPt - acrossMm * ptPerMm) / 2;
  return {
    widthPt,
    heightPt,
    inks: (xPt, yPt) => {
      const onPaper = ([x, y]: SpotOnDrawing): [number, number] => [
        xPt + leftPt + (x - leftMm) * ptPerMm,
        yPt + ROOM_PT + (topMm - y) * ptPerMm,
      ];
      const inks = drawing.shapes.flatMap((shape) => inksOf(shape, onPaper, measure));
      if (drawing.isToScale) inks.push(...scaleBar(xPt + leftPt, yPt + heightPt - 10, ptPerMm, lengths));
      return inks;
    },
  };
}

function inksOf(shape: Shape, onPaper: (spot: SpotOnDrawing) => [number, number], measure: Measure): Ink[] {
  switch (shape.is) {
    case 'path':
      return [
        {
          is: 'path',
          points: shape.points.flatMap(onPaper),
          ...(shape.closed && { closed: true }),
          ...(shape.pen !== 'none' && { widthPt: PEN_PT[shape.pen] }),
          ...(shape.pen === 'dashed' && { dashed: true }),
          ...(shape.fill && shape.fill !== 'none' && { fill: shape.fill }),
        },
      ];
    case 'arrow': {
      const [from, to] = [onPaper(shape.from), onPaper(shape.to)];
      return arrow(from, to, PEN_PT[shape.pen], shape.at === 'middle');
    }
    case 'dot': {
      const [x, y] = onPaper(shape.at);
      return [
        {
          is: 'circle',
          xPt: x,
          yPt: y,
          radiusPt: shape.radiusPt,
          widthPt: 0.5,
          ...(shape.fill !== 'none' && { fill: shape.fill }),
        },
      ];
    }
    case 'label': {
      const [x, y] = onPaper(shape.at);
      const { sizePt, words, anchor = 'middle' } = shape;
      const style = shape.bold ? 'bold' : 'regular';
      const baselinePt = y - (shape.upPt ?? 0) + sizePt * 0.35;
      const text: Ink = {
        is: 'text',
        xPt: x,
        baselinePt,
        sizePt,
        style,
        words,
        anchor,
        ...(shape.turnDeg && { turnDeg: shape.turnDeg }),
      };
      if (!shape.boxed) return [text];
      const width = measure(words, sizePt, style);
      const left = x - { start: 0, middle: width / 2, end: width }[anchor] - 1.5;
      const [top, bottom] = [baselinePt - sizePt * 0.85, baselinePt + sizePt * 0.25];
      const right = left + width + 3;
      return [
        {
          is: 'path',
          points: [left, top, right, top, right, bottom, left, bottom],
          closed: true,
          fill: 'white',
        },
        text,
      ];
    }
  }
}

function arrow(from: [number, number], to: [number, number], widthPt: number, isMiddle: boolean): Ink[] {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy);
  const line: Ink = { is: 'path', points: [...from, ...to], widthPt };
  // Between points that are so near no head has room.
  if (length < 3) return [line];
  const [ux, uy] = [dx / length, dy / length];
  const size = Math.min(HEAD_PT, length * 0.8);
  const reach = isMiddle ? length / 2 + size / 2 : length;
  const [tipX, tipY] = [from[0] + ux * reach, from[1] + uy * reach];
  const [backX, backY] = [tipX - ux * size, tipY - uy * size];
  const half = size * 0.4;
  return [
    line,
    {
      is: 'path',
      points: [tipX, tipY, backX - uy * half, backY + ux * half, backX + uy * half, backY - ux * half],
      closed: true,
      fill: 'black',
    },
  ];
}

/** Round lengths in mm, of which the longest that fits is taken. */
const ROUND_MM = [
  1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000, 200_000, 500_000,
];
const ROUND_INCHES = [0.25, 0.5, 1, 3, 6, 12, 24, 60, 120, 240, 600, 1200, 2400, 6000, 12_000];

function scaleBar(xPt: number, yPt: number, ptPerMm: number, lengths: Lengths): Ink[] {
  const round = lengths === 'imperial' ? ROUND_INCHES.map((inches) => inches * 25.4) : ROUND_MM;
  const lengthMm = round.findLast((mm) => mm * ptPerMm <= MOST_BAR_PT) ?? itemAt(round, 0);
  const right = xPt + lengthMm * ptPerMm;
  return [
    {
      is: 'path',
      points: [xPt, yPt - 3, xPt, yPt + 3, xPt, yPt, right, yPt, right, yPt - 3, right, yPt + 3],
      widthPt: 0.8,
    },
    {
      is: 'text',
      xPt: right + 5,
      baselinePt: yPt + 3,
      sizePt: 8,
      style: 'regular',
      words: `${formatLength(lengthMm, lengths)}, drawn to scale`,
    },
  ];
}
