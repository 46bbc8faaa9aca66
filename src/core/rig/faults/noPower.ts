import { deviceFault } from '../simpleFaults';

export const noPower = deviceFault(
  'noPower',
  {
    name: 'No power',
    layer: 'power',
    sentence: (device) => `${device} has no power: its supply is off, unplugged or tripped.`,
  },
  () => ({ isPowered: false }),
);
