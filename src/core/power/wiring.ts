import { electricOf, type Electric, type Rail } from '../catalogue/electric';
import type { FeedEnd } from '../catalogue/feed';
import { boardPowerOf } from '../catalogue/boardPower';
import { ohmOf } from '../catalogue/wire';
import type { Plan } from '../plan/planned';
import { kindOf } from '../props/registry';
import type { PowerGroup } from './groups';
import type { Network, Ramp } from './network';
import { limitedLevel, limitersOf, type Limiter } from './limiter';
import { panelRamps, rampsOf, type Shown } from './shown';
import { itemAt, valueIn } from '../units/there';
import { plannedAt, runAt, pixelTypeOf } from '../plan/records';

/** What loads of one kind are. */
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
  /** Of each wire that is plus between two pixels the index of the first of them in the table of the plan; else -1. */
  railPixel: Int32Array;
  /** Load of the first pixel of each run that is in the network, by the index of the run; its others follow. */
  firstLoadOfRun: ReadonlyMap<number, number>;
  /** Columns and rows from 1, from the top left of the front. */
  panels: readonly { load: number; prop: number; column: number; row: number }[];
  boards: readonly { load: number; controller: number }[];
  pieces: readonly WiredPiece[];
  /** Index in the show of each supply of the network. */
  supplies: readonly number[];
}

/** Less than a soldered joint has. */
const LEAST_OHM = 1e-4;

/**
 * The network of a group of props: two rails along each run, panels, boards, leads and supplies. Nodes are numbered along the runs, the
 * supplies last, so that a solver that goes by their order has little to carry along.
 *
 * @param group as `powerGroups` gives it.
 * @param only indices of the runs that are wanted of it; what leads to others is left out.
 */
export function wirePower(plan: Plan, group: PowerGroup, only?: ReadonlySet<number>): PowerWiring {
  const { show } = plan;
  const wires = { from: [] as number[], to: [] as number[], ohm: [] as number[] };
  const loads = { plus: [] as number[], minus: [] as number[], kind: [] as number[] };
  const kinds: LoadKind[] = [];
  const pixelOfLoad: number[] = [];
  const railPixel: number[] = [];
  const firstLoadOfRun = new Map<number, number>();
  const panels: { load: number; prop: number; column: number; row: number }[] = [];
  const boards: { load: number; controller: number }[] = [];
  let nodeCount = 0;
  const wire = (from: number, to: number, ohm: number) => {
    wires.from.push(from);
    wires.to.push(to);
    wires.ohm.push(Math.max(ohm, LEAST_OHM));
    railPixel.push(-1);
    return wires.ohm.length - 1;
  };
  /** Plus is the even node, ground the next. */
  const place = () => (nodeCount += 2) - 2;
  const load = (at: number, kind: number, pixel = -1) => {
    loads.plus.push(at);
    loads.minus.push(at + 1);
    loads.kind.push(kind);
    pixelOfLoad.push(pixel);
    return loads.kind.length - 1;
  };
  /** Where each thing that a lead can go to stands. */
  const placeOf = new Map<string, number>();
  const lengthOfRun = new Map<string, number>();
  const limiterOf = limitersOf(plan);

  for (const index of group.props) {
    const prop = itemAt(show.props, index);
    const planned = plannedAt(plan, index);
    const power = kindOf(prop).panelPower?.(prop.shape);
    if (power) {
      const kind = kinds.push({ kind: 'panel', ampsFullWhite: power.ampsFullWhite.value }) - 1;
      for (let row = 1; row <= power.rows; row += 1)
        for (let column = 1; column <= power.columns; column += 1) {
          if (power.isMissing(column, row)) continue;
          const at = place();
          placeOf.set(endKey({ kind: 'panel', propId: prop.id, column, row }), at);
          panels.push({ load: load(at, kind), prop: index, column, row });
        }
      continue;
    }
    const type = pixelTypeOf(show, prop);
    const electric = electricOf(type);
    const kindsOf = new Map<Limiter | null, number>();
    /** The kind of a pixel that is lit; of one that stays dark it is the next. */
    const kindBehind = (limiter: Limiter | null): number => {
      let kind = kindsOf.get(limiter);
      if (kind === undefined) {
        kind = kinds.length;
        const pixel = { kind: 'pixel' as const, electric, colourOrder: type.colourOrder, limiter };
        kinds.push({ ...pixel, isHidden: false }, { ...pixel, isHidden: true });
        kindsOf.set(limiter, kind);
      }
      return kind;
    };
    const hidden = new Set(planned.hiddenPixels);
    const cuts = show.cuts.filter((cut) => cut.propId === prop.id);
    for (let run = planned.firstRun; run < planned.firstRun + planned.runCount; run += 1) {
      if (only && !only.has(run)) continue;
      const { firstPixel, pixelCount, number } = runAt(plan, run);
      lengthOfRun.set(`run ${prop.id} ${number}`, pixelCount);
      const kind = kindBehind(limiterOf.get(`${prop.id} ${number}`) ?? null);
      const cutAfter = new Set(cuts.filter((cut) => cut.run === number).map((cut) => cut.afterPixel));
      for (let i = 0; i < pixelCount; i += 1) {
        const pixel = firstPixel + i;
        const at = place();
        const made = load(at, kind + (hidden.has(pixel - planned.firstPixel) ? 1 : 0), pixel);
        if (i === 0) {
          firstLoadOfRun.set(run, made);
          placeOf.set(`run ${prop.id} ${number}`, at);
          continue;
        }
        const ohm = railOhm(electric.rail, distanceMm(plan, pixel - 1, pixel));
        if (!cutAfter.has(i)) railPixel[wire(at - 2, at, ohm)] = pixel - 1;
        wire(at - 1, at + 1, ohm);
      }
    }
  }

  for (const controller of group.controllers) {
    const { id, ...board } = itemAt(show.controllers, controller);
    const kind = kinds.push({ kind: 'board', amps: boardPowerOf(board).ownAmps.value }) - 1;
    const at = place();
    placeOf.set(endKey({ kind: 'controller', controllerId: id }), at);
    boards.push({ load: load(at, kind), controller });
  }

  /** Null where there is no such pixel or panel. */
  const endPlace = (end: FeedEnd): number | null => {
    if (end.kind === 'pixel') {
      const key = `run ${end.propId} ${end.run}`;
      const first = placeOf.get(key);
      return first === undefined || end.pixel > valueIn(lengthOfRun, key)
        ? null
        : first + 2 * (end.pixel - 1);
    }
    return placeOf.get(endKey(end)) ?? null;
  };

  const pieces: WiredPiece[] = [];
  /** Of each supply its terminals, and where its leads begin: there, or at its row of fuses. */
  const sources = new Map<number, { terminals: number; leads: number }>();
  for (const index of group.feeds) {
    const feed = itemAt(show.feeds, index);
    let before: number;
    if (feed.from.kind === 'port') {
      before = endPlace({ kind: 'controller', controllerId: feed.from.controllerId })!;
    } else {
      const { supplyId } = feed.from;
      const supply = show.supplies.findIndex((each) => each.id === supplyId);
      if (!sources.has(supply)) {
        const terminals = place();
        const { fuseRow } = itemAt(show.supplies, supply);
        let leads = terminals;
        if (fuseRow) {
          leads = place();
          const ohm = ohmOf(fuseRow.wire, fuseRow.lengthMm);
          wire(terminals, leads, ohm);
          wire(terminals + 1, leads + 1, ohm);
        }
        sources.set(supply, { terminals, leads });
      }
      before = valueIn(sources, supply).leads;
    }
    let beforeOhm = 0;
    feed.pieces.forEach((piece, at) => {
      const ohm = beforeOhm + ohmOf(piece.wire, piece.lengthMm);
      const end = endPlace(piece.to);
      if (end === null || end === before) {
        // What is not there has no piece of its own; the lead goes on from there all the same.
        beforeOhm = ohm;
        return;
      }
      pieces.push({
        feed: index,
        piece: at,
        plusWire: feed.groundOnly ? -1 : wire(before, end, ohm),
        minusWire: wire(before + 1, end + 1, ohm),
      });
      before = end;
      beforeOhm = 0;
    });
  }
  const supplies = [...sources.keys()];
  return {
    network: {
      nodeCount,
      wires: {
        from: Int32Array.from(wires.from),
        to: Int32Array.from(wires.to),
        ohm: Float64Array.from(wires.ohm),
      },
      supplies: supplies.map((supply) => ({
        plus: valueIn(sources, supply).terminals,
        minus: valueIn(sources, supply).terminals + 1,
        volts: itemAt(show.supplies, supply).volts,
      })),
      loads: {
        plus: Int32Array.from(loads.plus),
        minus: Int32Array.from(loads.minus),
        kind: Uint16Array.from(loads.kind),
      },
    },
    kinds,
    pixelOfLoad: Int32Array.from(pixelOfLoad),
    railPixel: Int32Array.from(railPixel),
    firstLoadOfRun,
    panels,
    boards,
    pieces,
    supplies,
  };
}

/** What each kind of load draws of what is shown. */
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

/** One conductor from a pixel to the next, in ohm. Wire between bullets is at least as long as they are apart. */
function railOhm(rail: Rail, apartMm: number): number {
  if (rail.kind === 'copper') return (rail.ohmPerM.value * apartMm) / 1000;
  const lengthMm = Math.max(rail.pitchMm, apartMm);
  return rail.ohmPerM ? (rail.ohmPerM.value * lengthMm) / 1000 : ohmOf(rail.wire, lengthMm);
}

function distanceMm({ pixels }: Plan, one: number, other: number): number {
  return Math.hypot(
    pixels.xMm[other]! - pixels.xMm[one]!,
    pixels.yMm[other]! - pixels.yMm[one]!,
    pixels.zMm[other]! - pixels.zMm[one]!,
  );
}

function endKey(end: FeedEnd): string {
  switch (end.kind) {
    case 'pixel':
      return `pixel ${end.propId} ${end.run} ${end.pixel}`;
    case 'panel':
      return `panel ${end.propId} ${end.column} ${end.row}`;
    case 'controller':
      return `controller ${end.controllerId}`;
  }
}
