import { deviceFault } from '../simpleFaults';

export const ownTestRuns = deviceFault(
  'ownTestRuns',
  {
    name: 'Its own test runs',
    layer: 'reach',
    sentence: (device) => `${device} shows a test of its own, whatever is sent.`,
  },
  () => ({ ownTest: { colour: [0, 0, 255, 0] } }),
);
