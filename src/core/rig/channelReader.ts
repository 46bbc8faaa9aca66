import { UNIVERSE_SLOTS } from '../catalogue/packing';
import type { Sent } from './sending';

/** A device’s way of counting channels from universe to universe. */
export interface Counting {
  /** Channels that it counts in a universe. */
  sizeOf: (universe: number) => number;
  /** It goes on in the next universe where a pixel does not fit whole. */
  keepsPixelsWhole: boolean;
}

/** Reads channels one after another, universe by universe, as a device counts them. */
export class ChannelReader {
  constructor(
    private readonly sent: Sent,
    private readonly controller: number,
    private readonly counting: Counting,
    /** Null in a flat space. */
    private universe: number | null,
    /** From 0. */
    private channel: number,
  ) {}

  /** The channels of the next pixels; what did not come in is dark. @param width channels of each */
  take(pixels: number, width: number): Uint8Array {
    const made = new Uint8Array(pixels * width);
    let at = 0;
    while (at < made.length) {
      const left = made.length - at;
      const own = this.universe === null ? left : Math.min(left, this.roomFrom(this.universe, width));
      const bytes =
        this.universe === null ? this.sent.flat.get(this.controller) : this.sent.universes.get(this.universe);
      // A start before the first channel reads nothing there.
      const before = Math.min(own, Math.max(0, -this.channel));
      if (bytes) made.set(bytes.subarray(this.channel + before, this.channel + own), at + before);
      this.channel += own;
      at += own;
    }
    return made;
  }

  /** Channels left to read in a universe, or in the first one behind it that has some: it goes on there. */
  private roomFrom(universe: number, width: number): number {
    const { sizeOf, keepsPixelsWhole } = this.counting;
    for (let at = universe; ; at += 1) {
      this.universe = at;
      const size = keepsPixelsWhole ? UNIVERSE_SLOTS : sizeOf(at);
      const left = size - this.channel;
      const room = keepsPixelsWhole ? left - (left % width) : left;
      if (room > 0) return room;
      this.channel = Math.max(0, this.channel - size);
    }
  }
}
