import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const protocolOff = deviceFault(
  'protocolOff',
  {
    name: 'Protocol off',
    layer: 'reach',
    prior: nowAndThen('a device comes with another protocol switched on'),
    sentence: (device) =>
      `${device} does not listen to the protocol that it is sent: it is off, or set to another.`,
  },
  () => ({ isReached: false }),
);
