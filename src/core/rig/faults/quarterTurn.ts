import { panelsOf, rewireWall, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const quarterTurn = runFault(
  'quarterTurn',
  {
    name: 'A square panel on its side',
    layer: 'place',
    sentence: (run) => `The first panel of ${run} lies on its side, by a quarter turn.`,
  },
  (rig, place) =>
    rewireWall(rig, place, (wall, at) =>
      at.column === 0 && at.row === 0 ? { ...at, x: wall.panel.rows - 1 - at.y, y: at.x } : at,
    ),
  (plan) =>
    wallRunsOf(plan).filter((place) => {
      const { panel } = panelsOf(plan, place)!;
      return panel.columns === panel.rows;
    }),
);
