import type { Plan } from '../plan/planned';
import { kindOf } from '../props/registry';
import { formatLength } from '../units/length';
import { defineCheck, type Finding } from './check';

export const spacingTooSmall = defineCheck(
  'spacing-too-small',
  'Neighbouring pixels of a strand are no closer than a pixel is wide.',
  (plan) =>
    plan.show.props.flatMap((prop, index): Omit<Finding, 'check'>[] => {
      const type = plan.show.pixelTypes.find((each) => each.id === prop.pixelTypeId)!;
      if (type.bodyMm === undefined || kindOf(prop).panelled) return [];
      const least = leastSpacingMm(plan, index);
      // A tape measure does not tell half a millimetre.
      if (least >= type.bodyMm - 0.5) return [];
      const wider = kindOf(prop).withLeastSpacing?.(prop.shape, type.bodyMm);
      return [
        {
          severity: 'wrong',
          stage: 'build',
          propId: prop.id,
          message: `${prop.name}: pixels are ${formatLength(least)} apart, and ${type.name} is ${formatLength(type.bodyMm)} across. They do not fit beside one another.`,
          mends: wider
            ? [
                {
                  label: `Space them at least ${formatLength(type.bodyMm)}`,
                  edit: { type: 'setShape', propId: prop.id, shape: wider },
                },
              ]
            : [],
        },
      ];
    }),
);

/** The least distance between pixels that follow one another on a strand; hidden ones do not count. */
function leastSpacingMm(plan: Plan, index: number): number {
  const { firstPixel, strands, hiddenPixels } = plan.props[index]!;
  const { xMm, yMm, zMm } = plan.pixels;
  const hidden = new Set(hiddenPixels);
  let least = Infinity;
  for (const strand of strands)
    for (let i = strand.firstPixel + 1; i < strand.firstPixel + strand.pixelCount; i += 1) {
      if (hidden.size > 0 && (hidden.has(i) || hidden.has(i - 1))) continue;
      const at = firstPixel + i;
      const square =
        (xMm[at]! - xMm[at - 1]!) ** 2 + (yMm[at]! - yMm[at - 1]!) ** 2 + (zMm[at]! - zMm[at - 1]!) ** 2;
      if (square < least) least = square;
    }
  return Math.sqrt(least);
}
