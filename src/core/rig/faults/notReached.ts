import { often } from '../prior';
import { deviceFault } from '../simpleFaults';

export const notReached = deviceFault(
  'notReached',
  {
    name: 'Wrong address',
    layer: 'reach',
    prior: often('an address from another network, or a cable that is not in'),
    sentence: (device) => `${device} has another address than it is sent to, or a cable is out.`,
  },
  () => ({ isReached: false }),
);
