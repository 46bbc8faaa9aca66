import { rare } from '../prior';
import { portSetting } from '../simpleFaults';

export const serialChatter = portSetting(
  'serialChatter',
  {
    name: 'Serial messages on the pin',
    layer: 'reach',
    prior: rare('only on the serial pin'),
    sentence: (port) => `The pin of ${port} also sends messages of the device: its first lights flash.`,
  },
  () => ({ chatter: 4 }),
);
