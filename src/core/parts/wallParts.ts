import type { MadeOf } from './part';
import { formatLength, type Lengths } from '../units/length';
import type { LaidWall } from '../panels/laidWall';
import { ribbonsOf } from '../panels/ribbons';

/** Ribbon is bought in steps of so much. */
const RIBBON_STEP_MM = 50;

const plugs = (need: number): MadeOf => ({
  id: 'ribbon plug',
  group: 'joints',
  name: 'ribbon plug, 16 pins',
  unit: 'pieces',
  need,
});

/** Panels, and the ribbons between them and from their driver. */
export function partsOfWall(
  { wall: { panel, columns, rows, missing }, chains }: LaidWall,
  lengths: Lengths,
): MadeOf[] {
  return [
    {
      id: `panel ${panel.name} ${panel.columns}x${panel.rows}`,
      group: 'lights',
      name: `panel ${panel.name}`,
      unit: 'pieces',
      note: 'All of one batch: panels of two batches differ in colour and in how they are wired.',
      need: columns * rows - missing.size,
    },
    {
      id: 'ribbon lead',
      group: 'joints',
      name: 'ribbon from the driver to the first panel of a chain',
      unit: 'pieces',
      note: 'Measured from where the driver hangs; as short as can be.',
      need: chains.length,
    },
    plugs(2 * chains.length),
    ...ribbonsOf(chains, panel).flatMap(({ lengthMm, isOfTheBox }): MadeOf[] => {
      if (isOfTheBox)
        return [
          {
            id: 'ribbon of the box',
            group: 'joints',
            name: 'ribbon as it comes with panels',
            unit: 'pieces',
            need: 1,
          },
        ];
      const bought = Math.ceil(lengthMm / RIBBON_STEP_MM) * RIBBON_STEP_MM;
      return [
        {
          id: `ribbon ${bought}`,
          group: 'joints',
          name: `ribbon of ${formatLength(bought, lengths)}`,
          unit: 'pieces',
          need: 1,
        },
        plugs(2),
      ];
    }),
  ];
}
