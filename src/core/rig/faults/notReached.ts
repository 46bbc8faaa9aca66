import { deviceFault } from '../simpleFaults';

export const notReached = deviceFault(
  'notReached',
  {
    name: 'Wrong address',
    layer: 'reach',
    sentence: (device) => `${device} has another address than it is sent to, or a cable is out.`,
  },
  () => ({ isReached: false }),
);
