import type { Sent } from '../../devices/sent';
import type { LaidShow } from '../../plan/planned';
import type { Table } from '../../pages/table';
import { itemAt } from '../../units/there';

/** Everything that the sender is told of universes and flat spaces, a line for each. */
export function sentTable({ show }: LaidShow, sent: readonly Sent[]): Table<Sent> {
  return {
    name: 'What the sender sends',
    forDevices: true,
    rows: sent,
    keyOf: (each) => `${each.controller} ${each.showUniverse ?? 'flat'}`,
    columns: [
      {
        id: 'universe',
        head: 'Universe',
        unit: 'to type',
        meaning: 'the number to type; a port-address under Art-Net',
        as: 'key',
        of: (each) =>
          each.spaceWords !== null
            ? { text: 'none', note: each.spaceWords }
            : each.universe === each.showUniverse
              ? each.universe
              : { text: String(each.universe), note: `U${each.showUniverse} here` },
      },
      {
        id: 'size',
        head: 'Size',
        unit: 'channels',
        meaning: 'channels to give it: the same number at the other end',
        as: 'figure',
        of: (each) => each.channels,
      },
      {
        id: 'used',
        head: 'In use',
        unit: 'channels',
        meaning: 'channels with pixels',
        as: 'figure',
        of: (each) => each.used,
      },
      { id: 'protocol', head: 'Protocol', meaning: 'how it is sent', of: (each) => each.protocol },
      {
        id: 'destination',
        head: 'Goes to',
        meaning: 'the address of the device, or the group of a multicast',
        as: 'address',
        of: (each) => each.destination ?? { text: 'no address yet', note: 'see Network', mood: 'quiet' },
      },
      {
        id: 'device',
        head: 'Device',
        meaning: 'that takes it',
        of: (each) => {
          const { name } = itemAt(show.controllers, each.controller);
          return each.alsoHeardBy.length === 0
            ? name
            : { text: name, note: `${each.alsoHeardBy.join(', ')} too`, mood: 'bad' };
        },
      },
      {
        id: 'first-show-channel',
        head: 'Show channels',
        unit: 'first',
        meaning: 'of the universe, counted over the show',
        as: 'figure',
        of: (each) => each.firstShowChannel,
      },
      {
        id: 'last-show-channel',
        head: 'Show channels',
        unit: 'last',
        meaning: 'the last one that the universe counts for',
        as: 'figure',
        of: (each) => each.lastShowChannel,
      },
      { id: 'packing', head: 'Packing', meaning: 'how pixels fill it', of: (each) => each.packing },
    ],
  };
}
