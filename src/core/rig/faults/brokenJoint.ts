import { z } from 'zod';
import { BROKEN_BEFORE } from '../rig';
import {
  defineFault,
  markPixel,
  middlesOf,
  nameOfPixel,
  ofController,
  onPixel,
  type OnPixel,
} from '../fault';

export interface BrokenJoint extends OnPixel {
  kind: 'brokenJoint';
}

export const brokenJoint = defineFault<BrokenJoint>({
  kind: 'brokenJoint',
  name: 'Broken joint',
  layer: 'count',
  schema: z.strictObject({ kind: z.literal('brokenJoint'), ...onPixel }),
  sentence: (plan, fault) => `A joint is broken before ${nameOfPixel(plan, fault)}: data does not get there.`,
  places: (plan) => middlesOf(plan).map((place) => ({ kind: 'brokenJoint', ...place })),
  touches: ofController,
  apply: (rig, fault) => markPixel(rig, fault, BROKEN_BEFORE),
});
