import { electricOf } from '../catalogue/electric';
import { connectorKind } from '../catalogue/connector';
import type { Feed } from '../catalogue/feed';
import { fuseFor, fuseOhm, type FuseAmps } from '../catalogue/fuse';
import { LOADING } from '../catalogue/supply';
import { ampacityOf, ohmOf, wireSize } from '../catalogue/wire';
import { basesWords, type Figure } from '../figures/figure';
import type { Plan } from '../plan/planned';
import { kindOf } from '../props/registry';
import { railsOf, type LoadedRail } from './rails';
import { FULL_WHITE, litBy, type Shown } from './shown';
import { solvePower, type SolvedGroup } from './solvePower';
import { rampsOfKinds, type PowerWiring, type WiredPiece } from './wiring';
import { itemAt, byId, valueIn } from '../units/there';
import { propAt, plannedAt, runAt } from '../plan/records';

/** Power at the pixels of a run, or at the panels of a wall. */
export interface FedRun {
  prop: number;
  /** From 1; null for the panels of a wall, which are fed each on its own. */
  run: number | null;
  /** The lowest of all that a supply reaches; null where none does. */
  lowestVolts: number | null;
  /** The worst place: a pixel of the run or a panel, counted from 1. */
  lowestAt: number;
  /** So many pixels or panels that no supply reaches, of all. */
  unfed: number;
  count: number;
  /** So many get less than they should. */
  below: number;
  leastVolts: number;
  amps: number;
  /** Current with enough volts everywhere: a starved pixel draws less, and more once that is fixed. */
  wantedAmps: number;
  standsOn: string;
  /** The piece of its own conductors with the most current; null for the panels of a wall, and where nothing flows. */
  rail: LoadedRail | null;
}

/** A part of a lead that says how much goes through it. */
interface WeakestPart {
  words: string;
  amps: number;
}

interface FedPiece {
  /** Index in the lead. */
  piece: number;
  /** In plus; in a lead that joins grounds alone in ground. */
  amps: number;
  /** In ground, which differs from plus where plus is cut or ground is joined twice. */
  groundAmps: number;
  /** Lost on both conductors; of the first piece also in the fuse and the plug. */
  dropVolts: number;
  carriesAmps: number;
  /** Volts and amps at the end of the piece. */
  voltsAtEnd: number;
}

export interface FedLead {
  /** Index in the show. */
  feed: number;
  /** Amps at its source. */
  amps: number;
  pieces: FedPiece[];
  weakest: WeakestPart;
  /** The fuse that fits its load and its parts; null where there is none, and where it joins grounds alone. */
  fuse: FuseAmps | null;
  /** It leads nowhere: what it went to is not there any more. */
  isLoose: boolean;
}

export interface LoadedSupply {
  /** Index in the show. */
  supply: number;
  /** Amps now, for pixels, boards, wires and other loads. */
  amps: number;
  /** The same if nothing starved; sizes go by it. */
  wantedAmps: number;
  /** The part of the current that no level changes: boards, and pixels while they are dark. */
  darkAmps: number;
  othersAmps: number;
  leads: number;
  ratedAmps: number;
  /** For hours. */
  carriesAmps: number;
  /** It is wanted more than that from it. */
  isOver: boolean;
  /** Null where its leads begin at its terminals. */
  fuseRow: LoadedFuseRow | null;
}

/** The row of fuses of a supply, and the pair of wires that feeds it. */
export interface LoadedFuseRow {
  /** Amps that all its feeds together want from it. */
  wantedAmps: number;
  /** Positions without a lead, negative where there are more leads than positions. */
  spare: number;
  /** The same with each spare position taken by a lead like the largest there, as far as the supply is rated for that. */
  fullAmps: number;
  /** The fuses of its leads together: so much may flow before one of them opens. */
  fusesAmps: number;
  carriesAmps: number;
  /** Lost in both wires of the pair and in its fuse. */
  dropVolts: number;
}

/** Currents in a show while everything shows the same colour. */
export interface PowerReport {
  shown: Shown;
  runs: FedRun[];
  leads: FedLead[];
  supplies: LoadedSupply[];
  /** Props that are fed. */
  amps: number;
  heatWatts: number;
  /** Props that no lead goes to. */
  unfedProps: number[];
}

/** The parts of a lead by what they carry, and which of them is the least. */
function weakestPart(feed: Feed): WeakestPart {
  const parts: WeakestPart[] = feed.pieces.map(({ wire, lengthMm }) => ({
    words: `its wire of ${wireSize(wire).words}`,
    amps: ampacityOf(wire, lengthMm),
  }));
  if (feed.connector !== undefined) {
    const { words, amps } = connectorKind(feed.connector);
    parts.push({ words: `its ${words}`, amps });
  }
  return parts.reduce((least, part) => (part.amps < least.amps ? part : least));
}

/** Solves a whole show. */
export function powerReport(plan: Plan, shown: Shown): PowerReport {
  return reportOf(plan, shown, solvePower(plan, shown));
}

/** Totals over some solved parts of a show. */
export function reportOf(plan: Plan, shown: Shown, groups: readonly SolvedGroup[]): PowerReport {
  const { show } = plan;
  const runs = groups.flatMap((each) => [...runsOf(plan, each, shown), ...wallsOf(plan, each, shown)]);
  runs.sort((a, b) => a.prop - b.prop || (a.run ?? 0) - (b.run ?? 0));
  const leads = groups.flatMap((each) => leadsOf(plan, each)).sort((a, b) => a.feed - b.feed);
  const given = new Float64Array(show.supplies.length);
  const wanted = new Float64Array(show.supplies.length);
  const dark = new Float64Array(show.supplies.length);
  for (const { wiring, solution } of groups) {
    const more = wantedShare(wiring, solution, shown);
    const least = wantedShare(wiring, solution, { ...shown, level: 0 });
    wiring.supplies.forEach((supply, i) => {
      given[supply]! += solution.supplyAmps[i]!;
      wanted[supply]! += solution.supplyAmps[i]! * more;
      dark[supply]! += solution.supplyAmps[i]! * least;
    });
  }
  const fed = new Set(groups.flatMap(({ group }) => group.props));
  return {
    shown,
    runs,
    leads,
    supplies: show.supplies.map((supply, index) => {
      const othersAmps = (supply.others ?? []).reduce((sum, other) => sum + other.amps.value, 0);
      const wantedAmps = wanted[index]! + othersAmps;
      const carriesAmps = supply.ratedAmps.value * LOADING;
      return {
        supply: index,
        amps: given[index]! + othersAmps,
        wantedAmps,
        darkAmps: dark[index]! + othersAmps,
        othersAmps,
        leads: show.feeds.filter(({ from }) => from.kind === 'supply' && from.supplyId === supply.id).length,
        ratedAmps: supply.ratedAmps.value,
        carriesAmps,
        // Sums of many pixels are rounded.
        isOver: wantedAmps > carriesAmps + 1e-6,
        fuseRow: fuseRowOf(plan, index, wanted[index]!, given[index]!, leads),
      };
    }),
    amps: runs.reduce((sum, run) => sum + run.amps, 0),
    heatWatts: groups.reduce((sum, { wiring, solution }) => {
      const { ohm } = wiring.network.wires;
      let watts = 0;
      for (let i = 0; i < ohm.length; i += 1) watts += solution.wireAmps[i]! ** 2 * ohm[i]!;
      return sum + watts;
    }, 0),
    unfedProps: show.props.flatMap((_, index) =>
      fed.has(index) || plannedAt(plan, index).pixelCount === 0 ? [] : [index],
    ),
  };
}

function fuseRowOf(
  { show }: Plan,
  index: number,
  wantedAmps: number,
  amps: number,
  leads: readonly FedLead[],
): LoadedFuseRow | null {
  const { id, fuseRow, ratedAmps } = itemAt(show.supplies, index);
  if (!fuseRow) return null;
  const on = leads.filter(({ feed }) => {
    const { from, groundOnly } = itemAt(show.feeds, feed);
    return !groundOnly && from.kind === 'supply' && from.supplyId === id;
  });
  const spare = fuseRow.positions - on.length;
  const largest = Math.max(0, ...on.map((lead) => Math.abs(lead.amps)));
  return {
    wantedAmps,
    spare,
    fullAmps: Math.max(wantedAmps, Math.min(wantedAmps + Math.max(0, spare) * largest, ratedAmps.value)),
    fusesAmps: on.reduce((sum, { feed }) => sum + (itemAt(show.feeds, feed).fuseAmps ?? 0), 0),
    carriesAmps: ampacityOf(fuseRow.wire, fuseRow.lengthMm),
    dropVolts:
      amps *
      (2 * ohmOf(fuseRow.wire, fuseRow.lengthMm) +
        (fuseRow.fuseAmps === undefined ? 0 : fuseOhm(fuseRow.fuseAmps))),
  };
}

function runsOf(plan: Plan, solved: SolvedGroup, shown: Shown): FedRun[] {
  const { group, wiring, solution } = solved;
  const rails = railsOf(plan, solved);
  return group.props.flatMap((prop) => {
    const type = byId(plan.show.pixelTypes, propAt(plan, prop).pixelTypeId);
    const electric = electricOf(type);
    const leastVolts = electric.leastVolts.value;
    const figures = [
      electric.draw.idle,
      ...litBy(shown, type.colourOrder).map((each) => electric.draw[each]),
    ];
    const standsOn = basesWords(figures as Figure<number>[]);
    const { firstRun, runCount } = plannedAt(plan, prop);
    const wanted = wantedOfKinds(wiring, shown);
    const fed: FedRun[] = [];
    for (let run = firstRun; run < firstRun + runCount; run += 1) {
      const first = wiring.firstLoadOfRun.get(run);
      if (first === undefined) continue;
      const { number, pixelCount } = runAt(plan, run);
      const loads = Array.from({ length: pixelCount }, (_, i) => first + i);
      fed.push({
        prop,
        run: number,
        leastVolts,
        standsOn,
        rail: rails.get(run) ?? null,
        ...summed(loads, wiring, solution, wanted, leastVolts),
      });
    }
    return fed;
  });
}

function wallsOf(plan: Plan, { group, wiring, solution }: SolvedGroup, shown: Shown): FedRun[] {
  return group.props.flatMap((prop) => {
    const of = propAt(plan, prop);
    const power = kindOf(of).panelPower?.(of.shape);
    if (!power) return [];
    const loads = wiring.panels.filter((panel) => panel.prop === prop).map((panel) => panel.load);
    const leastVolts = 4.5;
    const standsOn = basesWords([power.ampsFullWhite]);
    const wanted = wantedOfKinds(wiring, shown);
    return [
      {
        prop,
        run: null,
        leastVolts,
        standsOn,
        rail: null,
        ...summed(loads, wiring, solution, wanted, leastVolts),
      },
    ];
  });
}

function summed(
  loads: readonly number[],
  { network }: PowerWiring,
  { loadVolts, loadAmps, unfed }: SolvedGroup['solution'],
  wanted: readonly number[],
  least: number,
) {
  let lowestVolts: number | null = null;
  let lowestAt = 1;
  let [dark, below, amps, wantedAmps] = [0, 0, 0, 0];
  loads.forEach((load, i) => {
    if (unfed[load]) {
      dark += 1;
      return;
    }
    const volts = loadVolts[load]!;
    amps += loadAmps[load]!;
    wantedAmps += itemAt(wanted, network.loads.kind[load]!);
    if (volts < least - 1e-9) below += 1;
    if (lowestVolts === null || volts < lowestVolts) [lowestVolts, lowestAt] = [volts, i + 1];
  });
  return { lowestVolts, lowestAt, unfed: dark, count: loads.length, below, amps, wantedAmps };
}

/** Current of a load of each kind where its volts are enough. */
function wantedOfKinds(wiring: PowerWiring, shown: Shown): number[] {
  return rampsOfKinds(wiring.kinds, shown).map((ramps) => ramps.reduce((sum, ramp) => sum + ramp.amps, 0));
}

/** Current of a group with nothing starved, as a share of its current now. */
function wantedShare(
  wiring: PowerWiring,
  { loadAmps, unfed }: SolvedGroup['solution'],
  shown: Shown,
): number {
  const kinds = wantedOfKinds(wiring, shown);
  const { kind } = wiring.network.loads;
  let [drawn, wanted] = [0, 0];
  for (let i = 0; i < kind.length; i += 1) {
    if (unfed[i]) continue;
    drawn += loadAmps[i]!;
    wanted += itemAt(kinds, kind[i]!);
  }
  return drawn > 0 ? wanted / drawn : 1;
}

function leadsOf(plan: Plan, { group, wiring, solution }: SolvedGroup): FedLead[] {
  const wiredOf = new Map<number, WiredPiece[]>(group.feeds.map((index) => [index, []]));
  for (const piece of wiring.pieces) valueIn(wiredOf, piece.feed).push(piece);
  return group.feeds.map((index) => {
    const feed = itemAt(plan.show.feeds, index);
    const weakest = weakestPart(feed);
    const wired = valueIn(wiredOf, index);
    const pieces = wired.map(({ piece, plusWire, minusWire }): FedPiece => {
      const { wire, lengthMm } = itemAt(feed.pieces, piece);
      const { to, ohm } = wiring.network.wires;
      const back = solution.wireAmps[minusWire]!;
      const amps = plusWire < 0 ? Math.abs(back) : solution.wireAmps[plusWire]!;
      const end = to[minusWire]!;
      return {
        piece,
        amps,
        groundAmps: Math.abs(back),
        dropVolts: plusWire < 0 ? amps * ohm[minusWire]! : amps * ohm[plusWire]! - back * ohm[minusWire]!,
        carriesAmps: ampacityOf(wire, lengthMm),
        // The plus of a place is the node before its ground.
        voltsAtEnd: solution.nodeVolts[end - 1]! - solution.nodeVolts[end]!,
      };
    });
    const amps = pieces[0]?.amps ?? 0;
    return {
      feed: index,
      amps,
      pieces,
      weakest,
      fuse: feed.groundOnly ? null : fuseFor(Math.abs(amps), weakest.amps),
      isLoose: wired.length < feed.pieces.length,
    };
  });
}

/** The planned light: the level that the show says, in white. */
export function plannedShown({ power }: Plan['show']): Shown {
  return { light: 'white', level: (power?.levelPercent ?? 100) / 100, whiteBy: power?.whiteBy ?? 'all' };
}

const kept = new WeakMap<Plan, { planned: PowerReport; worst: PowerReport }>();

/** The report at the level that is planned, and with everything at full white. Checks ask for both again and again. */
export function standingReports(plan: Plan): { planned: PowerReport; worst: PowerReport } {
  let reports = kept.get(plan);
  if (!reports) {
    reports = {
      planned: powerReport(plan, plannedShown(plan.show)),
      worst: powerReport(plan, FULL_WHITE),
    };
    kept.set(plan, reports);
  }
  return reports;
}
