import { seldom } from '../prior';
import { changeSender, runIndex } from '../fault';
import { runFault } from '../simpleFaults';
import { strungRuns } from '../starving';

/** Pixels in the profile of one fixture unless it says otherwise. */
const PIXELS = 1;

export const profileDefault = runFault(
  'profileDefault',
  {
    name: 'A fixture’s profile left at its default',
    layer: 'packing',
    prior: seldom('only fixtures with a profile'),
    sentence: (run) =>
      `The sender has ${run} with the profile of a single light: only its first pixel gets a picture.`,
  },
  (rig, place) => {
    const run = rig.plan.runs[runIndex(rig.plan, place)];
    if (!run) return rig;
    const undrawn = Int32Array.from(
      { length: Math.max(0, run.pixelCount - PIXELS) },
      (_, i) => run.firstPixel + PIXELS + i,
    );
    return changeSender(rig, { undrawn: [...rig.sender.undrawn, undrawn] });
  },
  strungRuns,
);
