import { seldom } from '../prior';
import { rewireWall, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const scanWrong = runFault(
  'scanWrong',
  {
    name: 'Wrong scan',
    layer: 'place',
    prior: seldom('an unknown panel'),
    sentence: (run) =>
      `The panels of ${run} are driven by another scan: the rows of each lie in another order.`,
  },
  (rig, place) =>
    rewireWall(rig, place, ({ panel: { rows } }, at) => {
      const half = Math.ceil(rows / 2);
      return { ...at, y: at.y < half ? 2 * at.y : 2 * (at.y - half) + 1 };
    }),
  wallRunsOf,
);
