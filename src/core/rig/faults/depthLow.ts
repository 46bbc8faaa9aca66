import { rare } from '../prior';
import { COARSE } from '../chain';
import { wallRunsOf } from '../rewire';
import { markedRun } from '../simpleFaults';

export const depthLow = markedRun(
  'depthLow',
  {
    name: 'Colour depth too low',
    layer: 'colour',
    prior: rare('only on panels'),
    sentence: (run) =>
      `The panels of ${run} show two bits a colour: dark tones are gone, and ramps have steps.`,
  },
  COARSE,
  wallRunsOf,
);
