import { boundsOf, type Bounds } from '@/core/geometry/bounds';
import { portName } from '@/core/catalogue/controller';
import type { Plan } from '@/core/plan/planned';
import type { Seam } from '@/core/props/kind';
import { kindOf, threadProp } from '@/core/props/registry';
import { NearestPoint } from './nearest';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, controllerAt } from '@/core/plan/records';

interface SceneRun {
  number: number;
  /** Counted from the first pixel of the prop, as everything in a scene. */
  firstPixel: number;
  pixelCount: number;
  /** Text on the tab where data enters: the port, or the run where it is on none. */
  tab: string;
  /** Points of the data line at which it begins, bends and ends; `starts` after a jumper. */
  corners: readonly { pixel: number; starts: boolean }[];
}

/** One prop as it is drawn. Positions are front view; a drawing from the back mirrors them. */
export interface Scene {
  propId: string;
  firstPixelOfProp: number;
  pixelCount: number;
  xMm: Float32Array;
  yMm: Float32Array;
  /** Strand of each pixel, which decides its shade. */
  strand: Uint32Array;
  strands: readonly { firstPixel: number; pixelCount: number }[];
  runs: readonly SceneRun[];
  jumpers: readonly { fromPixel: number; toPixel: number }[];
  /** On the wire but not seen. */
  hiddenPixels: ArrayLike<number>;
  /** Seams for storage. */
  seams: readonly Seam[];
  /** Strands follow one another without a jumper. */
  joined: boolean;
  bounds: Bounds | null;
  /** Distance between neighbours on a strand, as most of them have it. */
  spacingMm: number;
  nearest: NearestPoint | null;
}

/** @param drawing `unrolled` lays strands flat beside one another, for kinds whose true view hides some of them */
export function sceneOf(plan: Plan, index: number, drawing: 'true' | 'unrolled' = 'true'): Scene {
  const prop = plannedAt(plan, index);
  const { id, kind, shape, threading } = propAt(plan, index);
  const isJoined = (from: number, to: number) => kindOf({ kind }).isJoined(shape, from, to);
  const end = prop.firstPixel + prop.pixelCount;
  const flat =
    drawing === 'unrolled' && kindOf({ kind }).unrolled
      ? threadProp({ kind, shape, threading }, 'unrolled')
      : null;
  const xMm = flat ? flat.xMm : plan.pixels.xMm.subarray(prop.firstPixel, end);
  const yMm = flat ? flat.yMm : plan.pixels.yMm.subarray(prop.firstPixel, end);
  const bounds = boundsOf(xMm, yMm);
  const jumpersTo = new Set(prop.jumpers.map((jumper) => jumper.toPixel));
  return {
    propId: id,
    firstPixelOfProp: prop.firstPixel,
    pixelCount: prop.pixelCount,
    xMm,
    yMm,
    strand: plan.pixels.strand.subarray(prop.firstPixel, end),
    strands: prop.strands,
    runs: plan.runs.slice(prop.firstRun, prop.firstRun + prop.runCount).map((run) => ({
      number: run.number,
      firstPixel: run.firstPixel - prop.firstPixel,
      pixelCount: run.pixelCount,
      corners: cornersOf(xMm, yMm, run.firstPixel - prop.firstPixel, run.pixelCount, jumpersTo),
      tab: run.wire ? portName(controllerAt(plan, run.wire.controller), run.wire.port) : `run ${run.number}`,
    })),
    jumpers: prop.jumpers,
    hiddenPixels: prop.hiddenPixels,
    seams: kindOf({ kind }).seams?.(shape) ?? [],
    joined: prop.strands.every(
      (strand, i) => i === 0 || isJoined(itemAt(prop.strands, i - 1).number, strand.number),
    ),
    bounds,
    spacingMm: typicalSpacingMm(xMm, yMm),
    nearest: bounds && new NearestPoint(xMm, yMm, bounds),
  };
}

/** The middle one of up to a thousand distances between pixels that follow one another. */
function typicalSpacingMm(xMm: Float32Array, yMm: Float32Array): number {
  const step = Math.max(1, Math.floor(xMm.length / 1000));
  const distances: number[] = [];
  for (let i = 1; i < xMm.length; i += step)
    distances.push(Math.hypot(xMm[i]! - xMm[i - 1]!, yMm[i]! - yMm[i - 1]!));
  distances.sort((a, b) => a - b);
  return distances[distances.length >> 1] || 50;
}

/** A line through pixels keeps only those at which it turns by more than a hair, or starts anew. */
function cornersOf(
  xMm: Float32Array,
  yMm: Float32Array,
  first: number,
  count: number,
  jumpersTo: ReadonlySet<number>,
): { pixel: number; starts: boolean }[] {
  const corners: { pixel: number; starts: boolean }[] = [];
  for (let pixel = first; pixel < first + count; pixel += 1) {
    const starts = pixel === first || jumpersTo.has(pixel);
    const ends = pixel === first + count - 1 || jumpersTo.has(pixel + 1);
    if (starts || ends || turnsAt(xMm, yMm, pixel)) corners.push({ pixel, starts });
  }
  return corners;
}

function turnsAt(xMm: Float32Array, yMm: Float32Array, pixel: number): boolean {
  const [inX, inY] = [xMm[pixel]! - xMm[pixel - 1]!, yMm[pixel]! - yMm[pixel - 1]!];
  const [outX, outY] = [xMm[pixel + 1]! - xMm[pixel]!, yMm[pixel + 1]! - yMm[pixel]!];
  const straight = inX * outX + inY * outY;
  const aside = Math.abs(inX * outY - inY * outX);
  return straight <= 0 || aside > 0.01 * straight;
}
