import { deviceFault } from '../simpleFaults';

export const protocolOff = deviceFault(
  'protocolOff',
  {
    name: 'Protocol off',
    layer: 'reach',
    sentence: (device) =>
      `${device} does not listen to the protocol that it is sent: it is off, or set to another.`,
  },
  () => ({ isReached: false }),
);
