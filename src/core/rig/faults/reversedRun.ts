import { nowAndThen } from '../prior';
import { rewireRun } from '../rewire';
import { runFault } from '../simpleFaults';

export const reversedRun = runFault(
  'reversedRun',
  {
    name: 'Fed from its other end',
    layer: 'place',
    prior: nowAndThen('fed from the end that was nearer'),
    sentence: (run) => `${run} is fed from its other end.`,
  },
  (rig, place) => rewireRun(rig, place, (count) => Array.from({ length: count }, (_, i) => count - 1 - i)),
);
