import type { PixelType } from '../catalogue/pixelType';
import { isOf, type Prop, type PropOf } from '../props/registry';
import { layWall } from '../props/wall';
import type { Lengths } from '../units/length';
import type { MadeOf } from './part';
import { partsOfScreen } from './screenParts';
import { partsOfWall } from './wallParts';

interface Made {
  parts: MadeOf[];
  solderedWires: number;
}

/**
 * Parts of a prop; null where it is made of strings or strip by the piece. They stand here and not with their kinds, so that no page has to
 * load them to draw a prop.
 *
 * @param type of its pixels, where it is known
 */
export function madeOf(prop: Prop, type: PixelType | undefined, lengths: Lengths): Made | null {
  if (isOf(prop, 'wall')) return { parts: partsOfWall(layWall(prop), lengths), solderedWires: 0 };
  if (isOf(prop, 'screen')) return partsOfScreen(prop.shape, type, lengths);
  if (isOf(prop, 'tile')) return { parts: [tiles(prop.shape)], solderedWires: 0 };
  return null;
}

function tiles({ columns, rows, tile }: PropOf<'tile'>['shape']): MadeOf {
  return {
    id: `tile ${tile.columns}x${tile.rows}`,
    group: 'lights',
    name: `tile of ${tile.columns} × ${tile.rows}`,
    unit: 'pieces',
    need: columns * rows,
  };
}
