import { deviceFault } from '../simpleFaults';

export const notEnabled = deviceFault(
  'notEnabled',
  {
    name: 'Output not enabled',
    layer: 'reach',
    sentence: (device) => `The outputs of ${device} are not enabled.`,
  },
  () => ({ isOutputEnabled: false }),
);
