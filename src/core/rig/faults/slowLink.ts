import { deviceFault } from '../simpleFaults';

export const slowLink = deviceFault(
  'slowLink',
  {
    name: 'A link too slow',
    layer: 'packing',
    sentence: (device) =>
      `The link to ${device} carries two pictures a second: what moves there jerks and lags.`,
  },
  () => ({ holdHz: 2 }),
);
