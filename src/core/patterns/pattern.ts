import type { Plan } from '../plan/planned';
import type { Stretch } from './selection';

/** Levels of red, green, blue and white, 0 to 255. */
export type Colour = readonly [red: number, green: number, blue: number, white: number];

/** The state of a pattern at a moment. */
export interface Moment {
  plan: Plan;
  stretches: readonly Stretch[];
  timeS: number;
  /** Which pixel, in data order over the selection, of a walk that is stepped; null where time moves it. */
  step: number | null;
  /** The brightest byte, as a share of 255. */
  level: number;
  colour: Colour;
}

/** A test: what each pixel of a selection is to show. */
export interface Pattern {
  id: string;
  name: string;
  /** Its picture, in a sentence. */
  shows: string;
  /** Faults that it cannot show: a right picture says nothing of these. */
  blindTo: string;
  isMoving: boolean;
  /** A step forward and back means something. */
  isStepped?: true;
  /** Writes what is lit: four bytes for each pixel of the plan. All others are dark already. */
  paint: (moment: Moment, light: Uint8Array) => void;
}

/** Sets one pixel, dimmed by the level. */
export function put(light: Uint8Array, pixel: number, colour: Colour, level: number): void {
  const at = 4 * pixel;
  for (let i = 0; i < 4; i += 1) light[at + i] = Math.round(colour[i]! * level);
}

export const RED: Colour = [255, 0, 0, 0];
export const GREEN: Colour = [0, 255, 0, 0];
export const BLUE: Colour = [0, 0, 255, 0];
export const WHITE: Colour = [255, 255, 255, 0];
export const WHITE_LIGHT: Colour = [0, 0, 0, 255];
/** Told apart also by those who see few colours: hue and brightness both change. */
export const BANDS: readonly Colour[] = [
  [255, 0, 0, 0],
  [0, 255, 0, 0],
  [0, 0, 255, 0],
  [255, 160, 0, 0],
  [160, 0, 255, 0],
  [0, 200, 200, 0],
];

/** Names of the bands. */
export const BAND_WORDS = ['red', 'green', 'blue', 'amber', 'violet', 'cyan'] as const;

/** Every pixel of a selection one after another, with its place in data order over all of it, from 0. */
export function eachPixel(stretches: readonly Stretch[], take: (pixel: number, place: number) => void): void {
  let place = 0;
  for (const { first, count } of stretches)
    for (let i = 0; i < count; i += 1) {
      take(first + i, place);
      place += 1;
    }
}

export const pixelsIn = (stretches: readonly Stretch[]) =>
  stretches.reduce((sum, { count }) => sum + count, 0);
