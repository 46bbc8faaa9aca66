import { often } from '../prior';
import { deviceFault } from '../simpleFaults';

export const notEnabled = deviceFault(
  'notEnabled',
  {
    name: 'Output not enabled',
    layer: 'reach',
    prior: often('outputs have to be enabled apart'),
    sentence: (device) => `The outputs of ${device} are not enabled.`,
  },
  () => ({ isOutputEnabled: false }),
);
