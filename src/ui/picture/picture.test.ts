import { boundsOf } from '@/core/geometry/bounds';
import fc from 'fast-check';
import { aGrid, aLine, aShow, onPorts, aController } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { fit, mirrored, panBy, scaleBarMm, toMm, toScreenX, toScreenY, zoomAt, type Camera } from './camera';
import { NearestPoint } from './nearest';
import { sceneOf } from './scene';

const SIZE = { widthPx: 800, heightPx: 600 };
const camera: fc.Arbitrary<Camera> = fc.record({
  xMm: fc.integer({ min: -5000, max: 5000 }),
  yMm: fc.integer({ min: -5000, max: 5000 }),
  pxPerMm: fc.double({ min: 0.01, max: 5, noNaN: true }),
});
const place = fc.integer({ min: 0, max: 800 });

describe('the camera', () => {
  it('finds the place on screen of a place in millimetres, and back', () => {
    fc.assert(
      fc.property(camera, place, place, (at, x, y) => {
        const { xMm, yMm } = toMm(at, SIZE, x, y);
        expect(toScreenX(at, SIZE, xMm)).toBeCloseTo(x, 6);
        expect(toScreenY(at, SIZE, yMm)).toBeCloseTo(y, 6);
      }),
    );
  });

  it('keeps what is under the pointer where it is, zooming and panning', () => {
    fc.assert(
      fc.property(camera, place, place, fc.double({ min: 0.5, max: 2, noNaN: true }), (at, x, y, factor) => {
        const before = toMm(at, SIZE, x, y);
        const zoomed = zoomAt(at, SIZE, x, y, factor);
        expect(toScreenX(zoomed, SIZE, before.xMm)).toBeCloseTo(x, 4);
        expect(toScreenY(zoomed, SIZE, before.yMm)).toBeCloseTo(y, 4);
        expect(toScreenX(panBy(at, 30, -20), SIZE, before.xMm)).toBeCloseTo(x + 30, 6);
        expect(toScreenY(panBy(at, 30, -20), SIZE, before.yMm)).toBeCloseTo(y - 20, 6);
        expect(mirrored(mirrored(at))).toEqual(at);
      }),
    );
  });

  it('shows all of a prop within its margin, also a line without height and a single pixel', () => {
    for (const points of [
      [
        [0, 0, 900],
        [0, 400, 0],
      ],
      [
        [0, 2000],
        [5, 5],
      ],
      [[7], [7]],
    ] as const) {
      const [xs, ys] = points;
      const fitted = fit(boundsOf(xs, ys)!, SIZE, 64);
      xs.forEach((x, i) => {
        expect(toScreenX(fitted, SIZE, x)).toBeGreaterThanOrEqual(64 - 1e-6);
        expect(toScreenX(fitted, SIZE, x)).toBeLessThanOrEqual(736 + 1e-6);
        expect(toScreenY(fitted, SIZE, ys[i]!)).toBeGreaterThanOrEqual(64 - 1e-6);
      });
    }
    expect(boundsOf([], [])).toBeNull();
  });

  it('has a round scale that fits', () => {
    fc.assert(
      fc.property(camera, (at) => {
        const length = scaleBarMm(at, 120);
        expect(length * at.pxPerMm).toBeLessThanOrEqual(120 + 1e-9);
        expect(length * at.pxPerMm).toBeGreaterThan(120 / 2.6);
        const leading = length / 10 ** Math.floor(Math.log10(length) + 1e-9);
        expect([1, 2, 5]).toContain(Math.round(leading * 1000) / 1000);
      }),
    );
  });
});

describe('NearestPoint', () => {
  it('finds what looking at every point finds', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 300 }));
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 1, maxLength: 80 }),
        point,
        fc.integer({ min: 0, max: 200 }),
        (points, [x, y], radius) => {
          const xs = points.map((each) => each[0]);
          const ys = points.map((each) => each[1]);
          const found = new NearestPoint(xs, ys, boundsOf(xs, ys)!).find(x, y, radius);
          const distances = points.map(([px, py]) => Math.hypot(px - x, py - y));
          const least = Math.min(...distances);
          if (least > radius) expect(found).toBe(-1);
          else expect(distances[found]).toBeCloseTo(least, 9);
        },
      ),
    );
  });
});

describe('sceneOf', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 30), aGrid('net', 4, 5, { pattern: 'serpentine', runs: 2 })],
      controllers: [aController()],
    }),
    ['net', 1, 3],
  );
  const scene = sceneOf(planShow(show), 1);

  it('is one prop, counted from its own first pixel', () => {
    expect(scene).toMatchObject({ propId: 'net', firstPixelOfProp: 30, pixelCount: 20, joined: false });
    expect(scene.runs.map(({ tab, firstPixel, pixelCount }) => [tab, firstPixel, pixelCount])).toEqual([
      ['A3', 0, 8],
      ['run 2', 8, 12],
    ]);
    expect(scene.bounds).toEqual({ leftMm: 0, rightMm: 300, bottomMm: 0, topMm: 200 });
    expect(scene.spacingMm).toBe(100);
  });

  it('draws a straight strand by its two ends', () => {
    expect(scene.runs[0]!.corners).toEqual([
      { pixel: 0, starts: true },
      { pixel: 3, starts: false },
      { pixel: 4, starts: true },
      { pixel: 7, starts: false },
    ]);
  });
});
