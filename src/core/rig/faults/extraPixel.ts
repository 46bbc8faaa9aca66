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

interface ExtraPixel extends OnPixel {
  kind: 'extraPixel';
}

export const extraPixel = defineFault<ExtraPixel>({
  kind: 'extraPixel',
  name: 'A pixel too many',
  layer: 'count',
  prior: seldom('one was put in in a repair'),
  alongWire: { at: 'early', behind: 'early' },
  schema: z.strictObject({ kind: z.literal('extraPixel'), ...onPixel }),
  sentence: (plan, fault) =>
    `A pixel that is in no plan sits on the wire before ${nameOfPixel(plan, fault)}.`,
  places: (plan) => middlesOf(plan).map((place) => ({ kind: 'extraPixel', ...place })),
  touches: ofController,
  apply: (rig, fault) =>
    changeChain(rig, fault, ({ pixel, order, state }) => {
      const at = fault.place - 1;
      if (at >= pixel.length) return {};
      const put = <List extends Int32Array | Uint8Array>(list: List, value: number): number[] => [
        ...list.subarray(0, at),
        value,
        ...list.subarray(at),
      ];
      return {
        pixel: Int32Array.from(put(pixel, -1)),
        order: Uint8Array.from(put(order, order[at]!)),
        state: Uint8Array.from(put(state, 0)),
      };
    }),
});
