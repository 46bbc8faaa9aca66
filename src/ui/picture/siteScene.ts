import { middleOfProp, onSite } from '@/core/answers/site';
import { boundsOf } from '@/core/geometry/bounds';
import type { Plan } from '@/core/plan/planned';
import { NearestPoint } from './nearest';
import type { Scene } from './scene';
import { plannedAt } from '@/core/plan/records';

/** Between props that are on no drawing yet. */
const GAP_MM = 600;

/**
 * All props of a show, each where it is on the drawing of the site; those that are not on it stand in rows below, as near as they fit.
 * Pixels keep their places in the table of the plan.
 */
export function siteScene(plan: Plan): Scene {
  const xMm = new Float32Array(plan.pixelCount);
  const yMm = new Float32Array(plan.pixelCount);
  const waiting: { prop: number; widthMm: number; heightMm: number; leftMm: number; topMm: number }[] = [];
  let [lowestMm, leftmostMm, widestMm] = [Infinity, Infinity, 0];
  plan.show.props.forEach(({ site }, prop) => {
    const { firstPixel, pixelCount } = plannedAt(plan, prop);
    const middle = middleOfProp(plan, prop);
    if (!middle) return;
    const own = { xMm: plan.pixels.xMm, yMm: plan.pixels.yMm };
    const [x, y] = [own.xMm, own.yMm].map((all) => all.subarray(firstPixel, firstPixel + pixelCount));
    const bounds = boundsOf(x!, y!)!;
    const widthMm = bounds.rightMm - bounds.leftMm;
    widestMm = Math.max(widestMm, widthMm);
    if (!site) {
      const heightMm = bounds.topMm - bounds.bottomMm;
      waiting.push({ prop, widthMm, heightMm, leftMm: bounds.leftMm, topMm: bounds.topMm });
      return;
    }
    for (let pixel = firstPixel; pixel < firstPixel + pixelCount; pixel += 1) {
      const at = onSite(site, middle, { xMm: own.xMm[pixel]!, yMm: own.yMm[pixel]! });
      xMm[pixel] = at.xMm;
      yMm[pixel] = at.yMm;
      lowestMm = Math.min(lowestMm, at.yMm);
      leftmostMm = Math.min(leftmostMm, at.xMm);
    }
  });
  const area = waiting.reduce((sum, each) => sum + (each.widthMm + GAP_MM) * (each.heightMm + GAP_MM), 0);
  const rowMm = Math.max(widestMm, Math.sqrt(1.8 * area));
  const startMm = Number.isFinite(leftmostMm) ? leftmostMm : 0;
  let [atX, atY, tallest] = [startMm, Number.isFinite(lowestMm) ? lowestMm - 2 * GAP_MM : 0, 0];
  for (const { prop, widthMm, heightMm, leftMm, topMm } of waiting.sort((a, b) => b.heightMm - a.heightMm)) {
    if (atX > startMm && atX + widthMm > startMm + rowMm) {
      atX = startMm;
      atY -= tallest + GAP_MM;
      tallest = 0;
    }
    const { firstPixel, pixelCount } = plannedAt(plan, prop);
    for (let pixel = firstPixel; pixel < firstPixel + pixelCount; pixel += 1) {
      xMm[pixel] = atX + plan.pixels.xMm[pixel]! - leftMm;
      yMm[pixel] = atY + plan.pixels.yMm[pixel]! - topMm;
    }
    atX += widthMm + GAP_MM;
    tallest = Math.max(tallest, heightMm);
  }
  const bounds = plan.pixelCount === 0 ? null : boundsOf(xMm, yMm);
  return {
    propId: 'site',
    firstPixelOfProp: 0,
    pixelCount: plan.pixelCount,
    xMm,
    yMm,
    strand: new Uint32Array(plan.pixelCount),
    strands: [],
    runs: [],
    jumpers: [],
    hiddenPixels: [],
    seams: [],
    joined: false,
    bounds,
    spacingMm: 40,
    nearest: bounds && new NearestPoint(xMm, yMm, bounds),
  };
}
