import { often } from '../prior';
import { z } from 'zod';
import { usesUniverses } from '../sizes';
import {
  changeDevice,
  controllersOf,
  defineFault,
  nameOfController,
  ofController,
  onController,
  type OnController,
} from '../fault';

interface UniverseOff extends OnController {
  kind: 'universeOff';
  by: number;
}

export const universeOff = defineFault<UniverseOff>({
  kind: 'universeOff',
  name: 'Universe off by one',
  layer: 'packing',
  prior: often('counting from 0 and from 1'),
  schema: z.strictObject({
    kind: z.literal('universeOff'),
    ...onController,
    by: z.int().min(-63_998).max(63_998),
  }),
  sentence: (plan, fault) =>
    `${nameOfController(plan, fault)} listens ${Math.abs(fault.by)} ${Math.abs(fault.by) === 1 ? 'universe' : 'universes'} too ${fault.by < 0 ? 'low' : 'high'}.`,
  places: (plan) =>
    controllersOf(plan).flatMap((place) =>
      usesUniverses(plan, place) ? [1, -1].map((by) => ({ kind: 'universeOff' as const, ...place, by })) : [],
    ),
  touches: ofController,
  apply: (rig, fault) => changeDevice(rig, fault, () => ({ universeShift: fault.by })),
});
