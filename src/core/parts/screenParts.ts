import { WIRES_OF_JOINT } from '../catalogue/partName';
import type { PixelType } from '../catalogue/pixelType';
import type { MadeOf } from './part';
import { formatLength, type Lengths } from '../units/length';
import { ROLL_MM, screenCuts } from '../screens/cuts';
import type { ScreenShape } from '../screens/shape';

/** Strip by the roll, and the bridges between its pieces. */
export function partsOfScreen(
  shape: ScreenShape,
  type: PixelType | undefined,
  lengths: Lengths,
): { parts: MadeOf[]; solderedWires: number } {
  const { rolls, bridges } = screenCuts(shape, ROLL_MM, type);
  const wires = bridges.reduce((sum, bridge) => sum + bridge.wires.length, 0);
  return {
    parts: [
      {
        id: `screen strip ${type?.id}`,
        group: 'lights',
        name: `${type?.name ?? 'pixels'}: roll of ${formatLength(ROLL_MM, lengths)}`,
        unit: 'pieces',
        need: rolls,
      },
      {
        id: 'bridge',
        group: 'joints',
        name: 'wire bridge from piece to piece of strip',
        unit: 'pieces',
        need: bridges.length,
      },
    ],
    // Both ends of each bridge, and the lead that feeds the first piece.
    solderedWires: 2 * wires + WIRES_OF_JOINT,
  };
}
