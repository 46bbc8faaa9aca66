import { nowAndThen } from '../prior';
import { deviceFault } from '../simpleFaults';

export const slowLink = deviceFault(
  'slowLink',
  {
    name: 'A link too slow',
    layer: 'packing',
    prior: nowAndThen('Wi-Fi, or a serial line that is too slow'),
    sentence: (device) =>
      `The link to ${device} carries two pictures a second: what moves there jerks and lags.`,
  },
  () => ({ holdHz: 2 }),
);
