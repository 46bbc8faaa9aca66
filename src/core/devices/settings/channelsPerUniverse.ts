import { UNIVERSE_SLOTS } from '../../catalogue/packing';
import { universesOf } from '../../protocols/registry';
import { channelsToType } from '../universeSizes';
import type { DeviceHeld } from './setting';
import { whole } from './values';

export const channelsPerUniverse: DeviceHeld<'channelsPerUniverse', number, number | string | null> = {
  field: 'channelsPerUniverse',
  words: 'channels a universe',
  meaning: 'that it counts before it goes on to the next: the same number at both ends',
  head: 'Channels a universe',
  isKept: true,
  planned: ({ device, telling, universes }) => {
    // It is asked for none.
    if (universes.size === 0 || telling.universeSizes.value === 'fixed512') return null;
    if (telling.universeSizes.value === 'wholePixels') return 'whole pixels';
    // A number for each universe is typed: each of them is needed.
    const most = telling.universeSizes.value === 'each' ? Infinity : undefined;
    return channelsToType(universes, universesOf(device)?.short, most);
  },
  values: whole(1, UNIVERSE_SLOTS),
  heads: /^(channels (a|per) (universe|port-address)|universe size)$/i,
  whenWrong: ({ basis, toType, side }) => ({
    symptom:
      basis.universes.size < 2
        ? 'nothing is seen while all of it fits one universe; with a second one colours rotate there'
        : 'colours rotate from the second universe on, and the picture creeps sideways, worse towards the end',
    mend: `set ${side} to ${toType}`,
  }),
  simulate: (device, value) => ({ ...device, universeChannels: value }),
};
