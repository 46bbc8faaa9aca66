import { aGrid, aLine } from '../../../tests/unit/shows';
import { kindOf, pixelCountOf, threadProp } from './registry';

/** The positions in data order, as `x,y` in millimetres. */
function places(prop: Parameters<typeof threadProp>[0]): string[] {
  const { xMm, yMm } = threadProp(prop);
  return Array.from(xMm, (x, i) => `${Math.round(x)},${Math.round(yMm[i]!)}`);
}

describe('a pixel grid of 3 columns and 2 rows, 100 mm by 50 mm', () => {
  // Worked by hand: the lower left pixel is at 0,0, so the top row is at y = 50.
  it.each([
    ['topLeft', 'rows', 'straight', '0,50 100,50 200,50 0,0 100,0 200,0'],
    ['topLeft', 'rows', 'serpentine', '0,50 100,50 200,50 200,0 100,0 0,0'],
    ['bottomRight', 'rows', 'straight', '200,0 100,0 0,0 200,50 100,50 0,50'],
    ['bottomRight', 'rows', 'serpentine', '200,0 100,0 0,0 0,50 100,50 200,50'],
    ['bottomLeft', 'columns', 'serpentine', '0,0 0,50 100,50 100,0 200,0 200,50'],
    ['topRight', 'columns', 'straight', '200,50 200,0 100,50 100,0 0,50 0,0'],
  ] as const)('threads from the %s along %s, %s', (firstPixel, along, pattern, expected) => {
    expect(places(aGrid('g', 3, 2, { firstPixel, along, pattern })).join(' ')).toBe(expected);
  });

  it('jumps the whole row back when straight, one spacing when serpentine', () => {
    const straight = threadProp(aGrid('g', 3, 2, { pattern: 'straight' }));
    expect(straight.jumpers).toHaveLength(1);
    expect(straight.jumpers[0]!.lengthMm).toBeCloseTo(Math.hypot(200, 50), 3);
    const serpentine = threadProp(aGrid('g', 3, 2, { pattern: 'serpentine' }));
    expect(serpentine.jumpers[0]!.lengthMm).toBeCloseTo(50, 3);
  });

  it('has no jumper between two runs', () => {
    const { runs, jumpers } = threadProp(aGrid('g', 3, 4, { runs: 2 }));
    expect(runs.map((run) => run.pixelCount)).toEqual([6, 6]);
    expect(jumpers.map(({ fromPixel, toPixel }) => [fromPixel, toPixel])).toEqual([
      [2, 3],
      [8, 9],
    ]);
  });
});

describe('a measured line', () => {
  const bent = aLine('l', 0, {
    kind: 'line',
    shape: {
      legs: [
        { lengthMm: 200, headingDeg: 0, pixels: { by: 'count', count: 2 } },
        { lengthMm: 350, headingDeg: 90, pixels: { by: 'spacing', spacingMm: 100 } },
      ],
    },
  } as never);

  it('puts each pixel in the middle of its part, leg after leg', () => {
    expect(places(bent).join(' ')).toBe('50,0 150,0 200,50 200,150 200,250');
    expect(threadProp(bent).jumpers).toEqual([]);
  });

  it('is threaded from the other end the other way round', () => {
    const fromEnd = { ...bent, threading: { firstPixel: 'end', runs: 2 } } as typeof bent;
    expect(places(fromEnd)).toEqual(places(bent).reverse());
    expect(threadProp(fromEnd).runs.map((run) => run.pixelCount)).toEqual([3, 2]);
  });

  it('does not lose the last pixel of a leg to rounding', () => {
    const leg = { lengthMm: 3 * 33.3, headingDeg: 0, pixels: { by: 'spacing' as const, spacingMm: 33.3 } };
    expect(pixelCountOf({ kind: 'line', shape: { legs: [leg] } })).toBe(3);
  });
});

it('says a shape in a few words', () => {
  expect(kindOf({ kind: 'grid' }).summary({ columns: 18, rows: 30 })).toBe('18 × 30 px');
  expect(kindOf(aLine('l', 1250)).summary(aLine('l', 1250).shape)).toBe('1,250 px');
});
