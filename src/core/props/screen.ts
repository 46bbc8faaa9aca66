import { z } from 'zod';
import { capitalised } from '../units/words';
import { SHIPPED_PIXEL_TYPES } from '../catalogue/pixelType';
import { byId } from '../units/there';
import { computed, given, sum } from '../figures/explained';
import {
  dataOrder,
  frameLights,
  framePieces,
  reachesOverMm,
  type FramePiece,
  framePixels,
  frameStretches,
  runsOn,
  wirePixels,
} from '../screens/frame';
import { pictureSize, screenShapeSchema, type ScreenShape } from '../screens/shape';
import { SCREEN_SIDES, startWords } from '../screens/sides';
import type { Strand } from '../threading/strands';
import { runsSchema, runsWords } from '../threading/runs';
import { formatLength } from '../units/length';
import { countOf } from '../units/number';
import { definePropKind } from './kind';

const screenThreadingSchema = z.strictObject({ runs: runsSchema });

/** Stretches of one piece in data order; a piece in which the data begins is two of them. Hidden pixels come first, unused ones last. */
function screenStrands(shape: ScreenShape): { strand: Strand; piece: number }[] {
  const pieces = framePieces(shape);
  const lit = framePixels(shape);
  const made: { strand: Strand; piece: number }[] = [];
  const add = (strand: Omit<Strand, 'number'>, piece: number) =>
    made.push({ strand: { number: made.length + 1, ...strand }, piece });
  if (shape.hiddenFirst > 0) add({ firstPoint: lit, step: 1, count: shape.hiddenFirst }, -1);
  const step = shape.direction === 'clockwise' ? 1 : -1;
  for (const { piece, firstPlace, pixels } of frameStretches(shape, pieces))
    add({ firstPoint: firstPlace, step, count: pixels }, piece);
  if (shape.unusedTail) add({ firstPoint: lit + shape.hiddenFirst, step: 1, count: shape.unusedTail }, -1);
  return made;
}

/** Pixels that stay dark behind the screen. */
const darkPixels = (shape: ScreenShape) => shape.hiddenFirst + (shape.unusedTail ?? 0);

/** Strip behind a screen, along the edges of its picture. The middle of the picture is at (0, 0). */
export const screen = definePropKind({
  kind: 'screen',
  label: 'Screen backlight',
  hint: 'Strip behind a screen or a projector’s canvas, side by side, with a gap for the stand.',
  glyph: { path: 'M3.5 5.5h17v11h-17zM9 20.5h6M12 16.5v4' },
  shapeSchema: screenShapeSchema,
  threadingSchema: screenThreadingSchema,
  usualPixelType: byId(SHIPPED_PIXEL_TYPES, 'strip-5v-ws2812b'),
  // A board on its USB, its own pin, or a node on the network.
  usualControllers: () => ['serial-1', 'bare-pin-1', 'wifi-2'],
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
    const pieces = framePieces(shape).map(({ words, pixels }) => given(words, pixels, 'pixels', { place }));
    const hidden =
      shape.hiddenFirst > 0 ? [given('hidden first ones', shape.hiddenFirst, 'pixels', { place })] : [];
    const tail = shape.unusedTail ? [given('unused last ones', shape.unusedTail, 'pixels', { place })] : [];
    return computed('pixels', 'pixels', sum(...pieces, ...hidden, ...tail));
  },
  summary: (shape) => {
    const { widthMm, heightMm } = pictureSize(shape);
    const inches = Math.round(Math.hypot(widthMm, heightMm) / 25.4);
    return `${inches} in, ${framePixels(shape)} px`;
  },
  points: (shape) => {
    const lights = frameLights(framePieces(shape));
    const order = dataOrder(shape);
    const count = wirePixels(shape);
    const nowhere = { xMm: 0, yMm: 0 };
    // Dark ones are behind the light that they hang beside.
    const at = (i: number) =>
      lights[i] ?? lights[(i < lights.length + shape.hiddenFirst ? order[0] : order.at(-1)) ?? 0] ?? nowhere;
    const radius = shape.curveRadiusMm;
    return {
      xMm: Float32Array.from({ length: count }, (_, i) =>
        radius ? radius * Math.sin(at(i).xMm / radius) : at(i).xMm,
      ),
      yMm: Float32Array.from({ length: count }, (_, i) => at(i).yMm),
      zMm: Float32Array.from({ length: count }, (_, i) =>
        radius ? radius * (1 - Math.cos(at(i).xMm / radius)) : 0,
      ),
    };
  },
  strands: (shape) => screenStrands(shape).map(({ strand }) => strand),
  strandWord: () => 'piece',
  // Bent strip runs on; what is cut is bridged, and so is the stand.
  isJoined: (shape, from, to) => {
    if (Math.abs(from - to) !== 1) return false;
    const pieces = framePieces(shape);
    const strands = screenStrands(shape);
    const [one, other] = [from, to].map((number) => pieces[strands[number - 1]?.piece ?? -1]);
    if (!one || !other) return false;
    const isOnward = to > from === (shape.direction === 'clockwise');
    return isOnward ? runsOn(shape, one, other) : runsOn(shape, other, one);
  },
  hiddenPoints: (shape) => {
    const lit = framePixels(shape);
    return Array.from({ length: darkPixels(shape) }, (_, i) => lit + i);
  },
  threadingWords: (threading) => runsWords(threading.runs),
  facts: (shape, lengths) => {
    const { widthMm, heightMm } = pictureSize(shape);
    const pieces = framePieces(shape);
    const strip = ((framePixels(shape) + darkPixels(shape)) * 1000) / shape.pixelsPerMetre;
    const different = pieces.filter(({ planned, pixels }) => planned !== pixels);
    const radius = shape.curveRadiusMm;
    const half = radius ? widthMm / 2 / radius : 0;
    return [
      {
        name: 'Picture',
        value: `${formatLength(widthMm, lengths)} × ${formatLength(heightMm, lengths)}`,
        note: `diagonal ${(Math.hypot(widthMm, heightMm) / 25.4).toFixed(1)} in${radius ? ', along the glass' : ''}`,
      },
      ...(radius
        ? [
            {
              name: 'Curved',
              value: `${formatLength(2 * radius * Math.sin(half), lengths)} straight across`,
              note: `its ends stand ${formatLength(radius * (1 - Math.cos(half)), lengths)} forward; strip is measured along the back`,
            },
          ]
        : []),
      ...pieces.map((piece) => ({
        name: shape.ownPieces
          ? capitalised(piece.words).replace(', seen from the front', '')
          : `At the ${piece.words.replace(', seen from the front', '')}`,
        value: countOf(piece.pixels, 'pixel'),
        note: `${formatLength(piece.lengthMm, lengths)}${overWords(piece, shape)}${piece.planned === piece.pixels ? '' : `; planned ${piece.planned}`}`,
      })),
      { name: 'Strip', value: formatLength(strip, lengths) },
      {
        name: 'Data',
        value: shape.direction === 'clockwise' ? 'clockwise' : 'counter-clockwise',
        note: `from the ${startWords(shape.start)}, seen from the front; from the back ${shape.direction === 'clockwise' ? 'counter-clockwise' : 'clockwise'} from the ${startWords(shape.start, true)}`,
      },
      ...(different.length > 0
        ? [{ name: 'Installed otherwise', value: countOf(different.length, 'piece') }]
        : []),
    ];
  },
});

/** A strip that is a hair longer than its room. */
function overWords(piece: FramePiece, shape: ScreenShape): string {
  const overMm = reachesOverMm(piece, shape);
  return overMm > 0.005 ? `, ${overMm.toFixed(2)} mm less than the strip` : '';
}
