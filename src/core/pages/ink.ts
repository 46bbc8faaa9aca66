/** Marks on a page, in points (1/72 inch) from its top left, y down. Everything that writes pages knows these alone. */
export type Ink =
  | {
      is: 'text';
      xPt: number;
      /** The line that letters stand on. */
      baselinePt: number;
      sizePt: number;
      style: TextStyle;
      words: string;
      anchor?: 'start' | 'middle' | 'end';
      /** Counter-clockwise about where it stands. */
      turnDeg?: number;
      grey?: boolean;
    }
  | {
      is: 'path';
      /** x and y by turns. */
      points: readonly number[];
      closed?: boolean;
      /** None where it is absent. */
      widthPt?: number;
      dashed?: boolean;
      fill?: 'white' | 'light' | 'black';
      grey?: boolean;
    }
  | {
      is: 'circle';
      xPt: number;
      yPt: number;
      radiusPt: number;
      widthPt?: number;
      fill?: 'white' | 'light' | 'black';
    }
  /** A code for a camera, its quiet zone included. */
  | { is: 'code'; xPt: number; yPt: number; sizePt: number; text: string };

/** The modules of a code, row by row, dark ones true, without its quiet zone. */
export type CodeOf = (text: string) => readonly (readonly boolean[])[];

/** Share of a code that may be lost: a scratch or a drop does not matter (ISO/IEC 18004, level M). */
export const CODE_LEVEL = 'M';

/** Rows of modules, as an encoder gives them in one. */
export function rowsOfModules({ size, data }: { size: number; data: ArrayLike<number> }): boolean[][] {
  return Array.from({ length: size }, (_, y) =>
    Array.from({ length: size }, (_, x) => data[y * size + x] === 1),
  );
}

/** Light modules around a code on each side: ISO/IEC 18004 asks for four. */
export const QUIET_MODULES = 4;

export type TextStyle = 'regular' | 'bold' | 'mono';

/** Width of words in a size of letters, in points. */
export type Measure = (words: string, sizePt: number, style: TextStyle) => number;

const PT_PER_MM = 72 / 25.4;

export function ptOf(mm: number): number {
  return mm * PT_PER_MM;
}
