import { seldom } from '../prior';
import { changeSender, runIndex } from '../fault';
import { panelsOf, wallRunsOf } from '../rewire';
import { runFault } from '../simpleFaults';

export const canvasDefault = runFault(
  'canvasDefault',
  {
    name: 'Canvas left at its default',
    layer: 'packing',
    prior: seldom('only walls that are sent as a picture'),
    sentence: (run) =>
      `The canvas of the sender for ${run} is as large as one panel: the others get nothing.`,
  },
  (rig, place) => {
    const panels = panelsOf(rig.plan, place);
    const run = rig.plan.runs[runIndex(rig.plan, place)];
    if (!panels || !run) return rig;
    const undrawn = Array.from({ length: run.pixelCount }, (_, i) => i).filter((i) => {
      const { column, row } = panels.at(i);
      return column > 0 || row > 0;
    });
    return changeSender(rig, {
      undrawn: [...rig.sender.undrawn, Int32Array.from(undrawn, (i) => run.firstPixel + i)],
    });
  },
  wallRunsOf,
);
