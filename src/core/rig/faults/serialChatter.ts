import { portSetting } from '../simpleFaults';

export const serialChatter = portSetting(
  'serialChatter',
  {
    name: 'Serial messages on the pin',
    layer: 'reach',
    sentence: (port) => `The pin of ${port} also sends messages of the device: its first lights flash.`,
  },
  () => ({ chatter: 4 }),
);
