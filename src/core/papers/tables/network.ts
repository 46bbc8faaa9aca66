import { linkOf, linkWords } from '../../catalogue/link';
import { castOf } from '../../protocols/registry';
import type { Controller } from '../../catalogue/controller';
import { maskWords, reachOf, type NetworkAddress } from '../../catalogue/network';
import { linkLoad } from '../../devices/linkLoad';
import type { LaidShow } from '../../plan/planned';
import type { Cell, Table } from '../../pages/table';

export const GIVEN_WORDS: Record<NetworkAddress['given'], string> = {
  fixed: 'typed in',
  reserved: 'reserved lease',
  leased: 'as leased',
};

/** Every device with its address and who can reach it. */
export function addressBook(plan: LaidShow, rateHz: number): Table<Controller> {
  const { controllers, controllerTypes, sender } = plan.show;
  const reached = ({ name, network }: Controller): Cell => {
    if (!network) return { text: 'no address yet', mood: 'quiet' };
    if (!sender) return { text: 'say where the sender is', mood: 'quiet' };
    const reach = reachOf(sender, { name, ...network });
    if (reach.by === 'nothing') return { text: reach.why, mood: 'bad' };
    return reach.by === 'itself'
      ? { text: 'yes', mood: 'good' }
      : {
          text: 'over the router',
          mood: 'good',
          note: 'no search finds it: type its address into the sender; multicast does not get there',
        };
  };
  return {
    name: 'Address book',
    rows: controllers,
    keyOf: (controller) => controller.id,
    columns: [
      { id: 'device', head: 'Device', meaning: 'its name', of: (controller) => controller.name },
      {
        id: 'address',
        head: 'Address',
        meaning: 'on the network',
        of: ({ network }) => network?.ip ?? null,
      },
      {
        id: 'mask',
        head: 'Mask',
        meaning: 'which addresses count as the same network',
        of: ({ network }) => (network ? maskWords(network.maskBits) : null),
      },
      {
        id: 'router',
        head: 'Router',
        meaning: 'the way into other networks, where there is one',
        of: ({ network }) => network?.gateway ?? null,
      },
      {
        id: 'given',
        head: 'Given',
        meaning: 'how it gets its address',
        of: ({ network }) => (network ? GIVEN_WORDS[network.given] : null),
      },
      {
        id: 'casting',
        head: 'Fed by',
        meaning: 'packets to it alone, or to all that listen',
        of: (controller) =>
          linkOf(plan.show, controller) === 'network' ? castOf(controller) : linkWords(plan.show, controller),
      },
      {
        id: 'stored',
        head: 'Also stored by',
        meaning: 'who else has its address written down',
        of: ({ network }) => network?.storedBy || null,
      },
      {
        id: 'load',
        head: 'Load',
        unit: 'Mbit/s',
        meaning:
          'what it is sent, of what its link carries; the payload of it lights pixels, the rest are headers and empty slots',
        as: 'figure',
        of: (controller) => {
          const { mbits: why, payload } = linkLoad(plan, controllers.indexOf(controller), rateHz);
          const link = controllerTypes.find((type) => type.id === controller.typeId)?.linkMbits;
          return {
            text: `${why.value.toFixed(2)}${link ? ` of ${link.value}` : ''}`,
            why,
            note: `payload ${payload.value.toFixed(2)}`,
          };
        },
      },
      { id: 'reached', head: 'Can it be reached?', meaning: 'by the sender', of: reached },
    ],
  };
}
