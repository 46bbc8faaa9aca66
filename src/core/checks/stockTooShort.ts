import type { Plan } from '../plan/planned';
import type { Prop } from '../props/registry';
import { kindOf } from '../props/registry';
import { STOCK_LIMITS, stockPitchMm, type Stock } from '../catalogue/stock';
import { formatLength } from '../units/length';
import { defineCheck, type Finding, type Mend } from './check';
import { itemAt } from '../units/there';
import { plannedAt } from '../plan/records';

export const stockTooShort = defineCheck(
  'stock',
  'Strings and strip reach from pixel to pixel, and a strand that is longer than a string is said to have a splice.',
  (plan) =>
    plan.show.props.flatMap((prop, index) => (prop.stock ? findings(plan, prop, index, prop.stock) : [])),
);

function findings(plan: Plan, prop: Prop, index: number, stock: Stock): Omit<Finding, 'check'>[] {
  const found: Omit<Finding, 'check'>[] = [];
  const mend = (label: string, next: Stock): Mend => ({
    label,
    edit: { type: 'changeProp', propId: prop.id, change: { stock: next } },
  });
  const about = { stage: 'build' as const, propId: prop.id };
  const spacing = widestSpacingMm(plan, index);
  const wire = Math.ceil(spacing / 10) * 10;
  const perMetre = Number((1000 / spacing).toFixed(2));
  const pitch = stockPitchMm(stock);
  if (stock.kind === 'strings' && spacing > pitch + 0.5)
    found.push({
      ...about,
      rank: 'willLookWrong',
      message: `${prop.name}: pixels are up to ${formatLength(spacing, plan.show.lengths)} apart, but its strings have ${formatLength(pitch, plan.show.lengths)} of wire between two. They do not reach.`,
      mends:
        wire <= STOCK_LIMITS.pitchMm
          ? [
              mend(`Take strings with ${formatLength(wire, plan.show.lengths)} of wire`, {
                ...stock,
                pitchMm: wire,
              }),
            ]
          : [],
    });
  // Strip cannot be stretched or pushed together; 2 % are measuring.
  if (stock.kind === 'strip' && spacing > 0 && Math.abs(spacing - pitch) > 0.02 * pitch)
    found.push({
      ...about,
      rank: 'worthKnowing',
      message: `${prop.name}: pixels are ${formatLength(spacing, plan.show.lengths)} apart, but on its strip they come every ${formatLength(pitch, plan.show.lengths)}. One of the two is measured wrongly, or the strip is another one.`,
      mends:
        perMetre >= 1 && perMetre <= STOCK_LIMITS.perMetre
          ? [mend(`Take strip of ${perMetre} pixels a metre`, { ...stock, pixelsPerMetre: perMetre })]
          : [],
    });
  if (stock.kind === 'strings' && stock.laid === 'perStrand') {
    const longest = plannedAt(plan, index).strands.reduce(
      (most, strand) => Math.max(most, strand.pixelCount),
      0,
    );
    const string = Math.ceil(longest / 50) * 50;
    if (longest > stock.pixelsPerString) {
      const word = kindOf(prop).strandWord(prop.threading);
      found.push({
        ...about,
        rank: 'worthKnowing',
        message: `${prop.name}: a ${word} of ${longest} pixels is longer than a string of ${stock.pixelsPerString}, so it has a splice inside after pixel ${stock.pixelsPerString}.`,
        mends: [
          ...(string <= STOCK_LIMITS.pixelsPerString
            ? [mend(`Take strings of ${string}`, { ...stock, pixelsPerString: string })]
            : []),
          mend('Let strings run on', { ...stock, laid: 'runOn' }),
        ],
      });
    }
  }
  return found;
}

/** The widest distance between pixels that follow one another on a strand, as most of them have it; 0 without any. */
function widestSpacingMm(plan: Plan, index: number): number {
  const { firstPixel, strands } = plannedAt(plan, index);
  const { xMm, yMm, zMm } = plan.pixels;
  const distances: number[] = [];
  for (const strand of strands.slice(0, 200)) {
    const step = Math.max(1, Math.floor(strand.pixelCount / 50));
    for (let i = strand.firstPixel + 1; i < strand.firstPixel + strand.pixelCount; i += step) {
      const at = firstPixel + i;
      distances.push(Math.hypot(xMm[at]! - xMm[at - 1]!, yMm[at]! - yMm[at - 1]!, zMm[at]! - zMm[at - 1]!));
    }
  }
  if (distances.length === 0) return 0;
  distances.sort((a, b) => a - b);
  // A jump round a corner is not the spacing.
  return Number(itemAt(distances, Math.floor(distances.length * 0.9)).toFixed(1));
}
