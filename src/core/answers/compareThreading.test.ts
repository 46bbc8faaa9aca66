import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { crossingsOf } from './seams';
import { aGrid, aLine, anyShow } from '../../../tests/unit/shows';
import { kindOf, threadProp } from '../props/registry';
import { signalOf } from '../catalogue/signal';
import { compareSchemes, recommendScheme, type SchemeLimits } from './compareThreading';

const limits: SchemeLimits = {
  signal: signalOf({ chip: 'WS2811' }),
  channelsPerPixel: 3,
  mostPixelsPerPort: 800,
  wantedRateHz: 40,
  reachMm: 1000,
};

describe('a net of 24 columns of 42 pixels, 100 mm apart, 50 mm from row to row', () => {
  const net = aGrid('net', 24, 42, {
    firstPixel: 'bottomLeft',
    along: 'columns',
    pattern: 'serpentine',
    runs: 2,
  });
  const schemes = compareSchemes(net, limits);
  const find = (words: string) => schemes.find((scheme) => scheme.words.startsWith(words))!;

  it('is compared by columns and rows, serpentine and straight, split and a port each', () => {
    expect(schemes).toHaveLength(8);
    expect(schemes.filter((scheme) => scheme.isCurrent)).toHaveLength(1);
  });
  it('takes two ports, with 22 short jumpers by columns and long ones when straight', () => {
    expect(find('serpentine along columns')).toMatchObject({
      ports: 2,
      longestRunPixels: 504,
      shortestRunPixels: 504,
      jumpers: 22,
      longestJumperMm: 100,
      jumpersMm: 2200,
      fits: true,
    });
    // sqrt(100^2 + (41 * 50)^2) for each return.
    expect(find('straight along columns').longestJumperMm).toBeCloseTo(Math.hypot(100, 2050), 2);
    expect(find('straight along columns from the bottom left, 24 runs')).toMatchObject({
      jumpers: 0,
      ports: 24,
    });
  });
  it('shows its loops at the edge; half of them can be reached from the ground', () => {
    // Two runs of 12 columns: 4 ends and 22 loops. Loops alternate top and bottom: 6 + 5 of each run are at the top.
    expect(find('serpentine along columns')).toMatchObject({ feedPlaces: 26, feedPlacesAtEdge: 26 });
    expect(find('serpentine along columns').feedPlacesFromGround).toBe(2 + 2 + 10);
  });
  it('recommends the fewest ports with the shortest jumpers, and names the trade', () => {
    const best = recommendScheme(schemes, undefined)!;
    expect(best.scheme.words).toBe('serpentine along rows from the bottom left, 2 runs');
    expect(best.why).toBe(
      'Fewest ports (2) with 2 m of jumpers, the longest 50 mm; a port for each column would need no jumper, but 24 ports.',
    );
  });
  it('counts the data lines across each seam', () => {
    const seamed = { ...net, shape: { ...net.shape, seamsAfterColumns: [6, 12], seamsAfterRows: [21] } };
    const [first] = compareSchemes(seamed as typeof net, limits).filter((scheme) => scheme.isCurrent);
    // After column 6 one jumper crosses; after column 12 a new run begins; every column crosses the seam between rows.
    expect(first!.plugsPerSeam).toEqual([1, 0, 24]);
    expect(first!.plugs).toBe(25);
  });
});

it('names strands as the scheme that it speaks of does, and counts plugs at seams before jumpers', () => {
  // 64 columns of 16: rows are 64 long. A port for each row would be 16 ports, for each column 64.
  const wide = aGrid('net', 64, 16, { along: 'columns', pattern: 'serpentine' });
  const { why } = recommendScheme(compareSchemes(wide, { ...limits, mostPixelsPerPort: 512 }), undefined)!;
  expect(why).toContain('a port for each row would need no jumper, but 16 ports');
  expect(why).not.toContain('injection');
  const seamed = { ...wide, shape: { ...wide.shape, seamsAfterColumns: [16, 32, 48] } } as typeof wide;
  const best = recommendScheme(compareSchemes(seamed, { ...limits, mostPixelsPerPort: 512 }), undefined)!;
  expect(best.scheme.words).toContain('along columns');
  expect(best.scheme.plugs).toBeLessThanOrEqual(3);
  expect(best.why).toMatch(/^Fewest ports \(2\) with \d plugs? at the seams and /);
});

it('says so where even one strand is too long', () => {
  const [best] = compareSchemes(aLine('rail', 1000), limits);
  expect(best!.fits).toBe(false);
  expect(recommendScheme([best!], undefined)!.why).toContain('Even one leg a run is too long');
});

it('knows the picture rate of the longest run', () => {
  const [scheme] = compareSchemes(aLine('rail', 680), limits);
  expect(Math.floor(scheme!.frameRateHz)).toBe(48);
});

it('compares every prop: each scheme reaches each pixel once, and the one in use is among them', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      for (const prop of show.props) {
        const schemes = compareSchemes(prop, limits);
        expect(schemes.filter((scheme) => scheme.isCurrent)).toHaveLength(1);
        const points = (threaded: { xMm: ArrayLike<number>; yMm: ArrayLike<number> }) =>
          Array.from(threaded.xMm, (x, i) => `${x.toFixed(2)} ${threaded.yMm[i]!.toFixed(2)}`)
            .sort()
            .join();
        const expected = points(threadProp(prop));
        for (const scheme of schemes) {
          expect(points(scheme.threaded)).toBe(expected);
          expect(kindOf(prop).threadingSchema.safeParse(scheme.threading).success).toBe(true);
          expect(scheme.threaded.runs.reduce((sum, run) => sum + run.pixelCount, 0)).toBe(
            scheme.threaded.pixelCount,
          );
        }
      }
    }),
    { numRuns: tries(40) },
  );
});

it('counts crossings pixel by pixel', () => {
  const threaded = threadProp(aGrid('net', 3, 3, { along: 'rows', pattern: 'serpentine' }));
  expect(crossingsOf(threaded, { xMm: 50 })).toHaveLength(3);
  expect(crossingsOf(threaded, { yMm: 25 })).toHaveLength(1);
});
