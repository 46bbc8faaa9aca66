import { TRUE_LENGTHS, type RulerWarp } from './rulerWarp';

/** The part of the channels that a ruler shows: from a first place on, so many units a screen pixel. */
export interface RulerScale {
  /** In the units of the warp; may lie between two channels. */
  first: number;
  unitsPerPx: number;
  warp: RulerWarp;
}

/** All channels from 1 to the last one. */
export function wholeScale(lastChannel: number, widthPx: number, warp = TRUE_LENGTHS): RulerScale {
  const units = warp.unitOf(lastChannel + 1) - warp.unitOf(1);
  return { first: warp.unitOf(1), unitsPerPx: Math.max(units, 1) / Math.max(widthPx, 1), warp };
}

export function channelAt(scale: RulerScale, xPx: number): number {
  return Math.floor(scale.warp.channelOf(scale.first + xPx * scale.unitsPerPx));
}

export function xOf(scale: RulerScale, channel: number): number {
  return (scale.warp.unitOf(channel) - scale.first) / scale.unitsPerPx;
}

/** Width of one channel, which depends on where it is. */
export function channelPx(scale: RulerScale, channel: number): number {
  return xOf(scale, channel + 1) - xOf(scale, channel);
}

/** Keeps a scale inside the channels there are; it never shows less than some few of them. */
export function clampScale(scale: RulerScale, lastChannel: number, widthPx: number): RulerScale {
  const whole = wholeScale(lastChannel, widthPx, scale.warp);
  const unitsPerPx = Math.min(Math.max(scale.unitsPerPx, 12 / Math.max(widthPx, 1)), whole.unitsPerPx);
  const most = scale.warp.unitOf(lastChannel + 1) - widthPx * unitsPerPx;
  return {
    ...scale,
    unitsPerPx,
    first: Math.min(Math.max(scale.first, whole.first), Math.max(most, whole.first)),
  };
}

/** Zooms by a factor and keeps the channel under the pointer where it is. */
export function zoomScale(scale: RulerScale, xPx: number, factor: number): RulerScale {
  const unitsPerPx = scale.unitsPerPx / factor;
  return { ...scale, unitsPerPx, first: scale.first + xPx * (scale.unitsPerPx - unitsPerPx) };
}

/** Moves so that a stretch of channels is seen, without changing the zoom; as little as possible. */
export function reveal(scale: RulerScale, from: number, to: number, widthPx: number): RulerScale {
  const span = widthPx * scale.unitsPerPx;
  const [first, end] = [scale.warp.unitOf(from), scale.warp.unitOf(to + 1)];
  if (first < scale.first || end - first > span) return { ...scale, first: first - span * 0.1 };
  if (end > scale.first + span) return { ...scale, first: end - span * 0.9 };
  return scale;
}
