import { z } from 'zod';
import { changePort, defineFault, nameOfPort, ofController, onPort, portsOf, type OnPort } from '../fault';

export interface PortOff extends OnPort {
  kind: 'portOff';
}

export const portOff = defineFault<PortOff>({
  kind: 'portOff',
  name: 'Wrong pin',
  layer: 'reach',
  schema: z.strictObject({ kind: z.literal('portOff'), ...onPort }),
  sentence: (plan, fault) =>
    `Nothing comes out of ${nameOfPort(plan, fault)}: it is off, or set to another pin.`,
  places: (plan) => portsOf(plan).map((place) => ({ kind: 'portOff', ...place })),
  touches: ofController,
  apply: (rig, fault) => changePort(rig, fault, () => ({ isEnabled: false })),
});
