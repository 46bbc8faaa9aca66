import { wall } from '../props/wall';
import { pictureXy } from './pictureMap';
import { screenOfPanelPixel } from './panelMap';
import { asChannels, testPicture } from './testPicture';
import { layWall } from './wallFacts';

const starter = wall.starter();
const laid = layWall({
  shape: { ...starter.shape, columns: 2, rows: 2, others: [{ column: 1, row: 1, missing: true }] },
  threading: {
    ...starter.threading,
    chaining: { by: 'design', style: 'zigzag', along: 'rows', entry: 'topLeft' },
    driver: { ...starter.threading.driver, outputs: 1 } as never,
  },
});
const picture = testPicture(laid);
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

it('turns what it writes with the panel', () => {
  // The panels of the second row are turned by 180: what is at the top left of the first is at the bottom right there.
  expect(laid.chains[0]!.panels[2]).toMatchObject({ row: 1, column: 0, turnDeg: 180 });
  const ink = (place: number) => {
    const pixels: string[] = [];
    for (let y = 1; y < 31; y += 1)
      for (let x = 1; x < 63; x += 1) {
        const [screenX, screenY] = screenOfPanelPixel(laid.chains, laid.wall, { chain: 0, place, x, y });
        // The arrow looks the same on every panel.
        if (at(screenX, screenY).join() === '255,220,80') pixels.push(`${x},${y}`);
      }
    return pixels.join(' ');
  };
  expect(ink(2)).toBe(ink(0));
  expect(ink(0)).toContain('59,2');
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
