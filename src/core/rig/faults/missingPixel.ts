import { seldom } from '../prior';
import { z } from 'zod';
import {
  changeChain,
  defineFault,
  middlesOf,
  nameOfPixel,
  ofController,
  onPixel,
  type OnPixel,
} from '../fault';

interface MissingPixel extends OnPixel {
  kind: 'missingPixel';
}

export const missingPixel = defineFault<MissingPixel>({
  kind: 'missingPixel',
  name: 'A pixel was left out',
  layer: 'count',
  prior: seldom('one was cut out in a repair'),
  alongWire: { at: 'dark', behind: 'late' },
  schema: z.strictObject({ kind: z.literal('missingPixel'), ...onPixel }),
  sentence: (plan, fault) =>
    `${nameOfPixel(plan, fault)} is not there: it was cut out, and the wire goes on to the next.`,
  places: (plan) => middlesOf(plan).map((place) => ({ kind: 'missingPixel', ...place })),
  touches: ofController,
  apply: (rig, fault) =>
    changeChain(rig, fault, ({ pixel, order, state }) => {
      const keeps = (_: number, i: number) => i !== fault.place - 1;
      return { pixel: pixel.filter(keeps), order: order.filter(keeps), state: state.filter(keeps) };
    }),
});
