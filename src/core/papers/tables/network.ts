import type { Controller } from '../../catalogue/controller';
import { maskWords, whyNotTalk, type NetworkAddress } from '../../catalogue/network';
import { linkLoad } from '../../devices/linkLoad';
import type { LaidShow } from '../../plan/planned';
import type { Cell, Table } from '../table';

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
    const why = whyNotTalk(sender, { name, ...network });
    return why ? { text: why, mood: 'bad' } : { text: 'yes', mood: 'good' };
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
        id: 'given',
        head: 'Given',
        meaning: 'how it gets its address',
        of: ({ network }) => (network ? GIVEN_WORDS[network.given] : null),
      },
      {
        id: 'casting',
        head: 'Fed by',
        meaning: 'packets to it alone, or to all that listen',
        of: ({ network }) => network?.casting ?? null,
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
        meaning: 'what it is sent',
        as: 'figure',
        of: (controller) => linkLoad(plan, controllers.indexOf(controller), rateHz),
      },
      {
        id: 'link',
        head: 'Link',
        unit: 'Mbit/s',
        meaning: 'what its link carries',
        as: 'figure',
        of: ({ typeId }) => controllerTypes.find((type) => type.id === typeId)?.linkMbits?.value ?? null,
      },
      { id: 'reached', head: 'Can it be reached?', meaning: 'by the sender, without a router', of: reached },
    ],
  };
}
