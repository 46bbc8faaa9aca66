import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { threadProp, type Prop } from './registry';
import { ring, ringSpacingMm } from './ring';

type RingProp = Pick<Extract<Prop, { kind: 'ring' }>, 'kind' | 'shape' | 'threading'>;

function aRing(
  shape: Partial<RingProp['shape']> = {},
  threading: Partial<RingProp['threading']> = {},
): RingProp {
  const starter = ring.starter();
  return {
    kind: 'ring',
    shape: { ...starter.shape, firstAngleDeg: 0, ...shape },
    threading: { ...starter.threading, ...threading },
  };
}

const places = (prop: RingProp) => {
  const { xMm, yMm } = threadProp(prop);
  return Array.from(xMm, (x, i) => `${Math.round(x) + 0},${Math.round(yMm[i]!) + 0}`).join(' ');
};

describe('four pixels on a circle of 200 mm', () => {
  const rings = [{ diameterMm: 200, pixels: 4 }];
  it.each([
    [{ rings }, '0,100 100,0 0,-100 -100,0'],
    [{ rings, direction: 'counterclockwise' as const }, '0,100 -100,0 0,-100 100,0'],
    [{ rings, firstAngleDeg: 180 }, '0,-100 -100,0 0,100 100,0'],
    // A half circle has a pixel at either end: at 0, 60, 120 and 180 degrees.
    [{ rings, arcDeg: 180 }, '0,100 87,50 87,-50 0,-100'],
  ])('are where they should be: %#', (shape, expected) => {
    expect(places(aRing(shape))).toBe(expected);
  });
});

it('visits rings in order, every other one back when serpentine', () => {
  const rings = [
    { diameterMm: 200, pixels: 3 },
    { diameterMm: 100, pixels: 2 },
  ];
  expect(places(aRing({ rings }))).toBe('0,100 87,-50 -87,-50 0,50 0,-50');
  expect(places(aRing({ rings }, { pattern: 'serpentine' }))).toBe('0,100 87,-50 -87,-50 0,-50 0,50');
  expect(places(aRing({ rings }, { startRing: 'last' }))).toBe('0,50 0,-50 0,100 87,-50 -87,-50');
  expect(threadProp(aRing({ rings })).jumpers).toHaveLength(1);
});

it('puts every pixel at its radius, and its neighbours at the chord that it says', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 50, max: 5000 }),
      fc.integer({ min: 2, max: 200 }),
      fc.integer({ min: 1, max: 360 }),
      fc.integer({ min: -360, max: 360 }),
      (diameterMm, pixels, arcDeg, firstAngleDeg) => {
        const prop = aRing({ rings: [{ diameterMm, pixels }], arcDeg, firstAngleDeg });
        const { xMm, yMm } = threadProp(prop);
        const { arcMm, chordMm } = ringSpacingMm(prop.shape, prop.shape.rings[0]!);
        for (let i = 0; i < pixels; i += 1) {
          expect(Math.hypot(xMm[i]!, yMm[i]!)).toBeCloseTo(diameterMm / 2, 2);
          if (i > 0) expect(Math.hypot(xMm[i]! - xMm[i - 1]!, yMm[i]! - yMm[i - 1]!)).toBeCloseTo(chordMm, 1);
        }
        // Along the curve, a closed ring's spacings make up its circumference, an arc's its part of it.
        const steps = arcDeg === 360 ? pixels : pixels - 1;
        expect(arcMm * steps).toBeCloseTo((Math.PI * diameterMm * arcDeg) / 360, 6);
      },
    ),
    { numRuns: tries(60) },
  );
});
