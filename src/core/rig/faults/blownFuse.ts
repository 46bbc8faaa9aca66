import { nowAndThen } from '../prior';
import { UNPOWERED } from '../chain';
import { markedRun } from '../simpleFaults';

export const blownFuse = markedRun(
  'blownFuse',
  {
    name: 'A fuse is open',
    layer: 'power',
    prior: nowAndThen('a fuse opens where a wire was pinched'),
    sentence: (run) => `No volts reach ${run}: a fuse is open or its lead is off.`,
  },
  UNPOWERED,
);
