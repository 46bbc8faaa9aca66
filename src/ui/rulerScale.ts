/** The part of the channels that a ruler shows: from a first channel on, so many a screen pixel. */
export interface RulerScale {
  /** May lie between two channels. */
  first: number;
  channelsPerPx: number;
}

/** All channels from 1 to the last one. */
export function wholeScale(lastChannel: number, widthPx: number): RulerScale {
  return { first: 1, channelsPerPx: Math.max(lastChannel, 1) / Math.max(widthPx, 1) };
}

export function channelAt(scale: RulerScale, xPx: number): number {
  return Math.floor(scale.first + xPx * scale.channelsPerPx);
}

export function xOf(scale: RulerScale, channel: number): number {
  return (channel - scale.first) / scale.channelsPerPx;
}

/** Keeps a scale inside the channels there are; it never shows less than some few of them. */
export function clampScale(scale: RulerScale, lastChannel: number, widthPx: number): RulerScale {
  const whole = wholeScale(lastChannel, widthPx);
  const channelsPerPx = Math.min(
    Math.max(scale.channelsPerPx, 12 / Math.max(widthPx, 1)),
    whole.channelsPerPx,
  );
  const most = lastChannel + 1 - widthPx * channelsPerPx;
  return { channelsPerPx, first: Math.min(Math.max(scale.first, 1), Math.max(most, 1)) };
}

/** Zooms by a factor and keeps the channel under the pointer where it is. */
export function zoomScale(scale: RulerScale, xPx: number, factor: number): RulerScale {
  const channelsPerPx = scale.channelsPerPx / factor;
  return { channelsPerPx, first: scale.first + xPx * (scale.channelsPerPx - channelsPerPx) };
}

/** Moves so that a stretch of channels is seen, without changing the zoom; as little as possible. */
export function reveal(scale: RulerScale, from: number, to: number, widthPx: number): RulerScale {
  const span = widthPx * scale.channelsPerPx;
  if (from < scale.first || to - from + 1 > span) return { ...scale, first: from - span * 0.1 };
  if (to + 1 > scale.first + span) return { ...scale, first: to + 1 - span * 0.9 };
  return scale;
}
