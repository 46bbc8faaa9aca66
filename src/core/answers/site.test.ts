import fc from 'fast-check';
import type { Explained } from '../figures/explained';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { cableLength, leadsOf, onSite, pixelOnSite } from './site';
import { USUAL_SITE } from '../show/siteSchema';

it('turns a prop about its middle and keeps all distances', () => {
  const spot = fc.record({
    xMm: fc.integer({ min: -9000, max: 9000 }),
    yMm: fc.integer({ min: -9000, max: 9000 }),
  });
  fc.assert(
    fc.property(spot, spot, spot, spot, fc.integer({ min: -360, max: 360 }), (at, middle, a, b, turnDeg) => {
      const place = { ...at, turnDeg };
      const [p, q] = [onSite(place, middle, a), onSite(place, middle, b)];
      expect(Math.hypot(p.xMm - q.xMm, p.yMm - q.yMm)).toBeCloseTo(
        Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm),
        4,
      );
      expect(onSite(place, middle, middle)).toEqual({
        xMm: expect.closeTo(at.xMm) as number,
        yMm: expect.closeTo(at.yMm) as number,
      });
    }),
  );
  expect(onSite({ xMm: 0, yMm: 0, turnDeg: 90 }, { xMm: 0, yMm: 0 }, { xMm: 100, yMm: 0 })).toEqual({
    xMm: expect.closeTo(0) as number,
    yMm: expect.closeTo(100) as number,
  });
});

it('measures from the port to the first pixel, and on from the last pixel before', () => {
  const show = onPorts(
    aShow({
      props: [
        // Pixels at 25, 75, … 475: the middle is 250.
        aLine('rail', 10, { site: { xMm: 4250, yMm: 3000, turnDeg: 0 } }),
        aGrid('net', 3, 3),
      ],
      controllers: [aController({ site: { xMm: 1025, yMm: 3000 - 4000 } })],
    }),
    ['rail', 1, 1],
    ['net', 1, 1],
  );
  const plan = planShow(show);
  expect(pixelOnSite(plan, 0)).toEqual({ xMm: expect.closeTo(4025, 2) as number, yMm: 3000 });
  const [first, second] = leadsOf(plan);
  // 3 m and 4 m are 5 m; with 20 % and 1 m that is 7 m.
  expect(first).toMatchObject({
    port: 'A1',
    fromRun: null,
    straightMm: expect.closeTo(5000, 2) as number,
    cable: expect.objectContaining({ value: 7000, unit: 'mm' }) as Explained,
  });
  expect(second).toMatchObject({ fromRun: 0, straightMm: null, cable: null });
});

it('cuts cable by the half metre, never too short', () => {
  expect(cableLength(1000, { detourPercent: 0, endsMm: 0 }).value).toBe(1000);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 200_000 }), (straight) => {
      const cable = cableLength(straight, USUAL_SITE).value;
      expect(cable % 500).toBe(0);
      expect(cable).toBeGreaterThanOrEqual(straight * 1.2 + 1000 - 0.001);
      expect(cable - (straight * 1.2 + 1000)).toBeLessThan(500);
    }),
  );
});
