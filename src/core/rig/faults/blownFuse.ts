import { z } from 'zod';
import { DARK } from '../rig';
import { defineFault, markRun, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

export interface BlownFuse extends OnRun {
  kind: 'blownFuse';
}

export const blownFuse = defineFault<BlownFuse>({
  kind: 'blownFuse',
  name: 'A fuse is open',
  layer: 'power',
  schema: z.strictObject({ kind: z.literal('blownFuse'), ...onRun }),
  sentence: (plan, fault) => `No volts reach ${nameOfRun(plan, fault)}: a fuse is open or its lead is off.`,
  places: (plan) => runsOf(plan).map((place) => ({ kind: 'blownFuse', ...place })),
  touches: ofRun,
  apply: (rig, fault) => markRun(rig, fault, DARK),
});
