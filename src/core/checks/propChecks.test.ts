import { aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import type { Prop } from '../props/registry';
import { tree, type TreeShape } from '../props/tree';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { USUAL_STRIP, type Stock } from '../catalogue/stock';
import type { Finding } from './check';
import { findingsOf } from './registry';

/** Findings of a show with one prop that is on no port, but for that. */
function of(prop: Prop, bodyMm?: number): Finding[] {
  const show = aShow({ props: [prop] });
  show.pixelTypes[0]!.bodyMm = bodyMm;
  return findingsOf(planShow(show)).filter((finding) => finding.check !== 'run-on-no-port');
}

/** Presses each mend of each finding by itself; every one must leave nothing of its check. */
function expectMended(prop: Prop, check: string, labels: (string | RegExp)[], bodyMm?: number) {
  const finding = of(prop, bodyMm).find((each) => each.check === check)!;
  expect(finding.mends.map((mend) => mend.label)).toEqual(
    labels.map((label) => expect.stringMatching(label) as string),
  );
  for (const mend of finding.mends) {
    const show = aShow({ props: [prop] });
    show.pixelTypes[0]!.bodyMm = bodyMm;
    const after = applyEdit(show, mend.edit);
    expect(findingsOf(planShow(after)).map((each) => each.check)).not.toContain(check);
  }
}

const aTree = (change: Partial<TreeShape>): Prop => {
  const { shape, threading } = tree.starter();
  return {
    id: 't',
    name: 'Tower',
    placeId: 'site',
    pixelTypeId: 'rgb',
    kind: 'tree',
    shape: { ...shape, ...change },
    threading,
  };
};

describe('a tree that cannot be', () => {
  it('has strands longer than its slant', () => {
    // 50 pixels 80 mm apart are 3.92 m; sqrt(3.2^2 + 0.925^2) m is 3.331 m.
    const tall = aTree({ holePitchMm: 80 });
    expect(of(tall)[0]!.message).toContain('a strand is 3.92 m long, 589 mm longer than the 3.331 m');
    expectMended(tall, 'impossible-tree', ['Raise it to 3.81 m', 'Keep 42 pixels a strand']);
  });
  it('keeps as many pixels as fit beside its bare holes', () => {
    // 49 gaps of 80 mm and 5 bare ones are 4.32 m on a slant of 3.331 m: 41 gaps less 5 bare ones hold 37 pixels.
    const bare = aTree({ holePitchMm: 80, emptyHolesTop: 2, emptyHolesBottom: 3 });
    expect(of(bare)[0]!.message).toContain('a strand is 4.32 m long');
    expectMended(bare, 'impossible-tree', [/^Raise it to/, 'Keep 37 pixels a strand']);
    const one = aTree({ holePitchMm: 80, emptyHolesTop: 2, emptyHolesBottom: 3, pixelsPerStrand: 38 });
    expect(of(one).map(({ check }) => check)).toContain('impossible-tree');
  });
  it('has a slant shorter than its lean', () => {
    const flat = aTree({ height: { by: 'slant', slantMm: 900 }, baseDiameterMm: 3000, holePitchMm: 10 });
    expect(of(flat)[0]!.message).toContain('Such a tree has no height');
    expectMended(flat, 'impossible-tree', [/along a strand/, /across/]);
  });
  it('is refused when it is typed, and put right step by step where a file holds it', () => {
    const shape = (of: Show) => of.props[0]!.shape as TreeShape;
    const set = (of: Show, change: Partial<TreeShape>) =>
      applyEdit(of, { type: 'setShape', propId: of.props[0]!.id, shape: { ...shape(of), ...change } });
    const good = aShow({ props: [aTree({})] });
    const height = { by: 'slant' as const, slantMm: 900 };
    expect(() => set(good, { height, baseDiameterMm: 3000 })).toThrow(
      'Type longer strands or a smaller base first.',
    );
    const old = aShow({ props: [aTree({ height, baseDiameterMm: 3000, holePitchMm: 10 })] });
    expect(shape(set(old, { baseDiameterMm: 2900 })).baseDiameterMm).toBe(2900);
  });
  it('is nothing to say of where it fits', () => {
    expect(of(aTree({}))).toEqual([]);
  });
});

describe('pixels that are closer than they are wide', () => {
  it('offers no spacing that a section is too short for', () => {
    const leg = { lengthMm: 50, headingDeg: 0, pixels: { by: 'spacing', spacingMm: 20 } };
    const [finding] = of(aLine('p', 1, { shape: { legs: [leg] } } as never), 60);
    expect(finding).toMatchObject({ check: 'spacing-too-small', mends: [] });
  });
  it.each<[string, Partial<Prop>]>([
    [
      'a counted line',
      { shape: { legs: [{ lengthMm: 500, headingDeg: 0, pixels: { by: 'count', count: 80 } }] } } as never,
    ],
    [
      'a spaced line',
      {
        shape: { legs: [{ lengthMm: 500, headingDeg: 0, pixels: { by: 'spacing', spacingMm: 5 } }] },
      } as never,
    ],
    [
      'a ring',
      {
        kind: 'ring',
        shape: {
          rings: [{ diameterMm: 100, pixels: 40 }],
          arcDeg: 360,
          firstAngleDeg: 0,
          direction: 'clockwise',
        },
        threading: { startRing: 'first', pattern: 'straight', runs: 1 },
      } as never,
    ],
    [
      'a grid',
      {
        kind: 'grid',
        shape: { columns: 5, rows: 5, columnSpacingMm: 10, rowSpacingMm: 10 },
        threading: { firstPixel: 'topLeft', along: 'rows', pattern: 'straight', runs: 1 },
      } as never,
    ],
  ])('in %s', (_, change) => {
    expectMended(aLine('p', 3, change), 'spacing-too-small', ['Space them at least 12 mm'], 12);
  });
  it('are said nothing of while nobody has said how wide they are', () => {
    expect(
      of(
        aLine('p', 50, {
          shape: { legs: [{ lengthMm: 50, headingDeg: 0, pixels: { by: 'count', count: 50 } }] },
        } as never),
      ),
    ).toEqual([]);
  });
});

it('finds a leg too short for a pixel, to be made bare or taken away', () => {
  const leg = (lengthMm: number) => ({ lengthMm, headingDeg: 0, pixels: { by: 'spacing', spacingMm: 50 } });
  expectMended(aLine('p', 1, { shape: { legs: [leg(500), leg(30)] } } as never), 'empty-leg', [
    'Make leg 2 a bare stretch',
    'Remove leg 2',
  ]);
});

it('finds a craft with more pixels than its board drives', () => {
  const pixels = [0, 1, 2].map((column) => ({ column, row: 0, facing: 'up', roles: [] }));
  const boat = aLine('boat', 1, {
    kind: 'craft',
    shape: { columns: 3, rows: 1, cellMm: 20, mostPixels: 2, roles: [], pixels },
    threading: { runs: 1 },
  } as never);
  expectMended(boat, 'board-limit', ['Take off the last 1 pixel']);
});

it('finds ranges that overlap, leave orphans or reach past the end', () => {
  const withRanges = (...ranges: [number, number][]) =>
    aLine('strip', 100, {
      ranges: ranges.map(([firstPixel, pixelCount], i) => ({
        name: `Range ${i + 1}`,
        firstPixel,
        pixelCount,
      })),
    });
  expect(of(withRanges([1, 60], [61, 40]))).toEqual([]);
  expectMended(withRanges([1, 60], [51, 50]), 'ranges', ['Lay the ranges end to end']);
  expectMended(withRanges([1, 60]), 'ranges', [
    'Make a range of what is in none',
    'Lay the ranges end to end',
  ]);
  expect(of(withRanges([1, 101]))[0]).toMatchObject({ rank: 'willLookWrong' });
});

describe('stock that does not suit', () => {
  const made = (stock: Stock) => aLine('p', 60, { stock });
  const strings = (change: object): Stock =>
    ({ kind: 'strings', pixelsPerString: 50, pitchMm: 100, laid: 'runOn', ...change }) as Stock;
  it('does not reach from pixel to pixel', () => {
    expectMended(made(strings({ pitchMm: 40 })), 'stock', ['Take strings with 50 mm of wire']);
  });
  it('has a splice inside a strand', () => {
    expectMended(made(strings({ laid: 'perStrand' })), 'stock', [
      'Take strings of 100',
      'Let strings run on',
    ]);
  });
  it('comes at another pitch', () => {
    expectMended(made({ ...USUAL_STRIP, pixelsPerMetre: 30 } as Stock), 'stock', [
      'Take strip of 20 pixels a metre',
    ]);
  });
  it('suits', () => {
    expect(of(made(strings({})))).toEqual([]);
    expect(of(made({ ...USUAL_STRIP, pixelsPerMetre: 20 } as Stock))).toEqual([]);
  });
});
