import { deviceFault } from '../simpleFaults';

export const deviceDim = deviceFault(
  'deviceDim',
  {
    name: 'Brightness turned down',
    layer: 'colour',
    sentence: (device) => `The brightness of ${device} is turned down to a tenth.`,
  },
  () => ({ brightness: 0.1 }),
);
