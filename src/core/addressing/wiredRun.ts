import type { NewUniverse, Packing } from '../catalogue/packing';

/** A run behind a port, as far as addresses are concerned. */
export interface WiredRun {
  /** Index of the run in the plan. */
  run: number;
  port: number;
  pixels: number;
  channelsPerPixel: number;
  packing: Packing;
  newUniverse: NewUniverse;
  /** Pixels that share one start address and stay in one universe; 1 where each may go where it fits. */
  fixturePixels: number;
  /** Pixels of each strand, for universes that begin with strands. */
  strandPixels: readonly number[];
  /** Skipped pixels before it that take channels. */
  skippedWithChannels: number;
  /** Channels kept free after it. */
  spareChannels: number;
  /** The address that it keeps, whatever happens around it. */
  pin: { universe: number; channel: number } | null;
}

export interface WiredController {
  /** Index of the controller in the show. */
  controller: number;
  usesUniverses: boolean;
  firstUniverse: number | null;
  /** In the order of the channels. */
  runs: readonly WiredRun[];
}
