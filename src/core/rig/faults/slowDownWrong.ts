import { rare } from '../prior';
import { NOISY } from '../chain';
import { wallRunsOf } from '../rewire';
import { markedRun } from '../simpleFaults';

export const slowDownWrong = markedRun(
  'slowDownWrong',
  {
    name: 'Slow-down too small',
    layer: 'place',
    prior: rare('a small computer that became faster'),
    sentence: (run) => `The panels of ${run} are clocked too fast for them: single lights flash.`,
  },
  NOISY,
  wallRunsOf,
);
