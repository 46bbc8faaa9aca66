import { nowAndThen } from '../prior';
import { FLICKERING } from '../chain';
import { markedRun } from '../simpleFaults';

export const noGround = markedRun(
  'noGround',
  {
    name: 'No common ground',
    layer: 'power',
    prior: nowAndThen('two supplies whose grounds nobody joined'),
    sentence: (run) => `${run} has no ground in common with its controller: it flickers at random.`,
  },
  FLICKERING,
);
