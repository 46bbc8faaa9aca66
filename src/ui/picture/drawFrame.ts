import { itemAt } from '@/core/units/there';
import type { Size } from './camera';
import type { Palette } from './palette';
import type { Scene } from './scene';

export interface Marks {
  /** Pixels of the scene; -1 for none. */
  selected: number;
  hovered: number;
  /** The run that is selected, or -1; the others step back. */
  run: number;
}

/** Lines, chevrons and jumpers are left out while dots are smaller than this. */
export const LEGIBLE_FROM_PX = 1.1;
export const MONO = "'Atkinson Hyperlegible Mono Variable', monospace";

/** A scene on its way to the screen: all that its parts are drawn with. */
export interface Frame {
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
export class TakenPlaces {
  private readonly boxes: [number, number, number, number][] = [];

  take(left: number, top: number, right: number, bottom: number): boolean {
    for (const box of this.boxes)
      if (left < box[2] && right > box[0] && top < box[3] && bottom > box[1]) return false;
    this.boxes.push([left, top, right, bottom]);
    return true;
  }
}

export function colourOfRun({ palette }: Frame, run: number): string {
  return itemAt(palette.runs, run % palette.runs.length);
}

export function alphaOfRun({ marks }: Frame, run: number): number {
  return marks.run === -1 || marks.run === run ? 1 : 0.35;
}

/** The direction of the data at a pixel, on screen: towards the next one of its strand (`1`), or from the one before. */
export function directionAt({ scene, x, y }: Frame, pixel: number, towards: 1 | -1): [number, number] {
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

/** Index in the scene of the run that holds a pixel. */
export function runOf(scene: Scene, pixel: number): number {
  let run = 0;
  while (run + 1 < scene.runs.length && itemAt(scene.runs, run + 1).firstPixel <= pixel) run += 1;
  return run;
}
