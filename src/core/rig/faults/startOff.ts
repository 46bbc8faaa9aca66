import { often } from '../prior';
import { z } from 'zod';
import {
  changeDevice,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  type OnController,
} from '../fault';

interface StartOff extends OnController {
  kind: 'startOff';
  by: number;
}

export const startOff = defineFault<StartOff>({
  kind: 'startOff',
  name: 'Start channel off',
  layer: 'packing',
  prior: often('a start channel that is off by one pixel or one channel'),
  schema: z.strictObject({ kind: z.literal('startOff'), ...onController, by: z.int().min(-511).max(511) }),
  sentence: (plan, fault) =>
    `${nameOfController(plan, fault)} starts ${Math.abs(fault.by)} ${Math.abs(fault.by) === 1 ? 'channel' : 'channels'} too ${fault.by < 0 ? 'early' : 'late'}.`,
  places: (plan) =>
    controllersOf(plan).flatMap((place) =>
      [1, 2, 3].map((by) => ({ kind: 'startOff' as const, ...place, by })),
    ),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ channelShift: fault.by })),
});
