import { seldom } from '../prior';
import { rewireWall, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const pictureCorner = runFault(
  'pictureCorner',
  {
    name: 'Picture from another corner',
    layer: 'place',
    prior: seldom('chosen once for a wall'),
    sentence: (run) => `The picture of ${run} begins at another corner: it is mirrored from left to right.`,
  },
  (rig, place) =>
    rewireWall(rig, place, (wall, { column, row, x, y }) => ({
      column: wall.columns - 1 - column,
      row,
      x: wall.panel.columns - 1 - x,
      y,
    })),
  wallRunsOf,
);
