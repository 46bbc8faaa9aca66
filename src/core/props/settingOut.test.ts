import fc from 'fast-check';
import { knottedRope, placesOnRing, ringDiameterMm, setOut } from './settingOut';

/** The place where two tapes meet, by the law of cosines; on the side of the base line that `above` says. */
function whereTapesMeet(
  a: { xMm: number; yMm: number },
  b: { xMm: number; yMm: number },
  tapeA: number,
  tapeB: number,
  above: boolean,
) {
  const base = Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm);
  const along = (tapeA ** 2 - tapeB ** 2 + base ** 2) / (2 * base);
  const aside = Math.sqrt(Math.max(0, tapeA ** 2 - along ** 2)) * (above ? 1 : -1);
  const [ux, uy] = [(b.xMm - a.xMm) / base, (b.yMm - a.yMm) / base];
  return { xMm: a.xMm + ux * along - uy * aside, yMm: a.yMm + uy * along + ux * aside };
}

const circle = (count: number, diameterMm: number) => ({
  xMm: Array.from({ length: count }, (_, i) => (diameterMm / 2) * Math.sin((2 * Math.PI * i) / count)),
  yMm: Array.from({ length: count }, (_, i) => (diameterMm / 2) * Math.cos((2 * Math.PI * i) / count)),
});

it('finds every stake again with two tapes alone', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 500, max: 9000 }), (count, diameterMm) => {
      const { places, referenceA, referenceB, baseMm } = setOut(circle(count, diameterMm), { closed: true });
      const [a, b] = [places[referenceA - 1]!, places[referenceB - 1]!];
      expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).toBeCloseTo(baseMm, 6);
      for (const place of places) {
        const side = (b.xMm - a.xMm) * (place.yMm - a.yMm) - (b.yMm - a.yMm) * (place.xMm - a.xMm);
        const met = whereTapesMeet(a, b, place.tapeAMm, place.tapeBMm, side > 0);
        expect(Math.hypot(met.xMm - place.xMm, met.yMm - place.yMm)).toBeLessThan(0.01);
      }
    }),
  );
});

it('says the chord to the next stake: D * sin(pi / n), all the way round', () => {
  const { places } = setOut(circle(16, 4000), { closed: true });
  for (const { toNextMm, toNextArcMm } of places) {
    expect(toNextMm).toBeCloseTo(4000 * Math.sin(Math.PI / 16));
    // Sixteen of them go all the way round: pi * D / 16.
    expect(toNextArcMm).toBeCloseTo((Math.PI * 4000) / 16);
  }
  // On a straight row there is no arc.
  expect(setOut({ xMm: [0, 100, 300], yMm: [0, 0, 0] }).places[1]!.toNextArcMm).toBeNull();
  // An open row has no spacing after its last.
  expect(setOut(circle(16, 4000)).places.at(-1)!.toNextMm).toBeNull();
});

it('keeps concentric rings apart', () => {
  const [outer, inner] = [circle(8, 1000), circle(4, 500)];
  const { places } = setOut(
    { xMm: [...outer.xMm, ...inner.xMm], yMm: [...outer.yMm, ...inner.yMm] },
    { rows: [8, 4], closed: true },
  );
  expect(places[7]!.toNextMm).toBeCloseTo(1000 * Math.sin(Math.PI / 8));
  expect(places[11]!.toNextMm).toBeCloseTo(500 * Math.sin(Math.PI / 4));
});

it('takes the stakes that the builder names, and its own where they are none', () => {
  const places = circle(6, 100);
  expect(setOut(places, { references: [2, 5] })).toMatchObject({ referenceA: 2, referenceB: 5 });
  expect(setOut(places, { references: [2, 2] }).referenceA).toBe(1);
  expect(setOut(places, { references: [0, 9] }).referenceA).toBe(1);
  expect(setOut({ xMm: [], yMm: [] }).places).toEqual([]);
  expect(setOut({ xMm: [0, 10, 20, 30], yMm: [0, 0, 0, 0] })).toMatchObject({ referenceB: 4, baseMm: 30 });
});

describe('the ring that a spacing and a number make', () => {
  it('is n * s / pi along the curve, and a hexagon of side s straight across', () => {
    expect(ringDiameterMm(100, 50, 'alongTheCurve')).toBeCloseTo(1591.549);
    expect(ringDiameterMm(6, 50, 'straightAcross')).toBeCloseTo(100);
    expect(ringDiameterMm(2, 50, 'straightAcross')).toBeNull();
  });
  it('holds just that many places of that spacing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 500 }),
        fc.integer({ min: 5, max: 500 }),
        fc.constantFrom('alongTheCurve' as const, 'straightAcross' as const),
        (count, spacingMm, measured) => {
          const diameter = ringDiameterMm(count, spacingMm, measured)!;
          expect(placesOnRing(diameter, spacingMm, measured)).toBe(count);
          expect(placesOnRing(diameter * 0.999, spacingMm, measured)).toBeLessThanOrEqual(count - 1);
        },
      ),
    );
    expect(placesOnRing(10, 50, 'straightAcross')).toBe(1);
  });
});

it('ties a rope by which each stake is found from the one before: half a circle of 13 about a pole', () => {
  // 12 gaps of 15 degrees on a radius of 1.8 m: a chord is 2 * 1800 * sin(7.5 degrees) = 469.9 mm.
  const at = (i: number) => (Math.PI * i) / 12;
  const out = setOut({
    xMm: Array.from({ length: 13 }, (_, i) => -1800 * Math.cos(at(i))),
    yMm: Array.from({ length: 13 }, (_, i) => -1800 * Math.sin(at(i))),
  });
  const rope = knottedRope(out)!;
  expect(rope.radiusMm).toBeCloseTo(1800);
  expect(rope.chordMm).toBeCloseTo(469.89, 1);
  expect(out.places[0]!.toNextArcMm).toBeCloseTo(471.24, 1);
  expect(rope.totalMm).toBeCloseTo(4069.89, 1);
  expect(rope.closingMm).toBeCloseTo(3600);
  // No such rope is tied for places that are not on one circle, or not equally far apart.
  expect(knottedRope(setOut({ xMm: [0, 100, 300], yMm: [500, 500, 500] }))).toBeNull();
});
