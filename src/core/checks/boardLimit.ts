import { countOf } from '../units/number';
import { defineCheck } from './check';

export const boardLimit = defineCheck(
  'board-limit',
  'A craft has no more pixels than its board drives.',
  (plan) =>
    plan.show.props.flatMap((prop) => {
      if (prop.kind !== 'craft' || prop.shape.pixels.length <= prop.shape.mostPixels) return [];
      const { pixels, mostPixels } = prop.shape;
      const over = pixels.length - mostPixels;
      return [
        {
          rank: 'willNotLight' as const,
          stage: 'build' as const,
          propId: prop.id,
          message: `${prop.name} has ${countOf(pixels.length, 'pixel')}, ${over} more than the ${mostPixels} that its board drives. The last ${over === 1 ? 'one stays' : `${over} stay`} dark.`,
          mends: [
            {
              label: `Take off the last ${countOf(over, 'pixel')}`,
              edit: {
                type: 'setShape' as const,
                propId: prop.id,
                shape: { ...prop.shape, pixels: pixels.slice(0, mostPixels) },
              },
            },
          ],
        },
      ];
    }),
);
