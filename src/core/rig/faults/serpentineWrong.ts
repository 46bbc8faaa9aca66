import { often } from '../prior';
import { z } from 'zod';
import { rewireRun, strandsOf } from '../rewire';
import { defineFault, nameOfRun, ofRun, onRun, runsOf, type OnRun } from '../fault';

interface SerpentineWrong extends OnRun {
  kind: 'serpentineWrong';
}

export const serpentineWrong = defineFault<SerpentineWrong>({
  kind: 'serpentineWrong',
  name: 'Serpentine where straight is planned',
  layer: 'place',
  prior: often('straight and serpentine are one tick apart'),
  schema: z.strictObject({ kind: z.literal('serpentineWrong'), ...onRun }),
  sentence: (plan, fault) =>
    `Every other strand of ${nameOfRun(plan, fault)} runs the other way than planned.`,
  places: (plan) =>
    runsOf(plan).flatMap((place) =>
      strandsOf(plan, place).length > 1 ? [{ kind: 'serpentineWrong' as const, ...place }] : [],
    ),
  touches: ofRun,
  apply: (rig, fault) =>
    rewireRun(rig, fault, (count) => {
      const places = Array.from({ length: count }, (_, i) => i);
      strandsOf(rig.plan, fault).forEach(({ first, length }, i) => {
        if (i % 2 === 1) for (let k = 0; k < length; k += 1) places[first + k] = first + length - 1 - k;
      });
      return places;
    }),
});
