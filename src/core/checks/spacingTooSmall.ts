import { threadedOf } from '../plan/threadedOf';
import { kindOf, threadProp, type Prop, isPanelled, withShape } from '../props/registry';
import type { Threaded } from '../threading/thread';
import { formatLength, type Lengths } from '../units/length';
import { defineCheck, type Finding } from './check';
import { pixelTypeOf } from '../plan/records';

export const spacingTooSmall = defineCheck(
  'spacing-too-small',
  'Neighbouring pixels of a strand are no closer than a pixel is wide.',
  (plan) =>
    plan.show.props.flatMap((prop, index): Omit<Finding, 'check'>[] => {
      const type = pixelTypeOf(plan.show, prop);
      if (type.bodyMm === undefined || isPanelled(prop)) return [];
      const least = leastSpacingMm(threadedOf(plan, index));
      // A tape measure does not tell half a millimetre.
      if (least >= type.bodyMm - 0.5) return [];
      const wider = kindOf(prop).withLeastSpacing?.(prop.shape, type.bodyMm);
      const helps =
        wider &&
        isTaken(prop, wider as Prop['shape'], plan.show.lengths) &&
        leastSpacingMm(threadProp(withShape(prop, wider))) >= type.bodyMm - 0.5;
      return [
        {
          rank: 'worthKnowing',
          stage: 'build',
          propId: prop.id,
          message: `${prop.name}: pixels are ${formatLength(least, plan.show.lengths)} apart, and ${type.name} is ${formatLength(type.bodyMm, plan.show.lengths)} across. They do not fit beside one another.`,
          mends: helps
            ? [
                {
                  label: `Space them at least ${formatLength(type.bodyMm, plan.show.lengths)}`,
                  edit: { type: 'setShape', propId: prop.id, shape: wider },
                },
              ]
            : [],
        },
      ];
    }),
);

/** Whether a show takes these measures: what cannot be built is refused, unless it could not be built before. */
function isTaken(prop: Prop, shape: Prop['shape'], lengths: Lengths): boolean {
  const { impossible } = kindOf(prop);
  return !impossible?.(shape, lengths) || Boolean(impossible(prop.shape, lengths));
}

type Strung = Pick<Threaded, 'xMm' | 'yMm' | 'zMm' | 'strands' | 'hiddenPixels'>;

/** The least distance between pixels that follow one another on a strand; hidden ones do not count. */
function leastSpacingMm({ xMm, yMm, zMm, strands, hiddenPixels }: Strung): number {
  const hidden = new Set(hiddenPixels);
  let least = Infinity;
  for (const strand of strands)
    for (let i = strand.firstPixel + 1; i < strand.firstPixel + strand.pixelCount; i += 1) {
      if (hidden.size > 0 && (hidden.has(i) || hidden.has(i - 1))) continue;
      const square =
        (xMm[i]! - xMm[i - 1]!) ** 2 + (yMm[i]! - yMm[i - 1]!) ** 2 + (zMm[i]! - zMm[i - 1]!) ** 2;
      if (square < least) least = square;
    }
  return Math.sqrt(least);
}
