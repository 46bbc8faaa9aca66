import { boundsOf } from '../geometry/bounds';
import type { Plan } from '../plan/planned';
import type { Anchors } from '../props/kind';
import { kindOf } from '../props/registry';
import { propAt, plannedAt } from '../plan/records';

/** The places of a prop that are set out, and how their coordinates are meant. */
interface PlacesToSetOut extends Anchors {
  xFrom: string;
  yFrom: string;
  /** Whether the middle means something, so that a radius does. */
  middle: boolean;
}

/** The anchors of a kind that has them; for all others the pixels, from the lower left corner of the frame. */
export function placesToSetOut(plan: Plan, index: number): PlacesToSetOut {
  const prop = propAt(plan, index);
  const anchors = kindOf(prop).anchors?.(prop.shape);
  if (anchors) return { ...anchors, xFrom: 'mm from the middle', yFrom: 'mm from the middle', middle: true };
  const { firstPixel, pixelCount } = plannedAt(plan, index);
  const x = plan.pixels.xMm.subarray(firstPixel, firstPixel + pixelCount);
  const y = plan.pixels.yMm.subarray(firstPixel, firstPixel + pixelCount);
  const bounds = boundsOf(x, y);
  const clearance = prop.frameClearanceMm ?? 0;
  return {
    word: 'pixel',
    view: 'seen from the front, in data order',
    xFrom: 'mm from the left of the frame',
    yFrom: 'mm from its foot',
    middle: false,
    xMm: Array.from(x, (value) => value - (bounds?.leftMm ?? 0) + clearance),
    yMm: Array.from(y, (value) => value - (bounds?.bottomMm ?? 0) + clearance),
  };
}
