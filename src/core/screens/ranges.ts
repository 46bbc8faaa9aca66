import { dataOrder, frameLights, framePieces, wirePixels } from './frame';
import { pictureSize, type ScreenShape } from './shape';
import { SCREEN_SIDES } from './sides';
import { itemAt } from '../units/there';

/** Lights of one name that follow one another on the wire; both ends belong to it. */
export interface NamedRange {
  name: string;
  from: number;
  to: number;
  lights: number;
}

/** The widest films: what is black above and below of a picture so wide is the letterbox. */
const FILM_ASPECT = 2.39;

/**
 * Names for lights of the wire, counted from 0 with dark ones: `hidden`, the sides, `standGap` (the two lights beside it), `letterbox` (those
 * beside the black bars of a film of 2.39 : 1), `tail`. A name stands in several lines where its lights are parted.
 */
export function namedRanges(shape: ScreenShape): NamedRange[] {
  const pieces = framePieces(shape);
  const lights = frameLights(pieces);
  const { heightMm, widthMm } = pictureSize(shape);
  const first = shape.hiddenFirst;
  const wired = dataOrder(shape, pieces).map((place, i) => ({
    index: first + i,
    light: itemAt(lights, place),
  }));
  const barMm = Math.max(0, (heightMm - widthMm / FILM_ASPECT) / 2);
  const named = (name: string, indices: readonly number[]) =>
    rangesOf(indices).map(([from, to]): NamedRange => ({ name, from, to, lights: to - from + 1 }));
  const total = wirePixels(shape);
  const lit = first + wired.length;
  return [
    ...named('hidden', span(0, first)),
    ...SCREEN_SIDES.flatMap((side) =>
      named(
        side,
        wired.filter(({ light }) => light.side === side).map(({ index }) => index),
      ),
    ),
    ...standGap(shape, pieces, wired),
    ...(barMm > 0
      ? named(
          'letterbox',
          wired.filter(({ light }) => Math.abs(light.yMm) > heightMm / 2 - barMm).map(({ index }) => index),
        )
      : []),
    ...named('tail', span(lit, total)),
  ];
}

const span = (from: number, to: number) => Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);

function rangesOf(indices: readonly number[]): [number, number][] {
  const made: [number, number][] = [];
  for (const index of indices) {
    const last = made.at(-1);
    if (last && last[1] === index - 1) last[1] = index;
    else made.push([index, index]);
  }
  return made;
}

/** The light on either side of the stand: no light of it is within. */
function standGap(
  shape: ScreenShape,
  pieces: ReturnType<typeof framePieces>,
  wired: readonly { index: number; light: { piece: number; xMm: number } }[],
): NamedRange[] {
  if (!shape.standGap || shape.ownPieces) return [];
  const beside = (name: string, isNearer: (a: number, b: number) => boolean) => {
    const number = pieces.findIndex((piece) => piece.name === name);
    return wired
      .filter(({ light }) => light.piece === number)
      .reduce<(typeof wired)[number] | null>(
        (best, each) => (!best || isNearer(each.light.xMm, best.light.xMm) ? each : best),
        null,
      );
  };
  const ends = [beside('bottomRight', (a, b) => a < b), beside('bottomLeft', (a, b) => a > b)];
  return ends
    .flatMap((end) => (end ? [{ name: 'standGap', from: end.index, to: end.index, lights: 1 }] : []))
    .sort((a, b) => a.from - b.from);
}
