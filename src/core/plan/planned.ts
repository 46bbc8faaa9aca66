import type { PlannedPort, RunOnWire } from '../patch/plug';
import type { PatchEntry, Show } from '../show/schema';
import type { Threaded } from '../threading/thread';

/** A run of a prop and where it is plugged in. Indices lead into the lists of the plan and of the show. */
export interface PlannedRun {
  /** Index of its prop in the show. */
  prop: number;
  /** From 1, as the data order of the prop counts its runs. */
  number: number;
  /** Index of its first pixel in the pixel table. */
  firstPixel: number;
  pixelCount: number;
  channelsPerPixel: number;
  /** Null while it is on no port. */
  wire: RunOnWire | null;
}

export interface PlannedProp {
  /** Index of its first pixel in the pixel table. */
  firstPixel: number;
  pixelCount: number;
  /** Index of its first run in the plan. */
  firstRun: number;
  runCount: number;
  strands: Threaded['strands'];
  /** Pixels are counted from the prop's first. */
  jumpers: Threaded['jumpers'];
  /** On the wire but not seen; counted from the prop's first pixel. */
  hiddenPixels: Threaded['hiddenPixels'];
}

/** Consecutive channels of one run in one universe (or, under DDP, in the controller's flat space). */
export interface Span {
  run: number;
  controller: number;
  universe: number | null;
  /** 1..512 in a universe; byte + 1 in a flat space. */
  startChannel: number;
  channelCount: number;
  /** From 1. */
  startShowChannel: number;
  /** Channel of the run at which the span starts, from 0; below zero in the skipped pixels before the run. */
  runChannel: number;
}

/** A universe, or a flat space, and the show channels it stands for. */
export interface PlannedSpace {
  universe: number | null;
  controller: number;
  startShowChannel: number;
  channelCount: number;
}

/** A show with every run plugged in and addressed: all of its plan but the table of single pixels. */
export interface LaidShow {
  show: Show;
  pixelCount: number;
  /** Channels that carry pixels; gaps and skipped pixels are not counted. */
  channelCount: number;
  /** The last show channel, gaps counted. */
  lastShowChannel: number;
  /** One for each prop of the show, in its order. */
  props: PlannedProp[];
  runs: PlannedRun[];
  /** Ports that hold something, by controller and number. */
  ports: PlannedPort[];
  /** In the order of the layout; within one controller by ascending universe and channel. */
  spans: Span[];
  /** In the order of show channels. */
  spaces: PlannedSpace[];
  /** Entries of the patch whose run does not exist any more. */
  staleEntries: PatchEntry[];
  /** Runs that found no universe below the last one. */
  runsWithoutAddress: number[];
}

/**
 * The answer to every question about a show: what each pixel is, where it is, on which wire and at which address. A pure
 * function of the show: the same show gives the same plan.
 */
export interface Plan extends LaidShow {
  pixels: PixelTable;
}

/**
 * One row per pixel of the show, by prop and then in data order. Port, chain position and LED index follow from the run,
 * so they are not repeated here.
 */
export interface PixelTable {
  /** Prop-local position, front view. */
  xMm: Float32Array;
  yMm: Float32Array;
  zMm: Float32Array;
  /** Index into the plan's runs. */
  run: Uint32Array;
  /** Index into the strands of its prop. */
  strand: Uint32Array;
  /** 1..63999 of the pixel's first channel; 0 where it has none. */
  universe: Uint16Array;
  /** 1..512 of the pixel's first channel; 0 where it has none. */
  channel: Uint16Array;
  /** Show channel of the pixel's first channel, from 1; 0 where it has none. */
  showChannel: Uint32Array;
}
