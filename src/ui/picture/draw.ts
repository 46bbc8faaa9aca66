import { formatLength, type Lengths } from '@/core/units/length';
import { scaleBarMm, toScreenX, toScreenY, type Camera, type Size } from './camera';
import { DotImage } from './dots';
import { drawFeeding, drawLight, type Lit } from './drawLit';
import {
  LEGIBLE_FROM_PX,
  MONO,
  TakenPlaces,
  alphaOfRun,
  colourOfRun,
  directionAt,
  runOf,
  type Frame,
  type Marks,
} from './drawFrame';
import { drawEnds, drawNumbers } from './drawLabels';
import { rgbOf, type Palette } from './palette';
import type { Scene } from './scene';

/** Parts of a picture besides its pixels. */
export interface Layers {
  numbers: boolean;
  jumpers: boolean;
  ports: boolean;
  chevrons: boolean;
  /** A bar with its length, as the show writes it. */
  scaleBar: { lengths: Lengths } | false;
}

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
