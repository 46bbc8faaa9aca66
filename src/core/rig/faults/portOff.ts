import { portSetting } from '../simpleFaults';

export const portOff = portSetting(
  'portOff',
  { name: 'A port is off', layer: 'reach', sentence: (port) => `Nothing comes out of ${port}: it is off.` },
  () => ({ isEnabled: false }),
);
