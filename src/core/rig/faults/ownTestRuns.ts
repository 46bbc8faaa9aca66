import { seldom } from '../prior';
import { deviceFault } from '../simpleFaults';

export const ownTestRuns = deviceFault(
  'ownTestRuns',
  {
    name: 'Its own test runs',
    layer: 'reach',
    prior: seldom('a test that was left on'),
    sentence: (device) => `${device} shows a test of its own, whatever is sent.`,
  },
  () => ({ ownTest: { colour: [0, 0, 255, 0] } }),
);
