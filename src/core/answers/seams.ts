import type { Seam } from '../props/kind';
import type { ThreadedProp } from '../plan/threadedOf';

/** Pixels, in the data order of the prop from 0, before which the data line goes from one side of a seam to the other. */
export function crossingsOf(
  { xMm, yMm, runs }: Pick<ThreadedProp, 'xMm' | 'yMm' | 'runs'>,
  seam: Seam,
): number[] {
  const values = 'xMm' in seam ? xMm : yMm;
  const at = 'xMm' in seam ? seam.xMm : seam.yMm;
  const crossings: number[] = [];
  for (const run of runs)
    for (let i = run.firstPixel + 1; i < run.firstPixel + run.pixelCount; i += 1)
      if (values[i - 1]! < at !== values[i]! < at) crossings.push(i);
  return crossings;
}
