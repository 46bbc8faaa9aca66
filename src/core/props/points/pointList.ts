import { FREEFORM_LIMITS } from '../freeform';
import { groupDigits } from '../../units/number';

/** Points of a free-form prop as they are read: unbroken pieces one after another. */
export interface PointList {
  xMm: number[];
  yMm: number[];
  /** Absent where all of it is flat. */
  zMm?: number[];
  pieces: number[];
}

/** Points that cannot be read, with the line of the file where there is one. */
export class PointsError extends Error {
  constructor(
    message: string,
    readonly line?: number,
  ) {
    super(message);
    this.name = 'PointsError';
  }
}

/** The sentence for more points than a free-form prop holds. */
export function tooManyPoints(have: number): string {
  return `A free-form prop holds at most ${groupDigits(FREEFORM_LIMITS.points)} points, and this would make ${groupDigits(have)}. Use a wider spacing, or split it into several props.`;
}

/** To a tenth of a millimetre: finer than anything is built. */
export function roundedMm(valueMm: number): number {
  return Math.round(valueMm * 10) / 10 + 0;
}
