import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { threadProp, type PropOf } from './registry';
import {
  anchorSpacingMm,
  pixelSpacingMm,
  stripGaps,
  stripLengthMm,
  tree,
  treeHeightMm,
  treeSlantMm,
  type TreeShape,
} from './tree';

type Tree = Pick<PropOf<'tree'>, 'kind' | 'shape' | 'threading'>;

function aTree(shape: Partial<TreeShape> = {}, threading: Partial<Tree['threading']> = {}): Tree {
  const starter = tree.starter();
  return {
    kind: 'tree',
    shape: {
      ...starter.shape,
      form: { kind: 'full', firstStrandAt: 'front', direction: 'counterclockwise' },
      strands: 4,
      pixelsPerStrand: 3,
      holePitchMm: 1000,
      everyHole: 1,
      height: { by: 'height', heightMm: 4000 },
      baseDiameterMm: 6000,
      topDiameterMm: 0,
      ...shape,
    },
    threading: { ...starter.threading, pattern: 'straight', runs: 1, ...threading },
  };
}

const pixels = (prop: Tree, drawing: 'true' | 'unrolled' = 'true') => {
  const { xMm, yMm, zMm } = threadProp(prop, drawing);
  return Array.from(xMm, (x, i) => [x, yMm[i]!, zMm[i]!].map((value) => Math.round(value) + 0));
};

describe('a tree with the sides of a 3-4-5 triangle', () => {
  // Half the base is 3 m, the height 4 m, so a strand is 5 m long and its pixels hang 0, 1 and 2 m below the top.
  it('has a slant of 5 m, and its height again from the slant', () => {
    expect(treeSlantMm(aTree().shape)).toBe(5000);
    expect(treeHeightMm(aTree({ height: { by: 'slant', slantMm: 5000 } }).shape)).toBeCloseTo(4000);
    expect(treeHeightMm(aTree({ height: { by: 'slant', slantMm: 3000 } }).shape)).toBeNull();
  });

  it('hangs its pixels from the top, the first strand at the front', () => {
    expect(pixels(aTree()).slice(0, 3)).toEqual([
      [0, 2400, 1200],
      [0, 3200, 600],
      [0, 4000, 0],
    ]);
  });

  it('leaves the empty holes bare', () => {
    const { shape } = aTree({ emptyHolesTop: 1, emptyHolesBottom: 2 });
    expect(stripLengthMm(shape)).toBe(5000);
    expect(pixels(aTree({ emptyHolesTop: 1 }))[2]).toEqual([0, 3200, 600]);
  });

  it.each([
    ['counterclockwise', 'front', ['front', 'right', 'back', 'left']],
    ['clockwise', 'front', ['front', 'left', 'back', 'right']],
    ['clockwise', 'right', ['right', 'front', 'left', 'back']],
  ] as const)('numbers strands %s seen from above, from the %s', (direction, firstStrandAt, sides) => {
    const prop = aTree({ form: { kind: 'full', firstStrandAt, direction } });
    const feet = pixels(prop).filter((_, i) => i % 3 === 0);
    const seen = feet.map(([x, , z]) => (z! > 0 ? 'front' : z! < 0 ? 'back' : x! > 0 ? 'right' : 'left'));
    expect(seen).toEqual(sides);
  });

  it('goes down the strands when data enters at the top, and up and down in a serpentine', () => {
    expect(pixels(aTree({}, { dataEnters: 'top' })).map(([, y]) => y)).toEqual([
      4000, 3200, 2400, 4000, 3200, 2400, 4000, 3200, 2400, 4000, 3200, 2400,
    ]);
    expect(
      pixels(aTree({}, { pattern: 'serpentine' }))
        .map(([, y]) => y)
        .slice(0, 6),
    ).toEqual([2400, 3200, 4000, 4000, 3200, 2400]);
  });
});

it('spaces anchors as the circle, the half circle and the line have it', () => {
  const shape = aTree({ strands: 16, baseDiameterMm: 2000 }).shape;
  expect(anchorSpacingMm(shape)).toBeCloseTo((Math.PI * 2000) / 16);
  expect(anchorSpacingMm({ ...shape, form: { kind: 'half', firstStrandAt: 'left' } })).toBeCloseTo(
    (Math.PI * 2000) / 2 / 15,
  );
  expect(anchorSpacingMm({ ...shape, form: { kind: 'flat', firstStrandAt: 'left' } })).toBeCloseTo(2000 / 15);
});

it('puts every pixel on its strand, one spacing from the next, in the true view and unrolled', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('full' as const, 'half' as const, 'flat' as const),
      fc.integer({ min: 1, max: 24 }),
      fc.integer({ min: 2, max: 40 }),
      fc.integer({ min: 10, max: 100 }),
      fc.integer({ min: 1000, max: 8000 }),
      fc.integer({ min: 500, max: 6000 }),
      fc.integer({ min: 1, max: 4 }),
      (kind, strands, pixelsPerStrand, holePitchMm, heightMm, baseDiameterMm, everyHole) => {
        const prop = aTree({
          form:
            kind === 'full'
              ? { kind, firstStrandAt: 'back', direction: 'clockwise' }
              : { kind, firstStrandAt: 'right' },
          strands,
          pixelsPerStrand,
          holePitchMm,
          everyHole,
          height: { by: 'height', heightMm },
          baseDiameterMm,
          topDiameterMm: 100,
        });
        for (const drawing of ['true', 'unrolled'] as const) {
          const { xMm, yMm, zMm, strands: threaded } = threadProp(prop, drawing);
          for (const { firstPixel, pixelCount } of threaded)
            for (let i = firstPixel + 1; i < firstPixel + pixelCount; i += 1)
              expect(
                Math.hypot(xMm[i]! - xMm[i - 1]!, yMm[i]! - yMm[i - 1]!, zMm[i]! - zMm[i - 1]!),
              ).toBeCloseTo(holePitchMm * everyHole, 0);
        }
        // The true tree lies on its cone: at height y the distance from the pole is that of the slanted line.
        if (kind !== 'flat') {
          const { xMm, yMm, zMm } = threadProp(prop);
          for (let i = 0; i < xMm.length; i += 1) {
            const radius = 50 + ((baseDiameterMm / 2 - 50) * (heightMm - yMm[i]!)) / heightMm;
            expect(Math.abs(Math.hypot(xMm[i]!, zMm[i]!) - Math.abs(radius))).toBeLessThan(1);
          }
        }
      },
    ),
    { numRuns: tries(60) },
  );
});

describe('a strip with more holes than pixels', () => {
  it('counts bare holes by its own pitch: 50 pixels in every second of 1 inch holes, 3 bare above and 1 below, are 102 in', () => {
    const { shape } = aTree({
      pixelsPerStrand: 50,
      holePitchMm: 25.4,
      everyHole: 2,
      emptyHolesTop: 3,
      emptyHolesBottom: 1,
    });
    expect(stripLengthMm(shape)).toBeCloseTo(102 * 25.4);
    expect(pixelSpacingMm(shape)).toBeCloseTo(50.8);
  });
  it('makes the height of a tree by itself: 45 pixels in every third hole, 4 bare above and 2 below', () => {
    const { shape } = aTree({
      strands: 20,
      pixelsPerStrand: 45,
      holePitchMm: 25.4,
      everyHole: 3,
      emptyHolesTop: 4,
      emptyHolesBottom: 2,
      height: { by: 'strip' },
      baseDiameterMm: 2400,
      topDiameterMm: 300,
    });
    expect(stripGaps(shape)).toBe(138);
    expect(stripLengthMm(shape)).toBeCloseTo(3505.2);
    // sqrt(3505.2^2 - 1050^2), by hand.
    expect(treeHeightMm(shape)).toBeCloseTo(3344.2, 1);
    expect(anchorSpacingMm(shape)).toBeCloseTo(376.99, 2);
    // The first hole is on the ring, so the top pixel hangs 4 holes below it.
    const [, top] = pixels({ ...aTree(), shape })[44]!;
    expect(top).toBe(Math.round(3344.2 * (1 - (4 * 25.4) / 3505.2)));
  });
});

it('sets out its anchors on the base circle, neighbours as far apart as the chord', () => {
  const { shape } = aTree({ strands: 12, baseDiameterMm: 3000 });
  const { xMm, yMm } = tree.anchors!(shape);
  xMm.forEach((x, i) => {
    expect(Math.hypot(x, yMm[i]!)).toBeCloseTo(1500);
    const next = (i + 1) % 12;
    expect(Math.hypot(xMm[next]! - x, yMm[next]! - yMm[i]!)).toBeCloseTo(3000 * Math.sin(Math.PI / 12));
  });
  // The audience is below the drawing, so strand 1 at the front is the lowest.
  expect(yMm[0]).toBeCloseTo(-1500);
});
