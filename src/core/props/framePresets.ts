import { OUTLINES, START_SIDES, frameLegs, type OutlineName } from './frames';
import type { Leg } from './leg';
import { itemAt } from '../units/there';

interface Measures {
  label: string;
  hint: string;
  widthMm: number;
  heightMm: number;
  corner: 'runsOn' | 'eatsPixel';
}

/** 30 pixels a metre, as strips are often sold. */
const SPACING_MM = 33.3;

/** Measures of each outline on a usual house, to be corrected with a tape. */
const USUAL: Readonly<Record<OutlineName, Measures>> = {
  window: {
    label: 'Window frame',
    hint: 'Four legs around a window, from the lower left.',
    widthMm: 900,
    heightMm: 1200,
    corner: 'eatsPixel',
  },
  door: {
    label: 'Door frame',
    hint: 'Up, over and down: three legs around a door.',
    widthMm: 950,
    heightMm: 2050,
    corner: 'eatsPixel',
  },
  eave: {
    label: 'Eave',
    hint: 'One level leg along the edge of a roof or a gutter.',
    widthMm: 6000,
    heightMm: 1,
    corner: 'runsOn',
  },
  gable: {
    label: 'Gable',
    hint: 'Two slopes that meet at the ridge.',
    widthMm: 6000,
    // A slope of 35 degrees: 3 m * tan(35 degrees).
    heightMm: 2100,
    corner: 'runsOn',
  },
  arch: {
    label: 'Arch',
    hint: 'Two uprights and half a circle, over a path or a gate.',
    widthMm: 1400,
    heightMm: 2300,
    corner: 'runsOn',
  },
  post: {
    label: 'Post',
    hint: 'One upright leg: a column, a mast, a corner of the house.',
    widthMm: 1,
    heightMm: 2500,
    corner: 'runsOn',
  },
};

export const FRAME_PRESETS = OUTLINES.map((outline) => {
  const { label, hint, widthMm, heightMm, corner } = USUAL[outline];
  return {
    label,
    hint,
    starter: (): { shape: { legs: Leg[] }; threading: { firstPixel: 'start'; runs: 1 } } => ({
      shape: {
        legs: frameLegs({
          outline,
          widthMm,
          heightMm,
          pixels: { by: 'spacing', spacingMm: SPACING_MM },
          corner,
          start: itemAt(START_SIDES[outline], 0),
          turn: 'clockwise',
        })!,
      },
      threading: { firstPixel: 'start', runs: 1 },
    }),
  };
});
