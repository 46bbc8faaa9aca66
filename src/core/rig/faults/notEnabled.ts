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

export interface NotEnabled extends OnController {
  kind: 'notEnabled';
}

export const notEnabled = defineFault<NotEnabled>({
  kind: 'notEnabled',
  name: 'Output not enabled',
  layer: 'reach',
  schema: z.strictObject({ kind: z.literal('notEnabled'), ...onController }),
  sentence: (plan, fault) =>
    `The outputs of ${nameOfController(plan, fault)} are not enabled, or not saved and lost in its last restart.`,
  places: (plan) => controllersOf(plan).map((place) => ({ kind: 'notEnabled', ...place })),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ isOutputEnabled: false })),
});
