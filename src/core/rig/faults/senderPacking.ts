import { nowAndThen } from '../prior';
import { z } from 'zod';
import { otherSizes } from '../sizes';
import {
  changeSender,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  withEntry,
  type OnController,
} from '../fault';

interface SenderPacking extends OnController {
  kind: 'senderPacking';
  channels: number;
}

export const senderPacking = defineFault<SenderPacking>({
  kind: 'senderPacking',
  name: 'Universes of another size in the sender',
  layer: 'packing',
  prior: nowAndThen('510 and 512'),
  schema: z.strictObject({
    kind: z.literal('senderPacking'),
    ...onController,
    channels: z.int().min(1).max(512),
  }),
  sentence: (plan, fault) =>
    `The sender fills ${fault.channels} channels of each universe for ${nameOfController(plan, fault)}.`,
  places: (plan) =>
    controllersOf(plan).flatMap((place) =>
      otherSizes(plan, place).map((channels) => ({ kind: 'senderPacking' as const, ...place, channels })),
    ),
  touches: ofController,
  apply: (rig, fault) => {
    const [index] = ofController(rig.plan, fault);
    return index === undefined
      ? rig
      : changeSender(rig, {
          universeChannels: withEntry(rig.sender.universeChannels, index, fault.channels),
        });
  },
});
