import { nowAndThen } from '../prior';
import { portSetting } from '../simpleFaults';

export const portOff = portSetting(
  'portOff',
  {
    name: 'A port is off',
    layer: 'reach',
    prior: nowAndThen('a port that is off on its page'),
    sentence: (port) => `Nothing comes out of ${port}: it is off.`,
  },
  () => ({ isEnabled: false }),
);
