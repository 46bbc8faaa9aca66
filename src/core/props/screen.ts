import { z } from 'zod';
import { computed, given, sum } from '../figures/explained';
import {
  dataOrder,
  frameLights,
  framePieces,
  framePixels,
  PIECE_WORDS,
  pictureSize,
  SCREEN_SIDES,
  screenShapeSchema,
  type FramePiece,
  type ScreenShape,
} from '../screens/frame';
import type { Strand } from '../threading/strands';
import { runsSchema, runsWords } from '../threading/runs';
import { formatLength } from '../units/length';
import { countOf } from '../units/number';
import { definePropKind } from './kind';

const screenThreadingSchema = z.strictObject({ runs: runsSchema });

const pieceNumber = (pieces: readonly FramePiece[]) => {
  const numbers: number[] = [];
  pieces.forEach(({ pixels }, piece) => {
    for (let i = 0; i < pixels; i += 1) numbers.push(piece);
  });
  return numbers;
};

/** Stretches of one piece in data order; a piece in which the data begins is two of them. Hidden pixels come first. */
function screenStrands(shape: ScreenShape): { strand: Strand; piece: number }[] {
  const pieces = framePieces(shape);
  const order = dataOrder(shape, pieces);
  const pieceOf = pieceNumber(pieces);
  const made: { strand: Strand; piece: number }[] = [];
  const add = (strand: Omit<Strand, 'number'>, piece: number) =>
    made.push({ strand: { number: made.length + 1, ...strand }, piece });
  if (shape.hiddenFirst > 0) add({ firstPoint: order.length, step: 1, count: shape.hiddenFirst }, -1);
  const step = shape.direction === 'clockwise' ? 1 : -1;
  let first = 0;
  for (let i = 1; i <= order.length; i += 1) {
    const goesOn =
      i < order.length && pieceOf[order[i]!] === pieceOf[order[i - 1]!] && order[i]! - order[i - 1]! === step;
    if (goesOn) continue;
    add({ firstPoint: order[first]!, step, count: i - first }, pieceOf[order[first]!]!);
    first = i;
  }
  return made;
}

const startWords: Record<ScreenShape['start'], string> = {
  topLeft: 'the top left',
  topRight: 'the top right',
  bottomRight: 'the bottom right',
  bottomLeft: 'the bottom left',
  bottomMiddle: 'the middle of the bottom',
};

/** Strip behind a screen, along the edges of its picture. The middle of the picture is at (0, 0). */
export const screen = definePropKind({
  kind: 'screen',
  label: 'Screen backlight',
  hint: 'Strip behind a screen or a projector’s canvas, side by side, with a gap for the stand.',
  glyph: { path: 'M3.5 5.5h17v11h-17zM9 20.5h6M12 16.5v4' },
  shapeSchema: screenShapeSchema,
  threadingSchema: screenThreadingSchema,
  starter: (): { shape: ScreenShape; threading: z.infer<typeof screenThreadingSchema> } => ({
    shape: {
      size: { by: 'diagonal', diagonalMm: 1092.2, aspectWidth: 16, aspectHeight: 9 },
      insetMm: 20,
      pixelsPerMetre: 60,
      pixelsPerCut: 1,
      sides: [...SCREEN_SIDES],
      corner: { style: 'cut', lossMm: 0 },
      start: 'bottomLeft',
      startOffset: 0,
      direction: 'clockwise',
      hiddenFirst: 0,
    },
    threading: { runs: 1 },
  }),
  pixels: (shape, place) => {
    const pieces = framePieces(shape).map(({ name, pixels }) =>
      given(PIECE_WORDS[name], pixels, 'pixels', { place }),
    );
    const hidden =
      shape.hiddenFirst > 0 ? [given('hidden first ones', shape.hiddenFirst, 'pixels', { place })] : [];
    return computed('pixels', 'pixels', sum(...pieces, ...hidden));
  },
  summary: (shape) => {
    const { widthMm, heightMm } = pictureSize(shape);
    const inches = Math.round(Math.hypot(widthMm, heightMm) / 25.4);
    return `${inches} in, ${framePixels(shape)} px`;
  },
  points: (shape) => {
    const lights = frameLights(framePieces(shape));
    const count = lights.length + shape.hiddenFirst;
    const first = lights[dataOrder(shape)[0] ?? 0] ?? { xMm: 0, yMm: 0 };
    const at = (i: number) => lights[i] ?? first;
    return {
      xMm: Float32Array.from({ length: count }, (_, i) => at(i).xMm),
      yMm: Float32Array.from({ length: count }, (_, i) => at(i).yMm),
      zMm: new Float32Array(count),
    };
  },
  strands: (shape) => screenStrands(shape).map(({ strand }) => strand),
  strandWord: () => 'piece',
  // Bent strip runs on; what is cut is bridged, and so is the stand.
  isJoined: (shape, from, to) => {
    if (shape.corner.style !== 'bent' || Math.abs(from - to) !== 1) return false;
    const pieces = framePieces(shape);
    const strands = screenStrands(shape);
    const [one, other] = [from, to].map((number) => pieces[strands[number - 1]?.piece ?? -1]);
    return one !== undefined && other !== undefined && one.side !== other.side;
  },
  hiddenPoints: (shape) => {
    const lit = framePixels(shape);
    return Array.from({ length: shape.hiddenFirst }, (_, i) => lit + i);
  },
  threadingWords: (threading) => runsWords(threading.runs),
  facts: (shape) => {
    const { widthMm, heightMm } = pictureSize(shape);
    const pieces = framePieces(shape);
    const strip = (framePixels(shape) * 1000) / shape.pixelsPerMetre;
    const different = pieces.filter(({ planned, pixels }) => planned !== pixels);
    return [
      {
        name: 'Picture',
        value: `${formatLength(widthMm)} × ${formatLength(heightMm)}`,
        note: `diagonal ${(Math.hypot(widthMm, heightMm) / 25.4).toFixed(1)} in`,
      },
      ...pieces.map(({ name, lengthMm, planned, pixels }) => ({
        name: `At the ${PIECE_WORDS[name].replace(', seen from the front', '')}`,
        value: countOf(pixels, 'pixel'),
        note: `${formatLength(lengthMm)}${planned === pixels ? '' : `; planned ${planned}`}`,
      })),
      { name: 'Strip', value: formatLength(strip) },
      {
        name: 'Data',
        value: shape.direction === 'clockwise' ? 'clockwise' : 'counter-clockwise',
        note: `from ${startWords[shape.start]}, seen from the front; from the back the other way round`,
      },
      ...(different.length > 0
        ? [{ name: 'Installed otherwise', value: countOf(different.length, 'piece') }]
        : []),
    ];
  },
});
