import type { PropOf } from '../props/registry';
import { cellsOfWall, missingCells } from '../props/wall';
import { chainsOf, type Chain, type WallCells } from './chains';
import { cardsOf, type Card } from './driver';

/** A wall prop with its chains laid: what checks, sheets and drawings of walls stand on. */
export interface LaidWall {
  wall: WallCells;
  chains: Chain[];
  cards: Card[];
  /** Cells with a panel that is on no chain, and cells that are on more than one place. */
  unchained: number[];
  twice: number[];
}

export function layWall({ shape, threading }: Pick<PropOf<'wall'>, 'shape' | 'threading'>): LaidWall {
  const wall = cellsOfWall(shape);
  const chains = chainsOf(wall, threading.driver, threading.chaining);
  const missing = missingCells(shape);
  const places = new Uint16Array(shape.columns * shape.rows);
  for (const chain of chains)
    for (const panel of chain.panels) places[panel.row * shape.columns + panel.column]! += 1;
  const unchained: number[] = [];
  const twice: number[] = [];
  places.forEach((count, cell) => {
    if (count === 0 && !missing.has(cell)) unchained.push(cell);
    if (count > 1) twice.push(cell);
  });
  return { wall, chains, cards: cardsOf(threading.driver, shape.columns, shape.rows), unchained, twice };
}
