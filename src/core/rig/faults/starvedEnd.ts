import { runFault } from '../simpleFaults';
import { fedOnce, strungRuns } from '../starving';

export const starvedEnd = runFault(
  'starvedEnd',
  {
    name: 'A starved end',
    layer: 'power',
    sentence: (run) => `${run} is fed at its first pixel alone: white turns yellow and red towards its end.`,
  },
  (rig, place) => fedOnce(rig, place),
  (plan) => strungRuns(plan),
);
