import { type Electric } from '../catalogue/electric';
import type { Network, Ramp } from './network';
import { limitedLevel, type Limiter } from './limiter';
import { panelRamps, rampsOf, type Shown } from './shown';

/** The kind of a load. */
export type LoadKind =
  | {
      kind: 'pixel';
      electric: Electric;
      colourOrder: string;
      isHidden: boolean;
      /** In the device that drives it; null where it has none. */
      limiter: Limiter | null;
    }
  | { kind: 'panel'; ampsFullWhite: number }
  | { kind: 'board'; amps: number };

/** A piece of a lead in the network. */
export interface WiredPiece {
  /** Index of its lead in the show. */
  feed: number;
  piece: number;
  /** -1 where it joins grounds alone. */
  plusWire: number;
  minusWire: number;
}

/** A group of props with all that feeds it, as a network, and what stands where in it. */
export interface PowerWiring {
  network: Omit<Network, 'kinds'>;
  kinds: readonly LoadKind[];
  /** Index of the pixel of each load in the table of the plan; -1 for a panel or a board. */
  pixelOfLoad: Int32Array;
  /** For each wire that is plus between two pixels the index of the first of them in the table of the plan; else -1. */
  railPixel: Int32Array;
  /** The same of wires that are ground. */
  groundPixel: Int32Array;
  /** Load of the first pixel of each run that is in the network, by the index of the run; its others follow. */
  firstLoadOfRun: ReadonlyMap<number, number>;
  /** Columns and rows from 1, from the top left of the front. */
  panels: readonly { load: number; prop: number; column: number; row: number }[];
  boards: readonly { load: number; controller: number }[];
  pieces: readonly WiredPiece[];
  /** Index in the show of each supply of the network. */
  supplies: readonly number[];
}

/** Current of each kind of load under a light. */
export function rampsOfKinds(kinds: readonly LoadKind[], shown: Shown): Ramp[][] {
  return kinds.map((kind) => {
    switch (kind.kind) {
      case 'pixel':
        return rampsOf(kind.electric, kind.colourOrder, { ...shown, level: levelOf(kind, shown) });
      case 'panel':
        return panelRamps(kind.ampsFullWhite, shown);
      case 'board':
        return [{ cutoffV: 0, kneeV: 2, amps: kind.amps }];
    }
  });
}

/** The level that a pixel is told, of what is shown: a limiter dims it, and a hidden one stays dark. */
export function levelOf(kind: Extract<LoadKind, { kind: 'pixel' }>, shown: Shown): number {
  if (kind.isHidden) return 0;
  return kind.limiter ? limitedLevel(kind.limiter, shown) : shown.level;
}
