import { portName } from '../../catalogue/controller';
import type { Plan } from '../../plan/planned';
import { runName } from '../../plan/runName';
import { kindOf } from '../../props/registry';
import { groupDigits } from '../../units/number';
import { propAt, plannedAt, runAt } from '../../plan/records';

/** The place where a prop goes dark, and the fix there. */
interface BreakFound {
  /** `Net curtain run 1, column 3, light 12 of it, downwards`. */
  where: string;
  /** The joint before it, with its two suspects. */
  joint: string;
  /** The test that tells them apart. */
  swap: string;
  /** Height in mm above the lowest pixel; null where it lies flat. */
  heightMm: number;
}

/**
 * The cause behind “dark from here”.
 *
 * @param prop index in the show
 * @param light the first that is dark, in data order from 1
 * @returns null where there is no such light
 */
export function breakAt(plan: Plan, prop: number, light: number): BreakFound | null {
  const { firstPixel, pixelCount, strands } = plannedAt(plan, prop);
  if (!Number.isInteger(light) || light < 1 || light > pixelCount) return null;
  const of = propAt(plan, prop);
  const pixel = firstPixel + light - 1;
  const index = plan.pixels.run[pixel]!;
  const run = runAt(plan, index);
  const inRun = pixel - run.firstPixel + 1;
  const strand = strands.findLast((each) => each.firstPixel <= light - 1);
  const inStrand = strand ? light - strand.firstPixel : light;
  const word = strand ? `${kindOf(of).strandWord(of.threading)} ${strand.number}` : '';
  const { yMm } = plan.pixels;
  const lowest = yMm
    .subarray(firstPixel, firstPixel + pixelCount)
    .reduce((least, y) => Math.min(least, y), Infinity);
  const rise =
    strand && strand.pixelCount > 1
      ? yMm[firstPixel + strand.firstPixel + strand.pixelCount - 1]! - yMm[firstPixel + strand.firstPixel]!
      : 0;
  const way = rise > 1 ? ', data goes up' : rise < -1 ? ', data goes down' : '';
  const device = run.wire && plan.show.controllers[run.wire.controller];
  const port = device && run.wire ? `port ${portName(device, run.wire.port)}` : 'its port';
  return {
    where: `${runName(plan, index)}${word ? `, ${word}, light ${groupDigits(inStrand)} of it${way}` : ''}; light ${groupDigits(inRun)} of the run`,
    joint:
      inRun === 1
        ? `The lead from ${port} to the first light, the plug in it, or the first light itself.`
        : `The joint between lights ${groupDigits(inRun - 1)} and ${groupDigits(inRun)}: light ${groupDigits(inRun - 1)} does not pass data on, or light ${groupDigits(inRun)} does not take it. The wire between them is the third.`,
    swap:
      inRun === 1
        ? 'Plug another string into that port: dark too, it is the port or the lead; lit, it is this string.'
        : `Bridge the data wire from light ${groupDigits(inRun - 1)} past light ${groupDigits(inRun)}: where all behind lights, light ${groupDigits(inRun)} blocks. Else join it anew, then exchange light ${groupDigits(inRun - 1)}. With power off.`,
    heightMm: yMm[pixel]! - lowest,
  };
}
