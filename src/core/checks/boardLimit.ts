import { countOf } from '../units/number';
import { defineKindCheck } from './check';

export const boardLimit = defineKindCheck(
  'board-limit',
  'craft',
  'A craft has no more pixels than its board drives.',
  (prop) => {
    const { pixels, mostPixels } = prop.shape;
    if (pixels.length <= mostPixels) return [];
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
  },
);
