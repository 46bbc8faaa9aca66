import type { Plan } from '../plan/planned';
import { powerGroups, type PowerGroup } from './groups';
import { exactness, type Reading } from './readings';
import type { Shown } from './shown';
import { loadOfPixel, suspectsOf, type Cause, type Suspect, type Trial } from './readingSuspects';
import { NetworkSolver, type Solution } from './solve';
import { solvePower } from './solvePower';
import { rampsOfKinds, type PowerWiring } from './wiring';
import { wirePower } from './networkBuilder';
import { itemAt, lastOf } from '../units/there';
import { plannedAt, runAt } from '../plan/records';

/** A reading beside what the plan gives there. */
interface ReadingCheck {
  reading: Reading;
  /** Null where the plan feeds nothing there. */
  expected: number | null;
  isAsPlanned: boolean;
}

/** The next place to measure, and the volts there under each cause. */
interface NextReading {
  prop: number;
  run: number;
  pixel: number;
  shown: Shown;
  volts: { cause: string; volts: number }[];
}

/** Readings in one part of a show, with their causes. */
export interface ExplainedPart {
  checks: ReadingCheck[];
  isAsPlanned: boolean;
  /** The likeliest first; those that explain all of it before those that do not. Empty while all is as planned. */
  causes: Cause[];
  /** A reading that tells the remaining causes apart; null where one is left, or none. */
  next: NextReading | null;
}

const exactnessOf = ({ unit, target }: Reading) => exactness(unit, target);

/**
 * Every part of a show in which something was read: what the plan gives there, and which one thing, if it were other, would give what was
 * read. For each possible cause the network is solved again and again for how much other it has to be (golden section on its logarithm).
 */
export function explainReadings(plan: Plan, readings: readonly Reading[]): ExplainedPart[] {
  return powerGroups(plan).flatMap((group) => {
    const wiring = wirePower(plan, group);
    const own = readings.filter(({ of }) =>
      of.list === 'supplies' ? wiring.supplies.includes(of.index) : group[of.list].includes(of.index),
    );
    return own.length === 0 ? [] : [explainPart(plan, group, wiring, own)];
  });
}

class Part {
  private readonly asPlanned: Trial;
  /** Amps that other parts of the show and other loads add to each reading: a supply may feed more than this part. */
  private readonly besides: readonly number[];

  constructor(
    private readonly plan: Plan,
    readonly wiring: PowerWiring,
    private readonly readings: readonly Reading[],
  ) {
    this.asPlanned = {
      ohm: wiring.network.wires.ohm,
      kinds: wiring.kinds,
      supplyVolts: wiring.network.supplies.map(({ volts }) => volts),
      levelOf: (level) => level,
    };
    this.besides = readings.map((reading) => ampsBesides(plan, wiring, reading));
  }

  /** @returns by shown, what flows; each light is solved once. */
  solve(change: Partial<Trial>, lights: readonly Shown[]): Solution[] {
    const trial = { ...this.asPlanned, ...change };
    const { network } = this.wiring;
    const ramps = (shown: Shown) =>
      rampsOfKinds(trial.kinds, { ...shown, level: trial.levelOf(shown.level) });
    const solver = new NetworkSolver({
      ...network,
      wires: { ...network.wires, ohm: trial.ohm },
      supplies: network.supplies.map((supply, i) => ({ ...supply, volts: itemAt(trial.supplyVolts, i) })),
      kinds: ramps(itemAt(lights, 0)),
    });
    return lights.map((shown) => solver.solve(ramps(shown)));
  }

  /** The value of each reading under a change; null where nothing reaches. */
  predict(change: Partial<Trial>): (number | null)[] {
    const lights = [...new Map(this.readings.map(({ shown }) => [keyOf(shown), shown])).values()];
    const solved = this.solve(change, lights);
    return this.readings.map((reading, i) => {
      const light = lights.findIndex((each) => keyOf(each) === keyOf(reading.shown));
      const one = this.predictOne(reading, itemAt(solved, light));
      return one === null ? null : one + itemAt(this.besides, i);
    });
  }

  private predictOne({ value, of }: Reading, solution: Solution): number | null {
    const { wiring, plan } = this;
    const volts = (load: number) => (load < 0 || solution.unfed[load] ? null : solution.loadVolts[load]!);
    switch (value.what) {
      case 'pixelVolts':
      case 'fadesFrom':
        return volts(loadOfPixel(plan, wiring, of.index, value.run, value.pixel));
      case 'recovers': {
        const run = plannedAt(plan, of.index).firstRun + value.run - 1;
        const first = wiring.firstLoadOfRun.get(run);
        if (first === undefined) return null;
        const all = Array.from({ length: runAt(plan, run).pixelCount }, (_, i) => volts(first + i));
        return all.reduce(
          (least, each) => (each !== null && (least === null || each < least) ? each : least),
          null,
        );
      }
      case 'leadVolts': {
        const piece = wiring.pieces.find((each) => each.feed === of.index && each.piece === value.piece);
        const end = piece && wiring.network.wires.to[piece.minusWire]!;
        return end === undefined ? null : solution.nodeVolts[end - 1]! - solution.nodeVolts[end]!;
      }
      case 'supplyVolts': {
        const supply = wiring.network.supplies[wiring.supplies.indexOf(of.index)];
        return supply ? solution.nodeVolts[supply.plus]! - solution.nodeVolts[supply.minus]! : null;
      }
      case 'amps': {
        if (of.list === 'supplies') {
          const i = wiring.supplies.indexOf(of.index);
          return i < 0 ? null : solution.supplyAmps[i]!;
        }
        const piece = wiring.pieces.find((each) => each.feed === of.index);
        return piece
          ? Math.abs(solution.wireAmps[piece.plusWire < 0 ? piece.minusWire : piece.plusWire]!)
          : null;
      }
    }
  }

  misfit(predicted: readonly (number | null)[]): number {
    let [sum, count] = [0, 0];
    this.readings.forEach((reading, i) => {
      const one = predicted[i];
      if (one === null || one === undefined) return;
      sum += ((one - reading.target) / exactnessOf(reading)) ** 2;
      count += 1;
    });
    return count === 0 ? 0 : Math.sqrt(sum / count);
  }
}

function ampsBesides(plan: Plan, wiring: PowerWiring, { value, of, shown }: Reading): number {
  if (value.what !== 'amps' || of.list !== 'supplies') return 0;
  const others = itemAt(plan.show.supplies, of.index).others ?? [];
  const apart = solvePower(plan, shown).filter(
    (each) =>
      each.wiring.supplies.includes(of.index) && each.wiring.pieces[0]?.feed !== wiring.pieces[0]?.feed,
  );
  return (
    others.reduce((sum, other) => sum + other.amps.value, 0) +
    apart.reduce((sum, each) => sum + each.solution.supplyAmps[each.wiring.supplies.indexOf(of.index)]!, 0)
  );
}

function explainPart(
  plan: Plan,
  group: PowerGroup,
  wiring: PowerWiring,
  readings: readonly Reading[],
): ExplainedPart {
  const part = new Part(plan, wiring, readings);
  const predicted = part.predict({});
  const checks = readings.map((reading, i): ReadingCheck => {
    const expected = predicted[i]!;
    return {
      reading,
      expected,
      isAsPlanned: expected !== null && Math.abs(expected - reading.target) <= exactnessOf(reading),
    };
  });
  if (checks.every((check) => check.isAsPlanned))
    return { checks, isAsPlanned: true, causes: [], next: null };
  const planned = part.misfit(predicted);
  const found = suspectsOf({
    plan,
    group,
    wiring,
    readings,
    solved: () => itemAt(part.solve({}, [itemAt(readings, 0).shown]), 0),
  })
    .map((suspect) => ({ suspect, ...fitted(suspect, part) }))
    // One that hardly helps explains nothing, and no more does one that would have to be beyond what can be.
    .filter(({ misfit }) => misfit < Math.min(0.7 * planned, planned - 0.3))
    .filter(({ suspect: { range }, measure }) => measure > range[0] * 1.03 && measure < range[1] / 1.03)
    .sort((a, b) => Math.max(1, a.misfit) - Math.max(1, b.misfit) || a.suspect.rank - b.suspect.rank);
  const causes = found.map(({ suspect, measure, misfit }): Cause => {
    const told = suspect.told(measure);
    // A cause that leaves part of it unexplained is no figure to plan with.
    return { id: suspect.id, misfit, ...told, edit: misfit <= 1 ? told.edit : null };
  });
  const whole = found.filter(({ misfit }) => misfit <= 1).slice(0, 4);
  return {
    checks,
    isAsPlanned: false,
    causes: causes.slice(0, 6),
    next: nextOf(plan, part, readings, whole),
  };
}

/** The measure of a suspect with the least misfit: golden section over the logarithm of the measure. */
function fitted({ range, change }: Suspect, part: Part): { measure: number; misfit: number } {
  const at = (log: number) => part.misfit(part.predict(change(Math.exp(log))));
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [Math.log(range[0]), Math.log(range[1])];
  let one = high - golden * (high - low);
  let other = low + golden * (high - low);
  let [ofOne, ofOther] = [at(one), at(other)];
  for (let i = 0; i < 18; i += 1) {
    if (ofOne < ofOther) {
      [high, other, ofOther] = [other, one, ofOne];
      one = high - golden * (high - low);
      ofOne = at(one);
    } else {
      [low, one, ofOne] = [one, other, ofOther];
      other = low + golden * (high - low);
      ofOther = at(other);
    }
  }
  const best = ofOne < ofOther ? one : other;
  return { measure: Math.exp(best), misfit: Math.min(ofOne, ofOther) };
}

const keyOf = ({ light, level }: Shown) => `${light} ${level}`;

/** The pixel at which the causes that are left would show the most different volts. */
function nextOf(
  plan: Plan,
  part: Part,
  readings: readonly Reading[],
  found: readonly { suspect: Suspect; measure: number }[],
): NextReading | null {
  if (found.length < 2) return null;
  const { wiring } = part;
  const { shown } = itemAt(readings, 0);
  const solved = found.map(({ suspect, measure }) => itemAt(part.solve(suspect.change(measure), [shown]), 0));
  let best: { load: number; spread: number } | null = null;
  for (let load = 0; load < wiring.pixelOfLoad.length; load += 1) {
    if (wiring.pixelOfLoad[load]! < 0 || itemAt(solved, 0).unfed[load]) continue;
    const volts = solved.map(({ loadVolts }) => loadVolts[load]!).sort((a, b) => a - b);
    // The two likeliest at least are to be told apart, by what a meter can tell.
    const spread = lastOf(volts) - itemAt(volts, 0);
    if (!best || spread > best.spread) best = { load, spread };
  }
  if (!best || best.spread < 2 * exactness('V', 0)) return null;
  const { load } = best;
  const pixel = wiring.pixelOfLoad[load]!;
  const run = runAt(plan, plan.pixels.run[pixel]!);
  return {
    prop: run.prop,
    run: run.number,
    pixel: pixel - run.firstPixel + 1,
    shown,
    volts: found.map(({ suspect, measure }, i) => ({
      cause: suspect.told(measure).words,
      volts: itemAt(solved, i).loadVolts[load]!,
    })),
  };
}
