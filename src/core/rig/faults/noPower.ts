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

export interface NoPower extends OnController {
  kind: 'noPower';
}

export const noPower = defineFault<NoPower>({
  kind: 'noPower',
  name: 'No power',
  layer: 'power',
  schema: z.strictObject({ kind: z.literal('noPower'), ...onController }),
  sentence: (plan, fault) =>
    `${nameOfController(plan, fault)} has no power: its supply is off, unplugged or tripped.`,
  places: (plan) => controllersOf(plan).map((place) => ({ kind: 'noPower', ...place })),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ isPowered: false })),
});
