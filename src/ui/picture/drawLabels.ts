import { itemAt } from '@/core/units/there';
import { toMm, type Camera } from './camera';
import { LEGIBLE_FROM_PX, MONO, alphaOfRun, colourOfRun, directionAt, runOf, type Frame } from './drawFrame';

/** A tab with the port's name where data enters a run, an open ring where it leaves. */
export function drawEnds(frame: Frame, camera: Camera, mirror: 1 | -1): void {
  const { context, scene, x, y, palette, dotPx } = frame;
  context.font = `600 13px ${MONO}`;
  context.textBaseline = 'middle';
  context.textAlign = 'center';
  scene.runs.forEach((run, index) => {
    const colour = colourOfRun(frame, index);
    const first = run.firstPixel;
    const last = run.firstPixel + run.pixelCount - 1;
    context.globalAlpha = alphaOfRun(frame, index);

    context.strokeStyle = colour;
    context.fillStyle = palette.ground;
    context.lineWidth = 2;
    if (run.pixelCount > 1) {
      context.beginPath();
      context.arc(x[last]!, y[last]!, Math.max(dotPx, 2) + 3, 0, 2 * Math.PI);
      context.stroke();
      frame.taken.take(x[last]! - 6, y[last]! - 6, x[last]! + 6, y[last]! + 6);
    }

    const width = context.measureText(run.tab).width + 22;
    const place = placeForTab(frame, camera, mirror, first, width);
    context.strokeStyle = colour;
    context.beginPath();
    context.moveTo(x[first]!, y[first]!);
    context.lineTo(place.x, place.y);
    context.stroke();
    context.fillStyle = colour;
    drawTab(context, place.x, place.y, width, place.pointsLeft);
    context.fillStyle = palette.onTab;
    context.fillText(run.tab, place.x + (place.pointsLeft ? 3 : -3), place.y + 1);
  });
  context.globalAlpha = 1;
}

/**
 * The place of a tab: against the data, or beside the first pixel where the pixels of another run come from there. It
 * goes further out when another tab has the place.
 */
function placeForTab(frame: Frame, camera: Camera, mirror: 1 | -1, first: number, width: number) {
  const { x, y } = frame;
  const [ux, uy] = directionAt(frame, first, 1);
  const ways = [
    [-ux, -uy],
    [uy, -ux],
    [-uy, ux],
  ] as const;
  const at = (way: readonly [number, number], lead: number) => {
    const upright = Math.abs(way[1]) > Math.abs(way[0]);
    const distance = lead + (upright ? 0 : width / 2 - 10);
    return {
      x: x[first]! + way[0] * distance,
      y: y[first]! + way[1] * distance,
      pointsLeft: !upright && way[0] > 0,
    };
  };
  for (let lead = 30; lead <= 90; lead += 30) {
    for (const way of ways) {
      const place = at(way, lead);
      if (!isFree(frame, camera, mirror, place.x, place.y, width / 2, 11)) continue;
      if (frame.taken.take(place.x - width / 2, place.y - 12, place.x + width / 2, place.y + 12))
        return place;
    }
  }
  return at(ways[0], 30);
}

function drawTab(
  context: CanvasRenderingContext2D,
  cx: number,
  cy: number,
  width: number,
  pointsLeft: boolean,
): void {
  const [half, tip] = [width / 2, 9];
  const flip = pointsLeft ? -1 : 1;
  context.beginPath();
  context.moveTo(cx - flip * half, cy - 11);
  context.lineTo(cx + flip * (half - tip), cy - 11);
  context.lineTo(cx + flip * half, cy);
  context.lineTo(cx + flip * (half - tip), cy + 11);
  context.lineTo(cx - flip * half, cy + 11);
  context.closePath();
  context.fill();
}

/** The number in its run of the first pixel of each strand and of the last of each run; more of them where there is room. */
export function drawNumbers(frame: Frame, camera: Camera, mirror: 1 | -1): void {
  const { context, scene, x, y, palette, size, dotPx, spacingPx } = frame;
  context.font = `12px ${MONO}`;
  context.textBaseline = 'middle';
  context.textAlign = 'center';
  const labelled = new Set<number>();
  /** Writes a pixel's number beyond the end of its strand or beside it, wherever it covers neither pixel nor label. */
  const label = (pixel: number, beyond: -1 | 1 | null) => {
    if (x[pixel]! < -20 || x[pixel]! > size.widthPx + 20 || y[pixel]! < -20 || y[pixel]! > size.heightPx + 20)
      return;
    if (labelled.has(pixel)) return;
    const run = runOf(scene, pixel);
    const text = String(pixel - itemAt(scene.runs, run).firstPixel + 1);
    const half = context.measureText(text).width / 2 + 3;
    const [ux, uy] = directionAt(frame, pixel, beyond === 1 ? -1 : 1);
    // Wide labels keep further off sideways than up and down.
    const offset = (wayX: number, wayY: number) => {
      const distance = dotPx + 13 + Math.abs(wayX) * (half - 5);
      return [x[pixel]! + wayX * distance, y[pixel]! + wayY * distance] as const;
    };
    const places = [
      ...(beyond === null ? [] : [offset(beyond * ux, beyond * uy)]),
      offset(-uy, ux),
      offset(uy, -ux),
    ];
    const place = places.find(
      ([cx, cy]) =>
        isFree(frame, camera, mirror, cx, cy, half, 7) &&
        frame.taken.take(cx - half, cy - 7, cx + half, cy + 7),
    );
    if (!place) return;
    const [cx, cy] = place;
    labelled.add(pixel);
    context.fillStyle = palette.ground;
    context.globalAlpha = 0.75;
    context.fillRect(cx - half, cy - 7, 2 * half, 14);
    context.globalAlpha = alphaOfRun(frame, run);
    context.fillStyle = palette.text;
    context.fillText(text, cx, cy + 1);
    context.globalAlpha = 1;
  };
  for (const run of scene.runs) {
    label(run.firstPixel + run.pixelCount - 1, 1);
    label(run.firstPixel, -1);
  }
  if (dotPx < LEGIBLE_FROM_PX) return;
  for (const { firstPixel } of scene.strands) label(firstPixel, -1);
  // Far apart, every fifth, tenth or so pixel has room for its number as well.
  const every = [1, 2, 5, 10, 25, 50, 100].find((step) => step * spacingPx > 60);
  if (every === undefined) return;
  for (const run of scene.runs)
    for (let n = every; n <= run.pixelCount; n += every) label(run.firstPixel + n - 1, null);
}

/** Whether a box around a place on screen covers no pixel. */
function isFree(
  { scene, size, dotPx }: Frame,
  camera: Camera,
  mirror: 1 | -1,
  x: number,
  y: number,
  halfWidth: number,
  halfHeight: number,
): boolean {
  const radiusMm = (halfHeight + dotPx * 0.6) / camera.pxPerMm;
  const reach = Math.max(0, halfWidth - halfHeight);
  const steps = Math.ceil(reach / halfHeight);
  for (let step = -steps; step <= steps; step += 1) {
    const at = toMm(camera, size, x + (steps === 0 ? 0 : (step / steps) * reach), y);
    if (scene.nearest?.find(mirror * at.xMm, at.yMm, radiusMm) !== -1) return false;
  }
  return true;
}
