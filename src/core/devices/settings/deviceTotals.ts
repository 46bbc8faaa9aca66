import { protocolOf } from '../../protocols/registry';
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
  planned: ({ device, ports }) =>
    protocolOf(device).counts.kind === 'bytes'
      ? Math.max(
          0,
          ...ports.map(({ last }) =>
            last?.universe === null ? last.startChannel + last.channelCount - 1 : 0,
          ),
        )
      : null,
};
