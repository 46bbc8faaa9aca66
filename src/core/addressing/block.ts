/** Consecutive channels of one run inside one universe, or a whole run in the flat space of a DDP controller. */
export interface Block {
  controller: number;
  run: number;
  /** Null in a flat space. */
  universe: number | null;
  /** Slot in the universe, or byte in the flat space, counted from 0. */
  slot: number;
  channels: number;
  /** Channel of the run at which the block starts; below zero in the skipped pixels before the run. */
  runChannel: number;
}

/** Channels that the show sends as one piece: a universe, or the flat space of a DDP controller. */
export interface ChannelSpace {
  universe: number | null;
  /** The controller that first uses it. */
  controller: number;
  /** Channels that it takes in the count over the whole show. */
  channels: number;
}
