import { often } from '../prior';
import { z } from 'zod';
import { otherSizes } from '../sizes';
import {
  changeDevice,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  type OnController,
} from '../fault';

interface DevicePacking extends OnController {
  kind: 'devicePacking';
  channels: number;
}

export const devicePacking = defineFault<DevicePacking>({
  kind: 'devicePacking',
  name: 'Universes of another size on the device',
  layer: 'packing',
  prior: often('510 and 512'),
  schema: z.strictObject({
    kind: z.literal('devicePacking'),
    ...onController,
    channels: z.int().min(1).max(512),
  }),
  sentence: (plan, fault) =>
    `${nameOfController(plan, fault)} counts ${fault.channels} channels in each universe.`,
  places: (plan) =>
    controllersOf(plan).flatMap((place) =>
      otherSizes(plan, place).map((channels) => ({ kind: 'devicePacking' as const, ...place, channels })),
    ),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ universeChannels: fault.channels })),
});
