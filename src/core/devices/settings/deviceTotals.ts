import { universesOf } from '../../protocols/registry';
import type { DeviceTold } from './setting';

export const lastUniverse: DeviceTold<'lastUniverse', number | null> = {
  field: 'lastUniverse',
  words: 'last universe',
  callsUniverse: true,
  meaning: 'that it listens to, as the device counts',
  head: 'Last universe',
  isKept: false,
  planned: ({ universes }) => [...universes.keys()].at(-1) ?? null,
};

export const bytes: DeviceTold<'bytes', number | null> = {
  field: 'bytes',
  words: 'bytes',
  meaning: 'of a picture, in its one flat space',
  head: 'Bytes',
  isKept: false,
  planned: ({ device, isOnNetwork, ports }) =>
    isOnNetwork && universesOf(device) === null
      ? Math.max(
          0,
          ...ports.map(({ last, isInBytes }) =>
            last && isInBytes ? last.startChannel + last.channelCount - 1 : 0,
          ),
        )
      : null,
};
