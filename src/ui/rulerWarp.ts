import { itemAt } from '@/core/units/there';
/** From show channels to places along the ruler and back; both rise. */
export interface RulerWarp {
  unitOf: (channel: number) => number;
  channelOf: (unit: number) => number;
}

/** Every channel as long as any other. */
export const TRUE_LENGTHS: RulerWarp = { unitOf: (channel) => channel, channelOf: (unit) => unit };

/** A stretch up to this long, a little more than a universe, keeps its length. */
const KEPT_CHANNELS = 600;

/** Length that a stretch is given: its own up to the limit, then one limit more for each doubling. */
function drawnLength(channels: number): number {
  return channels <= KEPT_CHANNELS ? channels : KEPT_CHANNELS * (1 + Math.log2(channels / KEPT_CHANNELS));
}

/** Whether a stretch of so many channels is drawn shorter than it is. */
export function isShortened(channels: number): boolean {
  return channels > KEPT_CHANNELS;
}

/**
 * Draws long stretches shorter, so that a string of fifty beside a wall can be seen. Within a stretch the channels are
 * evenly spaced.
 *
 * @param starts the first channel of each stretch, rising; a gap is a stretch as well
 * @param end one channel behind the last
 */
export function shortened(starts: readonly number[], end: number): RulerWarp {
  const channels = [1, ...starts.filter((start) => start > 1 && start < end), end].filter(
    (channel, i, all) => i === 0 || channel > itemAt(all, i - 1),
  );
  const units = [1];
  for (let i = 1; i < channels.length; i += 1)
    units.push(itemAt(units, i - 1) + drawnLength(itemAt(channels, i) - itemAt(channels, i - 1)));
  const between = (from: readonly number[], to: readonly number[]) => (value: number) => {
    const last = from.length - 1;
    if (last === 0 || value <= itemAt(from, 0)) return itemAt(to, 0) + (value - itemAt(from, 0));
    if (value >= itemAt(from, last)) return itemAt(to, last) + (value - itemAt(from, last));
    let [low, high] = [0, last];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (itemAt(from, middle) <= value) low = middle;
      else high = middle;
    }
    const part = (value - itemAt(from, low)) / (itemAt(from, high) - itemAt(from, low));
    return itemAt(to, low) + part * (itemAt(to, high) - itemAt(to, low));
  };
  return { unitOf: between(channels, units), channelOf: between(units, channels) };
}
