import { boardPowerOf } from '../catalogue/boardPower';
import { electricOf, type Rail } from '../catalogue/electric';
import { connectorKind } from '../catalogue/connector';
import type { Feed, FeedEnd } from '../catalogue/feed';
import { fuseOhm } from '../catalogue/fuse';
import type { PixelType } from '../catalogue/pixelType';
import { ohmOf } from '../catalogue/wire';
import { pixelTypeOf, plannedAt, propAt, controllerAt, runAt } from '../plan/records';
import type { Plan } from '../plan/planned';
import { kindOf, type Prop } from '../props/registry';
import { itemAt, valueIn } from '../units/there';
import type { PowerGroup } from './groups';
import { limitersOf, type Limiter } from './limiter';
import type { LoadKind, PowerWiring, WiredPiece } from './wiring';

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
  const builder = new NetworkBuilder(plan);
  for (const prop of group.props) builder.addProp(prop, only);
  for (const controller of group.controllers) builder.addBoard(controller);
  for (const feed of group.feeds) builder.addLead(feed);
  return builder.done();
}

/** Puts a network together, thing by thing: what feeds comes after what is fed. */
class NetworkBuilder {
  private readonly wires: Record<'from' | 'to' | 'ohm', number[]> = { from: [], to: [], ohm: [] };
  private readonly loads: Record<'plus' | 'minus' | 'kind', number[]> = { plus: [], minus: [], kind: [] };
  private readonly kinds: LoadKind[] = [];
  private readonly pixelOfLoad: number[] = [];
  private readonly railPixel: number[] = [];
  private readonly groundPixel: number[] = [];
  private readonly firstLoadOfRun = new Map<number, number>();
  private readonly panels: { load: number; prop: number; column: number; row: number }[] = [];
  private readonly boards: { load: number; controller: number }[] = [];
  private readonly pieces: WiredPiece[] = [];
  private nodeCount = 0;
  /** Node of each thing that a lead can go to. */
  private readonly placeOf = new Map<string, number>();
  private readonly lengthOfRun = new Map<string, number>();
  private readonly limiterOf: ReadonlyMap<string, Limiter>;
  /** Terminals of each supply, and the start of its feeds: there, or at its row of fuses. */
  private readonly sources = new Map<number, { terminals: number; leads: number }>();

  constructor(private readonly plan: Plan) {
    this.limiterOf = limitersOf(plan);
  }

  /** @param only indices of the runs that are wanted; all of them where it is left out */
  addProp(index: number, only?: ReadonlySet<number>): void {
    const prop = propAt(this.plan, index);
    if (kindOf(prop).panelPower) return this.addPanels(prop, index);
    const { firstRun, runCount } = plannedAt(this.plan, index);
    const kindBehind = this.pixelKinds(pixelTypeOf(this.plan.show, prop));
    for (let run = firstRun; run < firstRun + runCount; run += 1)
      if (!only || only.has(run)) this.addRun(prop, index, run, kindBehind);
  }

  addBoard(index: number): void {
    const { id, ...board } = controllerAt(this.plan, index);
    const kind = this.kinds.push({ kind: 'board', amps: boardPowerOf(board).ownAmps.value }) - 1;
    const at = this.place();
    this.placeOf.set(endKey({ kind: 'controller', controllerId: id }), at);
    this.boards.push({ load: this.load(at, kind), controller: index });
  }

  /** @param index of the lead in the show */
  addLead(index: number): void {
    const feed = itemAt(this.plan.show.feeds, index);
    let before = this.beginOf(feed);
    // The plug stands for all contacts of a feed, and is taken where most flows.
    let ohmBefore = feed.connector === undefined ? 0 : connectorKind(feed.connector).milliohm / 1000;
    let fuse = feed.fuseAmps === undefined ? 0 : fuseOhm(feed.fuseAmps);
    feed.pieces.forEach((piece, at) => {
      const ohm = ohmBefore + ohmOf(piece.wire, piece.lengthMm);
      const end = this.endPlace(piece.to);
      if (end === null || end === before) {
        // A missing end has no piece of its own; the feed goes on from there all the same.
        ohmBefore = ohm;
        return;
      }
      this.pieces.push({
        feed: index,
        piece: at,
        plusWire: feed.groundOnly ? -1 : this.wire(before, end, ohm + fuse),
        minusWire: this.wire(before + 1, end + 1, ohm),
      });
      before = end;
      ohmBefore = 0;
      fuse = 0;
    });
  }

  done(): PowerWiring {
    const { wires, loads } = this;
    return {
      network: {
        nodeCount: this.nodeCount,
        wires: {
          from: Int32Array.from(wires.from),
          to: Int32Array.from(wires.to),
          ohm: Float64Array.from(wires.ohm),
        },
        supplies: [...this.sources].map(([supply, { terminals }]) => ({
          plus: terminals,
          minus: terminals + 1,
          volts: itemAt(this.plan.show.supplies, supply).volts,
        })),
        loads: {
          plus: Int32Array.from(loads.plus),
          minus: Int32Array.from(loads.minus),
          kind: Uint16Array.from(loads.kind),
        },
      },
      kinds: this.kinds,
      pixelOfLoad: Int32Array.from(this.pixelOfLoad),
      railPixel: Int32Array.from(this.railPixel),
      groundPixel: Int32Array.from(this.groundPixel),
      firstLoadOfRun: this.firstLoadOfRun,
      panels: this.panels,
      boards: this.boards,
      pieces: this.pieces,
      supplies: [...this.sources.keys()],
    };
  }

  private addPanels(prop: Prop, index: number): void {
    const power = kindOf(prop).panelPower!(prop.shape);
    const kind = this.kinds.push({ kind: 'panel', ampsFullWhite: power.ampsFullWhite.value }) - 1;
    for (let row = 1; row <= power.rows; row += 1)
      for (let column = 1; column <= power.columns; column += 1) {
        if (power.isMissing(column, row)) continue;
        const at = this.place();
        this.placeOf.set(endKey({ kind: 'panel', propId: prop.id, column, row }), at);
        this.panels.push({ load: this.load(at, kind), prop: index, column, row });
      }
  }

  /** Kinds of the pixels of a prop, made as they are asked for: that of a pixel that is lit; of one that stays dark it is the next. */
  private pixelKinds(type: PixelType): (limiter: Limiter | null) => number {
    const pixel = { kind: 'pixel' as const, electric: electricOf(type), colourOrder: type.colourOrder };
    const known = new Map<Limiter | null, number>();
    return (limiter) => {
      let kind = known.get(limiter);
      if (kind === undefined) {
        kind = this.kinds.length;
        this.kinds.push({ ...pixel, limiter, isHidden: false }, { ...pixel, limiter, isHidden: true });
        known.set(limiter, kind);
      }
      return kind;
    };
  }

  private addRun(
    prop: Prop,
    index: number,
    run: number,
    kindBehind: (limiter: Limiter | null) => number,
  ): void {
    const { plan } = this;
    const planned = plannedAt(plan, index);
    const { firstPixel, pixelCount, number } = runAt(plan, run);
    const { rail } = electricOf(pixelTypeOf(plan.show, prop));
    const hidden = new Set(planned.hiddenPixels);
    const cutAfter = new Set(
      plan.show.cuts
        .filter((cut) => cut.propId === prop.id && cut.run === number)
        .map((cut) => cut.afterPixel),
    );
    const kind = kindBehind(this.limiterOf.get(`${prop.id} ${number}`) ?? null);
    this.lengthOfRun.set(`run ${prop.id} ${number}`, pixelCount);
    for (let i = 0; i < pixelCount; i += 1) {
      const pixel = firstPixel + i;
      const at = this.place();
      const made = this.load(at, kind + (hidden.has(pixel - planned.firstPixel) ? 1 : 0), pixel);
      if (i === 0) {
        this.firstLoadOfRun.set(run, made);
        this.placeOf.set(`run ${prop.id} ${number}`, at);
        continue;
      }
      const ohm = railOhm(rail, distanceMm(plan, pixel - 1, pixel));
      if (!cutAfter.has(i)) this.railPixel[this.wire(at - 2, at, ohm)] = pixel - 1;
      this.groundPixel[this.wire(at - 1, at + 1, ohm)] = pixel - 1;
    }
  }

  private beginOf({ from }: Feed): number {
    return from.kind === 'port'
      ? valueIn(this.placeOf, endKey({ kind: 'controller', controllerId: from.controllerId }))
      : this.sourceOf(from.supplyId);
  }

  /** The start of the feeds of a supply; it comes into the network with the first of them. */
  private sourceOf(supplyId: string): number {
    const index = this.plan.show.supplies.findIndex((each) => each.id === supplyId);
    const known = this.sources.get(index);
    if (known) return known.leads;
    const terminals = this.place();
    const { fuseRow } = itemAt(this.plan.show.supplies, index);
    let leads = terminals;
    if (fuseRow) {
      leads = this.place();
      const ohm = ohmOf(fuseRow.wire, fuseRow.lengthMm);
      this.wire(terminals, leads, ohm + (fuseRow.fuseAmps === undefined ? 0 : fuseOhm(fuseRow.fuseAmps)));
      this.wire(terminals + 1, leads + 1, ohm);
    }
    this.sources.set(index, { terminals, leads });
    return leads;
  }

  /** Null where there is no such pixel or panel. */
  private endPlace(end: FeedEnd): number | null {
    if (end.kind !== 'pixel') return this.placeOf.get(endKey(end)) ?? null;
    const key = `run ${end.propId} ${end.run}`;
    const first = this.placeOf.get(key);
    return first === undefined || end.pixel > valueIn(this.lengthOfRun, key)
      ? null
      : first + 2 * (end.pixel - 1);
  }

  private wire(from: number, to: number, ohm: number): number {
    this.wires.from.push(from);
    this.wires.to.push(to);
    this.wires.ohm.push(Math.max(ohm, LEAST_OHM));
    this.railPixel.push(-1);
    this.groundPixel.push(-1);
    return this.wires.ohm.length - 1;
  }

  /** Plus is the even node, ground the next. */
  private place(): number {
    this.nodeCount += 2;
    return this.nodeCount - 2;
  }

  private load(at: number, kind: number, pixel = -1): number {
    this.loads.plus.push(at);
    this.loads.minus.push(at + 1);
    this.loads.kind.push(kind);
    this.pixelOfLoad.push(pixel);
    return this.loads.kind.length - 1;
  }
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
