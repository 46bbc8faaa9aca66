import { z } from 'zod';
import { rewireRun } from '../rewire';
import { defineFault, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

export interface ReversedRun extends OnRun {
  kind: 'reversedRun';
}

export const reversedRun = defineFault<ReversedRun>({
  kind: 'reversedRun',
  name: 'Fed from its other end',
  layer: 'place',
  schema: z.strictObject({ kind: z.literal('reversedRun'), ...onRun }),
  sentence: (plan, fault) => `${nameOfRun(plan, fault)} is fed from its other end.`,
  places: (plan) => runsOf(plan).map((place) => ({ kind: 'reversedRun', ...place })),
  touches: ofRun,
  apply: (rig, fault) =>
    rewireRun(rig, fault, (count) => Array.from({ length: count }, (_, i) => count - 1 - i)),
});
