import { z } from 'zod';
import { mirrorOf, rewireRun } from '../rewire';
import { defineFault, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

export interface Mirrored extends OnRun {
  kind: 'mirrored';
}

export const mirrored = defineFault<Mirrored>({
  kind: 'mirrored',
  name: 'Front and back mixed up',
  layer: 'place',
  schema: z.strictObject({ kind: z.literal('mirrored'), ...onRun }),
  sentence: (plan, fault) =>
    `${nameOfRun(plan, fault)} is built as a mirror of the plan: front and back were mixed up.`,
  places: (plan) => runsOf(plan).map((place) => ({ kind: 'mirrored', ...place })),
  touches: ofRun,
  apply: (rig, fault) => rewireRun(rig, fault, (count) => mirrorOf(rig.plan, fault, count)),
});
