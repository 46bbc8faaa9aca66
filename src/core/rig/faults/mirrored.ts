import { often } from '../prior';
import { mirrorOf, rewireRun } from '../rewire';
import { runFault } from '../simpleFaults';

export const mirrored = runFault(
  'mirrored',
  {
    name: 'Front and back mixed up',
    layer: 'place',
    prior: often('front and back are mixed up'),
    sentence: (run) => `${run} is built as a mirror of the plan: front and back were mixed up.`,
  },
  (rig, place) => rewireRun(rig, place, (count) => mirrorOf(rig.plan, place, count)),
);
