import { often } from '../prior';
import { deviceFault } from '../simpleFaults';

export const noPower = deviceFault(
  'noPower',
  {
    name: 'No power',
    layer: 'power',
    prior: often('a plug that is out, a supply that tripped: the first thing that anybody checks'),
    sentence: (device) => `${device} has no power: its supply is off, unplugged or tripped.`,
  },
  () => ({ isPowered: false }),
);
