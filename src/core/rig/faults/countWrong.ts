import { often } from '../prior';
import { z } from 'zod';
import { changePort, defineFault, nameOfPort, ofController, onPort, portsOf, type OnPort } from '../fault';

interface CountWrong extends OnPort {
  kind: 'countWrong';
  /** Below zero: too few. */
  by: number;
}

export const countWrong = defineFault<CountWrong>({
  kind: 'countWrong',
  name: 'Count too low or high',
  layer: 'count',
  prior: often('a count is typed in several places'),
  alongWire: { at: 'dark', behind: 'dark' },
  schema: z.strictObject({
    kind: z.literal('countWrong'),
    ...onPort,
    by: z.int().min(-4_000_000).max(10_000),
  }),
  sentence: (plan, fault) =>
    `${nameOfPort(plan, fault)} is told ${Math.abs(fault.by)} ${Math.abs(fault.by) === 1 ? 'pixel' : 'pixels'} too ${fault.by < 0 ? 'few' : 'many'}.`,
  places: (plan) =>
    portsOf(plan).flatMap((place) =>
      [-10, -1, 1].map((by) => ({ kind: 'countWrong' as const, ...place, by })),
    ),
  touches: ofController,
  apply: (rig, fault) =>
    changePort(rig, fault, ({ segments }) => ({
      pixels: Math.max(0, segments.reduce((sum, { pixels }) => sum + pixels, 0) + fault.by),
    })),
});
