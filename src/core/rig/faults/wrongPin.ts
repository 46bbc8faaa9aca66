import { seldom } from '../prior';
import { portSetting } from '../simpleFaults';

export const wrongPin = portSetting(
  'wrongPin',
  {
    name: 'Wrong pin',
    layer: 'reach',
    prior: seldom('printed label, software number and header place differ'),
    sentence: (port) => `The data of ${port} comes out of another pin than its wire is on.`,
  },
  () => ({ isEnabled: false }),
);
