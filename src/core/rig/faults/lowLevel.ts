import { z } from 'zod';
import { FLICKERING } from '../rig';
import { changeChain, defineFault, nameOfPort, ofController, onPort, portsOf, type OnPort } from '../fault';

export interface LowLevel extends OnPort {
  kind: 'lowLevel';
}

export const lowLevel = defineFault<LowLevel>({
  kind: 'lowLevel',
  name: 'Data level too low',
  layer: 'power',
  schema: z.strictObject({ kind: z.literal('lowLevel'), ...onPort }),
  sentence: (plan, fault) =>
    `The data level of ${nameOfPort(plan, fault)} is too low for its first pixel: what comes out is random.`,
  places: (plan) => portsOf(plan).map((place) => ({ kind: 'lowLevel', ...place })),
  touches: ofController,
  apply: (rig, fault) => changeChain(rig, fault, ({ state }) => ({ state: state.map(() => FLICKERING) })),
});
