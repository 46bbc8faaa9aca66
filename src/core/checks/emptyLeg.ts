import { legPixelCount } from '../props/line';
import { formatLength } from '../units/length';
import { defineKindCheck } from './check';

export const emptyLeg = defineKindCheck(
  'empty-leg',
  'line',
  'Every leg of a line is long enough for a pixel.',
  (prop, _index, { show: { lengths } }) =>
    prop.shape.legs.flatMap((leg, i) =>
      leg.pixels.by === 'count' || legPixelCount(leg) > 0
        ? []
        : [
            {
              rank: 'worthKnowing' as const,
              stage: 'build' as const,
              propId: prop.id,
              message: `${prop.name}: leg ${i + 1} is ${formatLength(leg.lengthMm, lengths)} long, shorter than its pixel spacing of ${formatLength(leg.pixels.spacingMm, lengths)}, so it has no pixel.`,
              mends: [
                {
                  label: `Make leg ${i + 1} a bare stretch`,
                  edit: {
                    type: 'setShape' as const,
                    propId: prop.id,
                    shape: {
                      legs: prop.shape.legs.map((each, k) =>
                        k === i ? { ...each, pixels: { by: 'count', count: 0 } } : each,
                      ),
                    },
                  },
                },
                ...(prop.shape.legs.length === 1
                  ? []
                  : [
                      {
                        label: `Remove leg ${i + 1}`,
                        edit: {
                          type: 'setShape' as const,
                          propId: prop.id,
                          shape: { legs: prop.shape.legs.filter((_, k) => k !== i) },
                        },
                      },
                    ]),
              ],
            },
          ],
    ),
);
