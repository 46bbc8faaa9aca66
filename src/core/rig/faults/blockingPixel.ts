import { z } from 'zod';
import { BLOCKING } from '../rig';
import {
  defineFault,
  markPixel,
  middlesOf,
  nameOfPixel,
  ofController,
  onPixel,
  type OnPixel,
} from '../fault';

export interface BlockingPixel extends OnPixel {
  kind: 'blockingPixel';
}

export const blockingPixel = defineFault<BlockingPixel>({
  kind: 'blockingPixel',
  name: 'A pixel stops the data',
  layer: 'count',
  schema: z.strictObject({ kind: z.literal('blockingPixel'), ...onPixel }),
  sentence: (plan, fault) => `${nameOfPixel(plan, fault)} is dead and sends nothing on.`,
  places: (plan) => middlesOf(plan).map((place) => ({ kind: 'blockingPixel', ...place })),
  touches: ofController,
  apply: (rig, fault) => markPixel(rig, fault, BLOCKING),
});
