import type { LaidWall } from '../panels/laidWall';
import { pictureIndex, type PictureMap } from '../panels/pictureMap';
import { placeName, type Turn } from '../panels/chains';
import { itemAt } from '../units/there';

/** A picture by rows from the top left, three bytes a pixel. */
interface Raster {
  width: number;
  height: number;
  rgb: Uint8Array;
}

/** Digits, a dot, and the letters of row and column, three pixels wide and five high, a row a number, the leftmost pixel the highest bit. */
const GLYPHS: Record<string, readonly number[]> = {
  '0': [7, 5, 5, 5, 7],
  '1': [2, 6, 2, 2, 7],
  '2': [7, 1, 7, 4, 7],
  '3': [7, 1, 3, 1, 7],
  '4': [5, 5, 7, 1, 1],
  '5': [7, 4, 7, 1, 7],
  '6': [7, 4, 7, 5, 7],
  '7': [7, 1, 1, 2, 2],
  '8': [7, 5, 7, 5, 7],
  '9': [7, 5, 7, 1, 7],
  '.': [0, 0, 0, 0, 2],
  r: [0, 6, 5, 4, 4],
  c: [0, 3, 4, 4, 3],
};

/** Told apart also by those who see few colours: hue and brightness both change from one output to the next. */
const OUTPUT_COLOURS: readonly (readonly [number, number, number])[] = [
  [0, 70, 160],
  [150, 70, 0],
  [0, 110, 70],
  [140, 0, 90],
  [90, 100, 0],
  [70, 20, 150],
  [0, 100, 120],
  [150, 20, 20],
];

/**
 * A picture by which every panel says where it belongs: its output and place in the chain above (`2.3`, or `1.2.3` with the card before
 * them), its row and column on the wall below (`r1c4`), an arrow that points where the printed arrow of the panel is to point, a colour for
 * each output, and a border of one pixel. It is a picture of the wall as any other: on a right wall everything stands upright, and a panel
 * that is turned, placed or plugged otherwise than its driver is set to shows it.
 */
export function panelLabels({ wall, chains, cards }: LaidWall): Raster {
  const { panel, columns, rows } = wall;
  const [width, height] = [columns * panel.columns, rows * panel.rows];
  const rgb = new Uint8Array(width * height * 3);
  chains.forEach((chain, index) => {
    const colour = itemAt(OUTPUT_COLOURS, index % OUTPUT_COLOURS.length);
    chain.panels.forEach(({ column, row, turnDeg }, place) => {
      const set = (x: number, y: number, [red, green, blue]: readonly [number, number, number]) => {
        if (x < 0 || y < 0 || x >= panel.columns || y >= panel.rows) return;
        const at = 3 * ((row * panel.rows + y) * width + column * panel.columns + x);
        rgb[at] = red;
        rgb[at + 1] = green;
        rgb[at + 2] = blue;
      };
      for (let y = 0; y < panel.rows; y += 1)
        for (let x = 0; x < panel.columns; x += 1) {
          const border = x === 0 || y === 0 || x === panel.columns - 1 || y === panel.rows - 1;
          set(x, y, border ? [255, 255, 255] : colour);
        }
      const lines = [placeName(chain, place, cards.length), `r${row + 1}c${column + 1}`];
      const longest = Math.max(...lines.map((line) => line.length));
      const scale = Math.max(
        1,
        Math.floor(Math.min((panel.columns - 9) / (4 * longest), (panel.rows - 4) / 11)),
      );
      lines.forEach((line, i) => write(line, 3, 2 + i * 6 * scale, scale, set));
      drawArrow(panel.columns - 5, panel.rows, turnDeg, set);
    });
  });
  return { width, height, rgb };
}

type SetPixel = (x: number, y: number, colour: readonly [number, number, number]) => void;

function write(text: string, left: number, top: number, scale: number, set: SetPixel): void {
  [...text].forEach((letter, i) => {
    GLYPHS[letter]!.forEach((bits, y) => {
      for (let x = 0; x < 3; x += 1)
        if (bits & (4 >> x))
          for (let dy = 0; dy < scale; dy += 1)
            for (let dx = 0; dx < scale; dx += 1)
              set(left + (4 * i + x) * scale + dx, top + y * scale + dy, [255, 255, 255]);
    });
  });
}

/** An arrow at the right of a panel, about as long as the panel is high, that points where the printed one does. */
function drawArrow(x: number, rows: number, turnDeg: Turn, set: SetPixel): void {
  const colour = [255, 220, 80] as const;
  const half = Math.floor((rows - 6) / 2);
  const middle = Math.floor(rows / 2);
  // A quarter turn lies across; it must not run into the words.
  const length = turnDeg % 180 === 0 ? half : Math.min(half, 4);
  const [dx, dy] = ({ 0: [0, -1], 90: [1, 0], 180: [0, 1], 270: [-1, 0] } as const)[turnDeg];
  for (let i = -length; i <= length; i += 1) set(x + dx * i, middle + dy * i, colour);
  for (let i = 1; i <= 2; i += 1)
    for (const aside of [-i, i])
      set(x + dx * (length - i) + dy * aside, middle + dy * (length - i) + dx * aside, colour);
}

/** The same picture as channel data in the sender's order: three bytes a pixel, red, green, blue. */
export function asChannels(raster: Raster, corner: PictureMap['corner']): Uint8Array {
  const { width, height, rgb } = raster;
  const map = { width, height, corner };
  const channels = new Uint8Array(rgb.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const [from, to] = [3 * (y * width + x), 3 * pictureIndex(map, x, y)];
      channels[to] = rgb[from]!;
      channels[to + 1] = rgb[from + 1]!;
      channels[to + 2] = rgb[from + 2]!;
    }
  return channels;
}
