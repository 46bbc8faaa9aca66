import { nowAndThen } from '../prior';
import { TINTED } from '../chain';
import { markRun, runIndex } from '../fault';
import { runFault } from '../simpleFaults';
import { strungRuns } from '../starving';

export const batches = runFault(
  'batches',
  {
    name: 'Another batch',
    layer: 'colour',
    prior: nowAndThen('strings of two seasons'),
    sentence: (run) =>
      `The second half of ${run} is of another batch: its white is warmer, at low levels too.`,
  },
  (rig, place) =>
    markRun(rig, place, TINTED, Math.ceil((rig.plan.runs[runIndex(rig.plan, place)]?.pixelCount ?? 0) / 2)),
  strungRuns,
);
