import type { Bounds } from '@/core/geometry/bounds';

/** The visible part of a flat picture, and its scale. Millimetres have y up; screen pixels have y down. */
export interface Camera {
  /** The point in the middle of the screen. */
  xMm: number;
  yMm: number;
  /** Screen pixels per millimetre. */
  pxPerMm: number;
}

export interface Size {
  widthPx: number;
  heightPx: number;
}

/** Shows all of a rectangle with a margin around it. */
export function fit(bounds: Bounds, { widthPx, heightPx }: Size, marginPx: number): Camera {
  // A single point or a straight line has no width or no height; a spacing of some centimetres stands in for it.
  const widthMm = Math.max(bounds.rightMm - bounds.leftMm, 50);
  const heightMm = Math.max(bounds.topMm - bounds.bottomMm, 50);
  return {
    xMm: (bounds.leftMm + bounds.rightMm) / 2,
    yMm: (bounds.bottomMm + bounds.topMm) / 2,
    pxPerMm: Math.min(
      Math.max(widthPx - 2 * marginPx, 20) / widthMm,
      Math.max(heightPx - 2 * marginPx, 20) / heightMm,
    ),
  };
}

export function toScreenX(camera: Camera, { widthPx }: Size, xMm: number): number {
  return widthPx / 2 + (xMm - camera.xMm) * camera.pxPerMm;
}

export function toScreenY(camera: Camera, { heightPx }: Size, yMm: number): number {
  return heightPx / 2 - (yMm - camera.yMm) * camera.pxPerMm;
}

export function toMm(camera: Camera, size: Size, xPx: number, yPx: number): { xMm: number; yMm: number } {
  return {
    xMm: camera.xMm + (xPx - size.widthPx / 2) / camera.pxPerMm,
    yMm: camera.yMm - (yPx - size.heightPx / 2) / camera.pxPerMm,
  };
}

/** Zooms by a factor and keeps the point under the pointer where it is. */
export function zoomAt(camera: Camera, size: Size, xPx: number, yPx: number, factor: number): Camera {
  const at = toMm(camera, size, xPx, yPx);
  const pxPerMm = Math.min(Math.max(camera.pxPerMm * factor, 1e-5), 50);
  const real = camera.pxPerMm / pxPerMm;
  return {
    xMm: at.xMm - (at.xMm - camera.xMm) * real,
    yMm: at.yMm - (at.yMm - camera.yMm) * real,
    pxPerMm,
  };
}

export function panBy(camera: Camera, dxPx: number, dyPx: number): Camera {
  return { ...camera, xMm: camera.xMm - dxPx / camera.pxPerMm, yMm: camera.yMm + dyPx / camera.pxPerMm };
}

/** The camera on the other side: it looks at the same place, which is mirrored now. */
export function mirrored(camera: Camera): Camera {
  return { ...camera, xMm: -camera.xMm };
}

/** A round length that takes up at most `mostPx` on screen: 1, 2 or 5 times a power of ten. */
export function scaleBarMm(camera: Camera, mostPx: number): number {
  const most = mostPx / camera.pxPerMm;
  const power = 10 ** Math.floor(Math.log10(most));
  return ([5, 2, 1].find((step) => step * power <= most) ?? 1) * power;
}
