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

export interface OwnTestRuns extends OnController {
  kind: 'ownTestRuns';
}

export const ownTestRuns = defineFault<OwnTestRuns>({
  kind: 'ownTestRuns',
  name: 'Its own test runs',
  layer: 'reach',
  schema: z.strictObject({ kind: z.literal('ownTestRuns'), ...onController }),
  sentence: (plan, fault) => `${nameOfController(plan, fault)} shows a test of its own, whatever is sent.`,
  places: (plan) => controllersOf(plan).map((place) => ({ kind: 'ownTestRuns', ...place })),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ ownTest: { colour: [0, 0, 255, 0] } })),
});
