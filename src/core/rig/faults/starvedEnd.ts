import { often } from '../prior';
import { runFault } from '../simpleFaults';
import { fedOnce, strungRuns } from '../starving';

export const starvedEnd = runFault(
  'starvedEnd',
  {
    name: 'A starved end',
    layer: 'power',
    prior: often('too few feeds: the end of a long run grows yellow'),
    sentence: (run) => `${run} is fed at its first pixel alone: white turns yellow and red towards its end.`,
  },
  (rig, place) => fedOnce(rig, place),
  (plan) => strungRuns(plan),
);
