import { chainPlaces, type Chain, type Turn, turnOf } from './chains';
import { itemAt } from '../units/there';

/**
 * The panel map: where on the screen each pixel of each chain is. Screen pixels count from 0 at the top left of the wall,
 * seen from the front; a panel's own pixels from its top left with the arrow up.
 */
interface PanelPixel {
  /** Index of the chain. */
  chain: number;
  /** Place of the panel in it, from 0. */
  place: number;
  x: number;
  y: number;
}

interface Sizes {
  panel: { columns: number; rows: number };
  /** Panels across. */
  columns: number;
}

/** Place on a cell of a pixel of a panel that is turned clockwise, seen from the front. */
export function turnPixel(
  { columns: w, rows: h }: { columns: number; rows: number },
  turnDeg: Turn,
  x: number,
  y: number,
): [x: number, y: number] {
  switch (turnDeg) {
    case 0:
      return [x, y];
    case 90:
      return [h - 1 - y, x];
    case 180:
      return [w - 1 - x, h - 1 - y];
    case 270:
      return [y, w - 1 - x];
  }
}

/** The screen pixel of a panel's pixel. */
export function screenOfPanelPixel(
  chains: readonly Chain[],
  { panel }: Sizes,
  pixel: PanelPixel,
): [x: number, y: number] {
  const { column, row, turnDeg } = itemAt(itemAt(chains, pixel.chain).panels, pixel.place);
  const [x, y] = turnPixel(panel, turnDeg, pixel.x, pixel.y);
  return [column * panel.columns + x, row * panel.rows + y];
}

/** The inverse of many look-ups: the panel's pixel at a screen pixel, null where no panel is on a chain. */
export function panelPixelFinder(
  chains: readonly Chain[],
  { panel, columns }: Sizes,
): (x: number, y: number) => PanelPixel | null {
  const places = chainPlaces(chains, columns);
  const { columns: w, rows: h } = panel;
  return (screenX, screenY) => {
    const [column, row] = [Math.floor(screenX / w), Math.floor(screenY / h)];
    const found = places.get(row * columns + column);
    if (!found) return null;
    const { turnDeg } = itemAt(itemAt(chains, found.chain).panels, found.place);
    const [x, y] = [screenX - column * w, screenY - row * h];
    // Turning back: the other way round, on a cell whose sides are those of the turned panel.
    const turned = turnDeg === 90 || turnDeg === 270;
    const back = turnOf(-turnDeg);
    const [px, py] = turnPixel(turned ? { columns: h, rows: w } : panel, back, x, y);
    return { ...found, x: px, y: py };
  };
}
