import { deviceFault } from '../simpleFaults';

export const twoSenders = deviceFault(
  'twoSenders',
  {
    name: 'Two senders',
    layer: 'reach',
    sentence: (device) => `Another program sends to ${device} as well: its picture and yours come in turn.`,
  },
  () => ({ rival: [120, 60, 0, 0] }),
);
