import { readShow } from '../show/read';
import { aShow } from '../../../tests/unit/shows';
import { cellsBetween, craft, withPixel, type CraftShape } from './craft';
import { freeform } from './freeform';
import { partsOf } from './grid';
import type { Leg } from './leg';
import { PROP_KINDS, kindOf, pixelCountOf, threadProp, type Prop, type PropGeometry } from './registry';
import { tile } from './tile';

const places = (prop: PropGeometry) => {
  const { xMm, yMm } = threadProp(prop);
  return Array.from(xMm, (x, i) => `${Math.round(x) + 0},${Math.round(yMm[i]!) + 0}`).join(' ');
};
/** The refusal when a show with this prop is read, or nothing where it is accepted. */
function refusal(kind: string, shape: unknown, threading: unknown): string | undefined {
  const prop = { id: 'p', name: 'Prop', placeId: 'site', pixelTypeId: 'rgb', kind, shape, threading };
  try {
    readShow(aShow({ props: [prop as Prop] }));
    return undefined;
  } catch (error) {
    return (error as Error).message;
  }
}

it.each(
  PROP_KINDS.flatMap((kind) => [
    { kind, starter: kind.starter },
    ...(kind.presets ?? []).map((preset) => ({ kind, starter: preset.starter })),
  ]),
)('starts with an example that a show accepts: %#', ({ kind, starter }) => {
  const { shape, threading } = starter();
  expect(refusal(kind.kind, shape, threading)).toBeUndefined();
  const prop = { kind: kind.kind, shape, threading } as Prop;
  expect(threadProp(prop).pixelCount).toBe(pixelCountOf(prop));
  for (const other of kind.alternatives?.(shape, threading) ?? [])
    expect(kindOf(prop).threadingSchema.safeParse(other).success).toBe(true);
});

describe('corners of a line', () => {
  const leg = (headingDeg: number, corner?: Leg['corner']): Leg => ({
    lengthMm: 200,
    headingDeg,
    pixels: { by: 'count', count: 2 },
    ...(corner ? { corner } : {}),
  });
  const aLine = (...legs: Leg[]): Prop =>
    ({ kind: 'line', shape: { legs }, threading: { firstPixel: 'start', runs: 1 } }) as Prop;

  it('runs on without a jumper', () => {
    expect(threadProp(aLine(leg(0), leg(90))).jumpers).toEqual([]);
    expect(places(aLine(leg(0), leg(90)))).toBe('50,0 150,0 200,50 200,150');
  });

  it('eats a pixel: one more on the wire, in the corner, that is not seen', () => {
    const eaten = threadProp(aLine(leg(0, 'eatsPixel'), leg(90)));
    expect(places(aLine(leg(0, 'eatsPixel'), leg(90)))).toBe('50,0 150,0 200,0 200,50 200,150');
    expect([...eaten.hiddenPixels]).toEqual([2]);
    // Fed from the end, it is the third pixel as well: two of the other leg come first.
    const back = {
      ...aLine(leg(0, 'eatsPixel'), leg(90)),
      threading: { firstPixel: 'end', runs: 1 },
    } as Prop;
    expect([...threadProp(back).hiddenPixels]).toEqual([2]);
    // The last leg has no corner to eat one.
    expect(pixelCountOf(aLine(leg(0), leg(90, 'eatsPixel')))).toBe(4);
  });

  it('is jumped where the strip is cut, and over a bare stretch', () => {
    expect(threadProp(aLine(leg(0, 'jumper'), leg(90))).jumpers).toEqual([
      { fromPixel: 1, toPixel: 2, lengthMm: expect.closeTo(Math.hypot(50, 50)) as number },
    ]);
    const bare: Leg = { lengthMm: 500, headingDeg: 0, pixels: { by: 'count', count: 0 } };
    expect(threadProp(aLine(leg(0), bare, leg(0))).jumpers).toMatchObject([{ lengthMm: 600 }]);
  });
});

describe('tiles', () => {
  const shape = {
    columns: 2,
    rows: 2,
    tile: {
      columns: 2,
      rows: 2,
      firstPixel: 'topLeft' as const,
      along: 'rows' as const,
      pattern: 'serpentine' as const,
    },
    pitchMm: 10,
    gapMm: 5,
  };
  const threading = {
    firstPixel: 'topLeft' as const,
    along: 'rows' as const,
    pattern: 'serpentine' as const,
    runs: 1,
  };

  it('that hang turned keep their channels, at the other end of the tile', () => {
    const turned = { ...shape, turned: [{ column: 1, row: 0, turnDeg: 180 as const }] };
    expect(places({ kind: 'tile', shape: turned, threading })).toBe(
      [
        '0,35 10,35 10,25 0,25',
        '35,25 25,25 25,35 35,35', // upside down: its first pixel is at the bottom right
        '25,10 35,10 35,0 25,0',
        '0,10 10,10 10,0 0,0',
      ].join(' '),
    );
    // Only a square tile fits its place on its side.
    expect(
      refusal(
        'tile',
        { ...turned, tile: { ...shape.tile, columns: 3 }, turned: [{ ...turned.turned[0], turnDeg: 90 }] },
        threading,
      ),
    ).toContain('a half turn of 180');
  });
  it('keep the order inside a tile, whichever way the chain goes', () => {
    expect(places({ kind: 'tile', shape, threading })).toBe(
      [
        '0,35 10,35 10,25 0,25', // tile 1
        '25,35 35,35 35,25 25,25', // tile 2
        '25,10 35,10 35,0 25,0', // below it, tile 4
        '0,10 10,10 10,0 0,0', // tile 3
      ].join(' '),
    );
    expect(threadProp({ kind: 'tile', shape, threading }).strands.map(({ number }) => number)).toEqual([
      1, 2, 4, 3,
    ]);
    expect(tile.fixturePixels!(shape)).toBe(4);
  });
});

describe('a craft', () => {
  const board: CraftShape = { columns: 4, rows: 3, cellMm: 10, mostPixels: 32, roles: [], pixels: [] };

  it('numbers cells in the order in which they are put on, and anew after an insertion', () => {
    const two = withPixel(withPixel(board, 0, 0, 0), 1, 3, 2);
    const three = withPixel(two, 1, 1, 1);
    expect(places({ kind: 'craft', shape: three, threading: { runs: 1 } })).toBe('0,20 10,10 30,0');
    // A cell that is taken stays as it is.
    expect(withPixel(three, 0, 3, 2)).toBe(three);
    expect(craft.summary(three)).toBe('3 of 32 px');
  });

  it('takes the facing from the pixel before', () => {
    const first = withPixel(board, 0, 0, 0);
    first.pixels[0]!.facing = 'tail';
    expect(withPixel(first, 1, 1, 0).pixels[1]!.facing).toBe('tail');
  });

  it.each([
    [3, 0, '0,0 1,0 2,0 3,0'],
    [3, 1, '0,0 1,0 2,0 3,0'],
    [0, 2, '0,0 0,1 0,2'],
    [2, 2, '0,0 1,1 2,2'],
    [0, 0, '0,0'],
  ])('numbers a whole line when dragged to %i, %i', (column, row, expected) => {
    const cells = cellsBetween({ column: 0, row: 0 }, { column, row });
    expect(cells.map((cell) => `${cell.column},${cell.row}`).join(' ')).toBe(expected);
  });

  it('is refused with two pixels on a cell, off the board, or with a role that it does not have', () => {
    const pixel = (column: number, row: number, roles: string[] = []) => ({
      column,
      row,
      facing: 'up' as const,
      roles,
    });
    const of = (...pixels: CraftShape['pixels']) => refusal('craft', { ...board, pixels }, { runs: 1 });
    expect(of(pixel(1, 1), pixel(1, 1))).toMatch(/pixels\[1\].*a cell that pixel 1 does not have/);
    expect(of(pixel(4, 0))).toMatch(/a cell on the board of 4 by 3/);
    expect(of(pixel(0, 0, ['bow']))).toMatch(/not “bow”/);
    expect(of(pixel(0, 0), pixel(3, 2))).toBeUndefined();
  });
});

describe('free-form points', () => {
  const threading = { firstPixel: 'start' as const, runs: 1 };
  it('are pieces with a jumper between them', () => {
    const shape = { xMm: [0, 10, 40], yMm: [0, 0, 40], pieces: [2, 1], source: 'sign.svg' };
    expect(threadProp({ kind: 'freeform', shape, threading }).jumpers).toMatchObject([{ lengthMm: 50 }]);
    expect(freeform.facts(shape, undefined)).toContainEqual(
      expect.objectContaining({ name: 'Length', value: '10 mm' }),
    );
  });
  it('are refused when their lists do not fit one another', () => {
    const of = (shape: object) =>
      refusal('freeform', { xMm: [0, 1], yMm: [0, 1], pieces: [2], source: '', ...shape }, threading);
    expect(of({})).toBeUndefined();
    expect(of({ yMm: [0] })).toMatch(/yMm.*2 numbers/);
    expect(of({ zMm: [] })).toMatch(/zMm.*2 numbers/);
    expect(of({ pieces: [1] })).toMatch(/sums up to the 2 points, not to 1/);
  });
});

it('comes apart at its seams', () => {
  expect(partsOf(20, [14, 7, 7])).toEqual([7, 7, 6]);
  expect(partsOf(20)).toEqual([20]);
  expect(partsOf(20, [20])).toEqual([20]);
});
