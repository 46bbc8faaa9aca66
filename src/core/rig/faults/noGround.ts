import { z } from 'zod';
import { FLICKERING } from '../rig';
import { defineFault, markRun, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

export interface NoGround extends OnRun {
  kind: 'noGround';
}

export const noGround = defineFault<NoGround>({
  kind: 'noGround',
  name: 'No common ground',
  layer: 'power',
  schema: z.strictObject({ kind: z.literal('noGround'), ...onRun }),
  sentence: (plan, fault) =>
    `${nameOfRun(plan, fault)} has no ground in common with its controller: it flickers at random.`,
  places: (plan) => runsOf(plan).map((place) => ({ kind: 'noGround', ...place })),
  touches: ofRun,
  apply: (rig, fault) => markRun(rig, fault, FLICKERING),
});
