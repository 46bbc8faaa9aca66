import type { Corner } from '../threading/view';
import type { Chain, WallCells } from './chains';
import type { Card } from './driver';

/** A prop of panels with its chains laid: what checks, sheets and drawings of panels stand on. */
export interface LaidWall {
  wall: WallCells;
  chains: Chain[];
  cards: Card[];
  /** The corner at which the sender’s first pixel is, seen from the front. */
  pictureCorner: Corner;
  /** Bits a colour that are set on its driver, where they are. */
  depthBits: number | undefined;
  /** Cells with a panel that is on no chain, and cells that are on more than one place. */
  unchained: number[];
  twice: number[];
}
