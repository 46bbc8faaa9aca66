import { wall, layWall } from '../props/wall';
import { pictureXy } from '../panels/pictureMap';
import type { Turn } from '../panels/chains';
import { screenOfPanelPixel, turnPixel } from '../panels/panelMap';
import { asChannels, panelLabels } from './panelLabels';

const starter = wall.starter();
const laid = layWall({
  shape: { ...starter.shape, columns: 2, rows: 2, others: [{ column: 1, row: 1, missing: true }] },
  threading: {
    ...starter.threading,
    chaining: { by: 'design', style: 'zigzag', along: 'rows', entry: 'topLeft' },
    driver: { ...starter.threading.driver, outputs: 1 } as never,
  },
});
const picture = panelLabels(laid);
const at = (x: number, y: number) => [
  ...picture.rgb.subarray(3 * (y * picture.width + x), 3 * (y * picture.width + x) + 3),
];

it('draws a border of one pixel around every panel, and leaves gaps dark', () => {
  expect([picture.width, picture.height]).toEqual([128, 64]);
  for (const [x, y] of [
    [0, 0],
    [63, 31],
    [64, 0],
    [0, 32],
  ] as const)
    expect(at(x, y)).toEqual([255, 255, 255]);
  expect(at(64, 32)).toEqual([0, 0, 0]);
  expect(at(100, 50)).toEqual([0, 0, 0]);
});

/** The picture that the wall shows when its panels hang as `hung` says: each shows what its driver sends to its pixels. */
function shownOn(hung: (turn: Turn) => Turn): Uint8Array {
  const shown = new Uint8Array(picture.rgb.length);
  const { panel } = laid.wall;
  laid.chains.forEach((chain, index) =>
    chain.panels.forEach((each, place) => {
      for (let y = 0; y < panel.rows; y += 1)
        for (let x = 0; x < panel.columns; x += 1) {
          const [sentX, sentY] = screenOfPanelPixel(laid.chains, laid.wall, { chain: index, place, x, y });
          const [ownX, ownY] = turnPixel(panel, hung(each.turnDeg), x, y);
          const to =
            3 * ((each.row * panel.rows + ownY) * picture.width + each.column * panel.columns + ownX);
          shown.set(at(sentX, sentY), to);
        }
    }),
  );
  return shown;
}

it('stands upright all over a right wall, and on its head where a turn was forgotten', () => {
  // One of the two rows is turned by 180.
  expect(new Set(laid.chains[0]!.panels.map((each) => each.turnDeg))).toEqual(new Set([0, 180]));
  expect(Buffer.from(shownOn((turn) => turn)).equals(Buffer.from(picture.rgb))).toBe(true);
  const forgotten = shownOn(() => 0);
  for (const { row, column, turnDeg } of laid.chains[0]!.panels) {
    const cell = (rgb: Uint8Array) => {
      const rows = Array.from({ length: 32 }, (_, y) => {
        const from = 3 * ((row * 32 + y) * picture.width + column * 64);
        return [...rgb.subarray(from, from + 3 * 64)].join();
      });
      return rows.join();
    };
    expect(cell(forgotten) === cell(picture.rgb)).toBe(turnDeg === 0);
  }
});

it('writes the same digits the same way round on every panel, whatever its turn', () => {
  const ink = (row: number, column: number) => {
    const pixels: string[] = [];
    // The row below says row.column: of 1.1 and 2.1 the last digit is the same.
    for (let y = 1; y < 31; y += 1)
      for (let x = 24; x < 48; x += 1)
        if (at(column * 64 + x, row * 32 + y).join() === '255,255,255' && y > 15) pixels.push(`${x},${y}`);
    return pixels.join(' ');
  };
  expect(ink(0, 0)).not.toBe('');
  expect(ink(1, 0)).toBe(ink(0, 0));
});

it('is the same as channel data, in the order of the sender', () => {
  for (const corner of ['topLeft', 'bottomRight'] as const) {
    const channels = asChannels(picture, corner);
    for (const index of [0, 1, 700, 128 * 64 - 1]) {
      const [x, y] = pictureXy({ width: 128, height: 64, corner }, index);
      expect([...channels.subarray(3 * index, 3 * index + 3)]).toEqual(at(x, y));
    }
  }
});
