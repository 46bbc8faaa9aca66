import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const deviceDim = deviceFault(
  'deviceDim',
  {
    name: 'Brightness turned down',
    layer: 'colour',
    prior: nowAndThen('an import resets the brightness'),
    sentence: (device) => `The brightness of ${device} is turned down to a tenth.`,
  },
  () => ({ brightness: 0.1 }),
);
