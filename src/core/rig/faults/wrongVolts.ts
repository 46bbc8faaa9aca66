import { z } from 'zod';
import { DIMMED } from '../rig';
import { defineFault, markRun, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

export interface WrongVolts extends OnRun {
  kind: 'wrongVolts';
}

export const wrongVolts = defineFault<WrongVolts>({
  kind: 'wrongVolts',
  name: 'Wrong volts',
  layer: 'power',
  schema: z.strictObject({ kind: z.literal('wrongVolts'), ...onRun }),
  sentence: (plan, fault) =>
    `${nameOfRun(plan, fault)} hangs on a supply of too few volts: it glows at half its light.`,
  places: (plan) => runsOf(plan).map((place) => ({ kind: 'wrongVolts', ...place })),
  touches: ofRun,
  apply: (rig, fault) => markRun(rig, fault, DIMMED),
});
