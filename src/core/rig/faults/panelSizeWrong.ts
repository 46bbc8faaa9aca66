import { seldom } from '../prior';
import { rewireWall, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const panelSizeWrong = runFault(
  'panelSizeWrong',
  {
    name: 'Panel size wrong',
    layer: 'place',
    prior: seldom('typed once'),
    sentence: (run) =>
      `The driver of ${run} takes panels to be half as wide: the halves of each change places.`,
  },
  (rig, place) =>
    rewireWall(rig, place, ({ panel: { columns } }, at) => ({
      ...at,
      x: (at.x + Math.floor(columns / 2)) % columns,
    })),
  wallRunsOf,
);
