/**
 * A drawing as data: shapes in the measures of what is drawn, in mm, with y up. How large it comes out on a page is decided where it is
 * placed; letters and points keep their size on paper.
 */
export interface Drawing {
  /** The drawing in words, for somebody who cannot see it. */
  name: string;
  bounds: { leftMm: number; rightMm: number; bottomMm: number; topMm: number };
  shapes: readonly Shape[];
  /** It is drawn to scale, so a scale bar stands below it. */
  isToScale: boolean;
}

export type SpotOnDrawing = readonly [xMm: number, yMm: number];

type Pen = 'thin' | 'thick' | 'dashed' | 'none';
/** A light fill: print on it stays legible. */
type Fill = 'none' | 'white' | 'light' | 'black';

export type Shape =
  | { is: 'path'; points: readonly SpotOnDrawing[]; closed?: boolean; pen: Pen; fill?: Fill }
  /** A line with a head at its end, or, where `at` is `middle`, half way. */
  | { is: 'arrow'; from: SpotOnDrawing; to: SpotOnDrawing; at?: 'middle'; pen: 'thin' | 'thick' }
  /** A point of a size on paper. */
  | { is: 'dot'; at: SpotOnDrawing; radiusPt: number; fill: Fill }
  | {
      is: 'label';
      at: SpotOnDrawing;
      words: string;
      sizePt: number;
      bold?: boolean;
      /** On a white ground, where lines run below it. */
      boxed?: boolean;
      anchor?: 'start' | 'middle' | 'end';
      /** Up on paper, in points, from where it is. */
      upPt?: number;
      turnDeg?: number;
    };

/** The bounds of some points, with room around them. @returns a metre square where there are none */
export function boundsOfSpots(spots: Iterable<SpotOnDrawing>, roomMm = 0): Drawing['bounds'] {
  let [leftMm, rightMm, bottomMm, topMm] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of spots) {
    leftMm = Math.min(leftMm, x);
    rightMm = Math.max(rightMm, x);
    bottomMm = Math.min(bottomMm, y);
    topMm = Math.max(topMm, y);
  }
  if (leftMm > rightMm) return { leftMm: -500, rightMm: 500, bottomMm: -500, topMm: 500 };
  return {
    leftMm: leftMm - roomMm,
    rightMm: rightMm + roomMm,
    bottomMm: bottomMm - roomMm,
    topMm: topMm + roomMm,
  };
}
