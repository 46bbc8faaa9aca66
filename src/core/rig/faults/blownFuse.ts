import { UNPOWERED } from '../chain';
import { markedRun } from '../simpleFaults';

export const blownFuse = markedRun(
  'blownFuse',
  {
    name: 'A fuse is open',
    layer: 'power',
    sentence: (run) => `No volts reach ${run}: a fuse is open or its lead is off.`,
  },
  UNPOWERED,
);
