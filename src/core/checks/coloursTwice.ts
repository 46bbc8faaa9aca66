import { defineCheck } from './check';
import { eachWall } from './walls';

export const coloursTwice = defineCheck(
  'colours-twice',
  'The colour order of a wall is corrected at the sender or at the driver, never at both.',
  (plan) =>
    eachWall(plan, ({ prop, finding }) => {
      const type = plan.show.pixelTypes.find((each) => each.id === prop.pixelTypeId)!;
      const { panel } = prop.shape;
      if (type.colourOrder === 'RGB' || panel.colourOrder === 'RGB' || type.colourOrder.length !== 3)
        return [];
      return [
        finding(
          'wrong',
          `the sender puts colours into the order ${type.colourOrder} (${type.name}), and the driver into ${panel.colourOrder} again. Corrected twice, two colours are swapped.`,
          [
            {
              label: 'Correct it at the sender alone',
              edit: {
                type: 'setShape',
                propId: prop.id,
                shape: { ...prop.shape, panel: { ...panel, colourOrder: 'RGB' } },
              },
            },
            {
              label: `Correct it at the driver alone (changes ${type.name})`,
              edit: { type: 'changePixelType', pixelTypeId: type.id, change: { colourOrder: 'RGB' } },
            },
          ],
          'build',
        ),
      ];
    }),
);
