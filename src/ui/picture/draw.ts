import { formatLength, type Lengths } from '@/core/units/length';
import { scaleBarMm, toMm, toScreenX, toScreenY, type Camera, type Size } from './camera';
import { DotImage } from './dots';
import { drawFeeding, drawLight, type Lit } from './drawLit';
import { rgbOf, type Palette } from './palette';
import type { Scene } from './scene';
import { itemAt } from '@/core/units/there';

/** Parts of a picture besides its pixels. */
export interface Layers {
  numbers: boolean;
  jumpers: boolean;
  ports: boolean;
  chevrons: boolean;
  /** A bar with its length, as the show writes it. */
  scaleBar: { lengths: Lengths } | false;
}

export interface Marks {
  /** Pixels of the scene; -1 for none. */
  selected: number;
  hovered: number;
  /** The run that is selected, or -1; the others step back. */
  run: number;
}

/** Lines, chevrons and jumpers are left out while dots are smaller than this. */
const LEGIBLE_FROM_PX = 1.1;
const MONO = "'Atkinson Hyperlegible Mono Variable', monospace";

// Screen positions, kept from frame to frame: while panning, a frame allocates nothing for its pixels.
let scratchX = new Float32Array(0);
let scratchY = new Float32Array(0);

/** Draws a scene into a canvas whose context is scaled to CSS pixels. `mirror` is -1 seen from the back, 1 from the front. */
export function drawScene(
  context: CanvasRenderingContext2D,
  scene: Scene,
  camera: Camera,
  size: Size,
  mirror: 1 | -1,
  layers: Layers,
  marks: Marks,
  palette: Palette,
  lit: Lit | null = null,
): void {
  const count = scene.pixelCount;
  if (scratchX.length < count) {
    scratchX = new Float32Array(count);
    scratchY = new Float32Array(count);
  }
  const [x, y] = [scratchX, scratchY];
  for (let i = 0; i < count; i += 1) {
    x[i] = toScreenX(camera, size, mirror * scene.xMm[i]!);
    y[i] = toScreenY(camera, size, scene.yMm[i]!);
  }
  const spacingPx = scene.spacingMm * camera.pxPerMm;
  // A line of dots may run together into one thick line; a grid of them must stay a grid.
  const dotPx = Math.min(Math.max(spacingPx * 0.3, scene.joined ? 1.8 : 0.5), 9);
  const frame = { context, scene, x, y, size, palette, marks, dotPx, spacingPx, taken: new TakenPlaces() };

  const legible = dotPx >= LEGIBLE_FROM_PX;
  if (lit) drawLight(frame, dots, lit);
  else drawDots(frame);
  if (legible && !lit) {
    // The dots come first, since they replace what is on the canvas; lines go behind them.
    context.globalCompositeOperation = 'destination-over';
    drawDataLines(frame);
    drawSeams(frame, camera, mirror);
    if (layers.jumpers) drawJumpers(frame);
    context.globalCompositeOperation = 'source-over';
    if (layers.chevrons) drawChevrons(frame);
  }
  if (legible) drawHidden(frame);
  if (layers.ports) drawEnds(frame, camera, mirror);
  if (lit) drawFeeding(frame, lit);
  drawMarks(frame);
  if (layers.numbers) drawNumbers(frame, camera, mirror);
  if (layers.scaleBar) drawScaleBar(frame, camera, layers.scaleBar.lengths);
}

interface Frame {
  context: CanvasRenderingContext2D;
  scene: Scene;
  /** Screen positions of the pixels. */
  x: Float32Array;
  y: Float32Array;
  size: Size;
  palette: Palette;
  marks: Marks;
  /** Radius of a dot. */
  dotPx: number;
  spacingPx: number;
  taken: TakenPlaces;
}

/** Keeps labels apart: the first to come has the place. */
class TakenPlaces {
  private readonly boxes: [number, number, number, number][] = [];

  take(left: number, top: number, right: number, bottom: number): boolean {
    for (const box of this.boxes)
      if (left < box[2] && right > box[0] && top < box[3] && bottom > box[1]) return false;
    this.boxes.push([left, top, right, bottom]);
    return true;
  }
}

function colourOfRun({ palette }: Frame, run: number): string {
  return itemAt(palette.runs, run % palette.runs.length);
}

function alphaOfRun({ marks }: Frame, run: number): number {
  return marks.run === -1 || marks.run === run ? 1 : 0.35;
}

/** The path of data, thin behind the dots: straight from corner to corner. */
function drawDataLines(frame: Frame): void {
  const { context, scene, x, y, dotPx } = frame;
  context.lineWidth = Math.max(1, dotPx * 0.35);
  context.setLineDash([]);
  scene.runs.forEach((run, index) => {
    context.strokeStyle = colourOfRun(frame, index);
    context.globalAlpha = 0.35 * alphaOfRun(frame, index);
    context.beginPath();
    for (const { pixel, starts } of run.corners) {
      if (starts) context.moveTo(x[pixel]!, y[pixel]!);
      else context.lineTo(x[pixel]!, y[pixel]!);
    }
    context.stroke();
  });
  context.globalAlpha = 1;
}

/** Seams for storage: long dashes across the whole prop. */
function drawSeams({ context, scene, size, palette }: Frame, camera: Camera, mirror: 1 | -1): void {
  if (scene.seams.length === 0 || !scene.bounds) return;
  const beyond = Math.max(scene.spacingMm, 12 / camera.pxPerMm);
  const { leftMm, rightMm, bottomMm, topMm } = scene.bounds;
  context.strokeStyle = palette.textDim;
  context.lineWidth = 1.5;
  context.setLineDash([12, 5]);
  context.beginPath();
  for (const seam of scene.seams) {
    const [fromX, fromY, toX, toY] =
      'xMm' in seam
        ? [seam.xMm, bottomMm - beyond, seam.xMm, topMm + beyond]
        : [leftMm - beyond, seam.yMm, rightMm + beyond, seam.yMm];
    context.moveTo(toScreenX(camera, size, mirror * fromX), toScreenY(camera, size, fromY));
    context.lineTo(toScreenX(camera, size, mirror * toX), toScreenY(camera, size, toY));
  }
  context.stroke();
  context.setLineDash([]);
}

/** Pixels that are on the wire but not seen are hollow. */
function drawHidden({ context, scene, x, y, palette, dotPx }: Frame): void {
  context.fillStyle = palette.ground;
  context.beginPath();
  for (let i = 0; i < scene.hiddenPixels.length; i += 1) {
    const pixel = scene.hiddenPixels[i]!;
    context.moveTo(x[pixel]! + dotPx * 0.6, y[pixel]!);
    context.arc(x[pixel]!, y[pixel]!, dotPx * 0.6, 0, 2 * Math.PI);
  }
  context.fill();
}

function drawJumpers(frame: Frame): void {
  const { context, scene, x, y } = frame;
  context.lineWidth = 1.4;
  context.setLineDash([4, 3]);
  scene.jumpers.forEach(({ fromPixel, toPixel }) => {
    const length = Math.hypot(x[toPixel]! - x[fromPixel]!, y[toPixel]! - y[fromPixel]!);
    if (length < 4) return;
    const run = runOf(scene, fromPixel);
    context.strokeStyle = colourOfRun(frame, run);
    context.globalAlpha = alphaOfRun(frame, run);
    // The loop leaves its strand the way the data went, so that it reads as a wire outside the pixels.
    const [ux, uy] = directionAt(frame, fromPixel, -1);
    const [vx, vy] = directionAt(frame, toPixel, 1);
    const reach = Math.min(26, 8 + length * 0.25);
    context.beginPath();
    context.moveTo(x[fromPixel]!, y[fromPixel]!);
    context.bezierCurveTo(
      x[fromPixel]! + ux * reach,
      y[fromPixel]! + uy * reach,
      x[toPixel]! - vx * reach,
      y[toPixel]! - vy * reach,
      x[toPixel]!,
      y[toPixel]!,
    );
    context.stroke();
  });
  context.setLineDash([]);
  context.globalAlpha = 1;
}

const dots = new DotImage();

/** All pixels, each strand a shade lighter or darker than the one before. Replaces what is on the canvas. */
function drawDots(frame: Frame): void {
  const { context, scene, x, y, size, dotPx } = frame;
  const { width, height } = context.canvas;
  const ratio = width / size.widthPx;
  dots.begin(context, width, height);
  scene.runs.forEach((run, index) => {
    const [red, green, blue] = rgbOf(colourOfRun(frame, index));
    const colour = (blue << 16) | (green << 8) | red;
    const bright = Math.round(255 * alphaOfRun(frame, index));
    const dim = Math.round(bright * 0.62);
    const end = run.firstPixel + run.pixelCount;
    for (let i = run.firstPixel; i < end; i += 1)
      dots.dot(
        x[i]! * ratio,
        y[i]! * ratio,
        dotPx * ratio,
        colour,
        scene.strand[i]! % 2 === 0 ? bright : dim,
      );
  });
  dots.end(context);
}

/** One chevron a strand, in its middle, in the direction of the data. */
function drawChevrons(frame: Frame): void {
  const { context, scene, x, y, palette, dotPx, spacingPx } = frame;
  const arm = Math.min(7, Math.max(4, dotPx * 0.9));
  const taken = new TakenPlaces();
  context.strokeStyle = palette.text;
  context.lineWidth = 1.8;
  context.lineJoin = 'round';
  context.beginPath();
  scene.strands.forEach(({ firstPixel, pixelCount }, index) => {
    if (pixelCount < 3) return;
    const last = firstPixel + pixelCount - 1;
    if ((pixelCount - 1) * spacingPx < 40) return;
    // Neighbours take turns a little before and after the middle, so that their chevrons do not touch.
    const at = firstPixel + Math.floor(pixelCount * (index % 2 === 0 ? 0.44 : 0.56));
    const [ux, uy] = directionAt(frame, at, 1);
    const [cx, cy] = [(x[at]! + x[Math.min(at + 1, last)]!) / 2, (y[at]! + y[Math.min(at + 1, last)]!) / 2];
    // In a dense grid only some strands have one: side by side they would read as a zigzag.
    if (!taken.take(cx - 2 * arm - 4, cy - 2 * arm - 4, cx + 2 * arm + 4, cy + 2 * arm + 4)) return;
    context.moveTo(cx - (ux + uy) * arm, cy - (uy - ux) * arm);
    context.lineTo(cx, cy);
    context.lineTo(cx - (ux - uy) * arm, cy - (uy + ux) * arm);
  });
  context.stroke();
}

/** A tab with the port's name where data enters a run, an open ring where it leaves. */
function drawEnds(frame: Frame, camera: Camera, mirror: 1 | -1): void {
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

function drawMarks({ context, x, y, marks, palette, dotPx }: Frame): void {
  const ring = (pixel: number, colour: string, width: number) => {
    if (pixel < 0) return;
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.beginPath();
    context.arc(x[pixel]!, y[pixel]!, Math.max(dotPx, 3) + 5, 0, 2 * Math.PI);
    context.stroke();
  };
  if (marks.hovered !== marks.selected) ring(marks.hovered, palette.text, 1.5);
  ring(marks.selected, palette.lamp, 2.5);
}

/** The number in its run of the first pixel of each strand and of the last of each run; more of them where there is room. */
function drawNumbers(frame: Frame, camera: Camera, mirror: 1 | -1): void {
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

function drawScaleBar({ context, size, palette }: Frame, camera: Camera, lengths: Lengths): void {
  const lengthMm = scaleBarMm(camera, 120);
  const width = lengthMm * camera.pxPerMm;
  const [right, bottom] = [size.widthPx - 18, size.heightPx - 16];
  context.strokeStyle = palette.textDim;
  context.fillStyle = palette.textDim;
  context.lineWidth = 1.5;
  context.beginPath();
  context.moveTo(right - width, bottom - 5);
  context.lineTo(right - width, bottom);
  context.lineTo(right, bottom);
  context.lineTo(right, bottom - 5);
  context.stroke();
  context.font = `12px ${MONO}`;
  context.textAlign = 'right';
  context.textBaseline = 'bottom';
  context.fillText(formatLength(lengthMm, lengths), right, bottom - 8);
}

function runOf(scene: Scene, pixel: number): number {
  let run = 0;
  while (run + 1 < scene.runs.length && itemAt(scene.runs, run + 1).firstPixel <= pixel) run += 1;
  return run;
}

/** The direction of the data at a pixel, on screen: towards the next one of its strand (`1`), or from the one before. */
function directionAt({ scene, x, y }: Frame, pixel: number, towards: 1 | -1): [number, number] {
  const sameStrand = (other: number) =>
    other >= 0 && other < scene.pixelCount && scene.strand[other] === scene.strand[pixel];
  const [from, to] =
    towards === 1
      ? sameStrand(pixel + 1)
        ? [pixel, pixel + 1]
        : [pixel - 1, pixel]
      : sameStrand(pixel - 1)
        ? [pixel - 1, pixel]
        : [pixel, pixel + 1];
  if (!sameStrand(from) || !sameStrand(to)) return [1, 0];
  const [dx, dy] = [x[to]! - x[from]!, y[to]! - y[from]!];
  const length = Math.hypot(dx, dy) || 1;
  return [dx / length, dy / length];
}
