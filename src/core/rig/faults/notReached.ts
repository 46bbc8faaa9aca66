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

export interface NotReached extends OnController {
  kind: 'notReached';
}

export const notReached = defineFault<NotReached>({
  kind: 'notReached',
  name: 'Nothing reaches it',
  layer: 'reach',
  schema: z.strictObject({ kind: z.literal('notReached'), ...onController }),
  sentence: (plan, fault) =>
    `What is sent does not reach ${nameOfController(plan, fault)}: another address, protocol or cable.`,
  places: (plan) => controllersOf(plan).map((place) => ({ kind: 'notReached', ...place })),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ isReached: false })),
});
