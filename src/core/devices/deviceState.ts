/** A device as it is set: as planned, and what is otherwise. */
export interface DeviceState {
  /** Index in the show. */
  controller: number;
  isPowered: boolean;
  /** Packets reach it: cable, address and protocol are right. */
  isReached: boolean;
  isOutputEnabled: boolean;
  /** Channels that it counts in each universe; null as planned. */
  universeChannels: number | null;
  /** Universes that it listens to, from its first one on; null for all that it is sent. */
  universeCount: number | null;
  universeShift: number;
  channelShift: number;
  /** Share left of each byte, 0 to 1. */
  brightness: number;
  /** Shares of red, green, blue and white. */
  gains: readonly [number, number, number, number];
  /** It shows a test of its own, whatever comes in. */
  ownTest: OwnTest | null;
  /** Another sender sends it this colour at the same time. */
  rival: OwnTest['colour'] | null;
  /** So many pictures a second get through to it; null where all do. */
  holdHz: number | null;
  /** It dims what it takes to draw more than this. */
  limiter: { amps: number; pixelMa: number } | null;
  /** Settings that change once its power was cut. */
  afterCut: Partial<Omit<DeviceState, 'controller' | 'afterCut'>>;
  ports: readonly PortState[];
}

/** Tests that devices have in themselves: a fill of every pixel that they count. */
export interface OwnTest {
  colour: readonly [red: number, green: number, blue: number, white: number];
}

/** A stretch of a port that one run is on, or a part of it. */
export interface Segment {
  /** Index of the run in the plan. */
  run: number;
  /** Number of its first pixel in the run, from 0. */
  firstPixel: number;
  /** Dark pixels that the device puts before it by itself. */
  hidden: number;
  pixels: number;
  colourOrder: string;
}

export const DIRECTIONS = ['forward', 'reversed'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** Everything that a device is told by one row of its table of ports. */
export interface RowState {
  segments: readonly Segment[];
  /** Pixels that the device is told in all; null as planned. */
  pixels: number | null;
  direction: Direction;
  /** Start of everything on it, by the count of the show; null where each run begins as planned. */
  start: { universe: number | null; channel: number } | null;
}

/** A port with its first row, which is the only one on most devices. */
export interface PortState extends RowState {
  port: number;
  isEnabled: boolean;
  /** Rows that are told apart, behind the first on the wire. */
  moreRows: readonly RowState[];
  /** So many of the first lights take other messages on the pin for theirs. */
  chatter: number;
}
