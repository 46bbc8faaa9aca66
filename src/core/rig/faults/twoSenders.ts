import { seldom } from '../prior';
import { deviceFault } from '../simpleFaults';

export const twoSenders = deviceFault(
  'twoSenders',
  {
    name: 'Two senders',
    layer: 'reach',
    prior: seldom('a second program that was left running'),
    sentence: (device) => `Another program sends to ${device} as well: its picture and yours come in turn.`,
  },
  () => ({ rival: [120, 60, 0, 0] }),
);
