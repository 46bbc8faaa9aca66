import { rare } from '../prior';
import { DARK } from '../chain';
import { markPlaces, panelsOf, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const pinoutWrong = runFault(
  'pinoutWrong',
  {
    name: 'Pinout of another hat',
    layer: 'place',
    prior: rare('a hat of another kind'),
    sentence: (run) =>
      `The driver of ${run} has the pinout of another hat: the lower half of every panel has no data.`,
  },
  (rig, place) => {
    const panels = panelsOf(rig.plan, place);
    return panels
      ? markPlaces(rig, place, DARK, (i) => panels.at(i).y >= Math.ceil(panels.panel.rows / 2))
      : rig;
  },
  wallRunsOf,
);
