import { seldom } from '../prior';
import { rewireWall, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

/** Columns that are driven together. */
const GROUP = 4;

export const interleaveWrong = runFault(
  'interleaveWrong',
  {
    name: 'Wrong interleave',
    layer: 'place',
    prior: seldom('an unknown panel'),
    sentence: (run) =>
      `The panels of ${run} are driven with another interleave: stripes of columns change places in every other row.`,
  },
  (rig, place) =>
    rewireWall(rig, place, ({ panel: { columns } }, at) => {
      const group = Math.floor(at.x / GROUP);
      const other = (group ^ 1) * GROUP + (at.x % GROUP);
      return at.y % 2 === 1 && (group | 1) * GROUP + GROUP <= columns ? { ...at, x: other } : at;
    }),
  wallRunsOf,
);
