import { aGrid, aLine, aShow } from '../../../tests/unit/shows';
import { planShow } from '@/core/plan/plan';
import { siteScene } from './siteScene';

const boxOf = (scene: ReturnType<typeof siteScene>, first: number, count: number) => {
  const x = [...scene.xMm.subarray(first, first + count)];
  const y = [...scene.yMm.subarray(first, first + count)];
  return { left: Math.min(...x), right: Math.max(...x), bottom: Math.min(...y), top: Math.max(...y) };
};

it('puts props where they are on the drawing, and the others below without overlap', () => {
  const plan = planShow(
    aShow({
      props: [
        { ...aLine('eave', 21), site: { xMm: 5000, yMm: 3000, turnDeg: 90 } },
        aGrid('net', 6, 10),
        aLine('rail', 30),
        aLine('edge', 40),
      ],
    }),
  );
  const scene = siteScene(plan);
  expect(scene.pixelCount).toBe(plan.pixelCount);
  const boxes = plan.props.map(({ firstPixel, pixelCount }) => boxOf(scene, firstPixel, pixelCount));
  // It stands on its end, its middle on its place.
  expect((boxes[0]!.left + boxes[0]!.right) / 2).toBeCloseTo(5000, 0);
  expect((boxes[0]!.bottom + boxes[0]!.top) / 2).toBeCloseTo(3000, 0);
  expect(boxes[0]!.right - boxes[0]!.left).toBeLessThan(1);
  boxes.forEach((one, i) =>
    boxes.slice(i + 1).forEach((other) => {
      const apart =
        one.right < other.left || other.right < one.left || one.top < other.bottom || other.top < one.bottom;
      expect(apart).toBe(true);
    }),
  );
});

it('draws nothing of a show without pixels', () => {
  expect(siteScene(planShow(aShow())).bounds).toBeNull();
});
