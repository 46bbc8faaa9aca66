import { z } from 'zod';
import { DARK } from '../rig';
import {
  defineFault,
  markPixel,
  middlesOf,
  nameOfPixel,
  ofController,
  onPixel,
  type OnPixel,
} from '../fault';

export interface DarkPixel extends OnPixel {
  kind: 'darkPixel';
}

export const darkPixel = defineFault<DarkPixel>({
  kind: 'darkPixel',
  name: 'A dark pixel',
  layer: 'count',
  schema: z.strictObject({ kind: z.literal('darkPixel'), ...onPixel }),
  sentence: (plan, fault) => `${nameOfPixel(plan, fault)} is dark, and sends data on.`,
  places: (plan) => middlesOf(plan).map((place) => ({ kind: 'darkPixel', ...place })),
  touches: ofController,
  apply: (rig, fault) => markPixel(rig, fault, DARK),
});
