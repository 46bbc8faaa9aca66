import type { Threaded } from '../threading/thread';
import type { Plan } from './planned';
import { plannedAt } from './records';

/** A prop of a plan by itself: its pixels are counted from its first. */
export type ThreadedProp = Pick<Threaded, 'xMm' | 'yMm' | 'zMm' | 'strands' | 'jumpers' | 'hiddenPixels'> & {
  runs: readonly { firstPixel: number; pixelCount: number }[];
};

/** Threading of one prop, read from the table of pixels. @param index of the prop in the show */
export function threadedOf(plan: Plan, index: number): ThreadedProp {
  const { firstPixel, pixelCount, firstRun, runCount, strands, jumpers, hiddenPixels } = plannedAt(
    plan,
    index,
  );
  const own = (values: Float32Array) => values.subarray(firstPixel, firstPixel + pixelCount);
  const { xMm, yMm, zMm } = plan.pixels;
  return {
    xMm: own(xMm),
    yMm: own(yMm),
    zMm: own(zMm),
    strands,
    jumpers,
    hiddenPixels,
    runs: plan.runs
      .slice(firstRun, firstRun + runCount)
      .map((run) => ({ firstPixel: run.firstPixel - firstPixel, pixelCount: run.pixelCount })),
  };
}
