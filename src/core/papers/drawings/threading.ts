import { portName } from '../../catalogue/controller';
import type { Plan } from '../../plan/planned';
import { kindOf, threadProp } from '../../props/registry';
import { xSeenFrom, type ViewSide } from '../../threading/view';
import { boundsOfSpots, type Drawing, type Shape, type SpotOnDrawing } from '../../pages/drawing';
import { propAt, plannedAt, runAt, controllerAt } from '../../plan/records';

/** Above that the lights of a prop are a grey field on paper: the way of the data is drawn without them. */
const MOST_DOTS = 1500;
/** So many points of a strand are enough for its way. */
const MOST_POINTS = 120;
const MOST_NUMBERS = 80;

/** The way of the data through a prop, seen from a side: what stands in a circle is laid flat, as it hangs on the bench. */
export function threadingDrawing(plan: Plan, prop: number, side: ViewSide): Drawing {
  const planned = plannedAt(plan, prop);
  const ofShow = propAt(plan, prop);
  const kind = kindOf(ofShow);
  const word = kind.strandWord(ofShow.threading);
  const flat = kind.unrolled ? threadProp(ofShow, 'unrolled') : null;
  const spot = (pixel: number): SpotOnDrawing =>
    flat
      ? [xSeenFrom(side, flat.xMm[pixel]!), flat.yMm[pixel]!]
      : [
          xSeenFrom(side, plan.pixels.xMm[planned.firstPixel + pixel]!),
          plan.pixels.yMm[planned.firstPixel + pixel]!,
        ];
  const shapes: Shape[] = [];
  const { strands, jumpers, pixelCount } = planned;
  const all: SpotOnDrawing[] = [];
  for (const strand of strands) {
    const step = Math.max(1, Math.ceil(strand.pixelCount / MOST_POINTS));
    const points: SpotOnDrawing[] = [];
    for (let i = 0; i < strand.pixelCount; i += step) points.push(spot(strand.firstPixel + i));
    const last = spot(strand.firstPixel + strand.pixelCount - 1);
    if ((strand.pixelCount - 1) % step !== 0) points.push(last);
    all.push(...points);
    if (points.length > 1) shapes.push({ is: 'path', points, pen: 'thin' });
    const middle = Math.floor((strand.pixelCount - 1) / 2);
    if (strand.pixelCount > 1)
      shapes.push({
        is: 'arrow',
        from: spot(strand.firstPixel + middle),
        to: spot(strand.firstPixel + middle + 1),
        at: 'middle',
        pen: 'thin',
      });
  }
  for (const { toPixel } of jumpers)
    if (toPixel > 0) shapes.push({ is: 'path', points: [spot(toPixel - 1), spot(toPixel)], pen: 'dashed' });
  if (pixelCount <= MOST_DOTS)
    for (let i = 0; i < pixelCount; i += 1)
      shapes.push({ is: 'dot', at: spot(i), radiusPt: 1.3, fill: 'white' });
  const every = Math.max(1, Math.ceil(strands.length / MOST_NUMBERS));
  if (strands.length > 1)
    strands.forEach((strand, i) => {
      if (i % every !== 0) return;
      // Beside the first light, away from where the strand goes.
      const [from, to] = [spot(strand.firstPixel), spot(strand.firstPixel + strand.pixelCount - 1)];
      const isUpright = Math.abs(to[1] - from[1]) >= Math.abs(to[0] - from[0]);
      shapes.push({
        is: 'label',
        at: from,
        words: String(strand.number),
        sizePt: 8,
        bold: true,
        ...(isUpright ? { upPt: from[1] >= to[1] ? 9 : -9 } : { anchor: from[0] <= to[0] ? 'end' : 'start' }),
      });
    });
  for (let r = 0; r < planned.runCount; r += 1) {
    const run = runAt(plan, planned.firstRun + r);
    if (run.pixelCount === 0) continue;
    const first = spot(run.firstPixel - planned.firstPixel);
    const last = spot(run.firstPixel - planned.firstPixel + run.pixelCount - 1);
    const { wire } = run;
    shapes.push({ is: 'dot', at: first, radiusPt: 4, fill: 'black' });
    shapes.push({ is: 'dot', at: last, radiusPt: 3, fill: 'white' });
    if (planned.runCount <= MOST_NUMBERS)
      shapes.push({
        is: 'label',
        at: first,
        words: wire
          ? `${portName(controllerAt(plan, wire.controller), wire.port)}${wire.chainPosition > 1 ? ` ${wire.chainPosition}.` : ''}`
          : `run ${run.number}`,
        sizePt: 10,
        bold: true,
        boxed: true,
        upPt: strands.length > 1 ? (isBelow(all, first) ? -20 : 20) : 14,
      });
  }
  const name = ofShow.name;
  return {
    name: `The way of the data through ${name}, ${sideWords(kind.sides, side)}: a black point where a port feeds it, a white one where a run ends, arrows with the data, dashed lines for jumpers; numbers of ${word}s where each begins`,
    bounds: boundsOfSpots(all),
    shapes,
    isToScale: true,
  };
}

export function sideWords(sides: { front: string; back: string } | undefined, side: ViewSide): string {
  return sides ? sides[side] : side === 'front' ? 'seen from the front' : 'seen from the back';
}

/** Whether a spot is in the lower half of all of them. */
function isBelow(all: readonly SpotOnDrawing[], [, y]: SpotOnDrawing): boolean {
  let [low, high] = [Infinity, -Infinity];
  for (const [, each] of all) {
    low = Math.min(low, each);
    high = Math.max(high, each);
  }
  return y < (low + high) / 2;
}
