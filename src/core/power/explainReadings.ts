import { coloursOf, electricOf, type ElectricSaid, type Rail } from '../catalogue/electric';
import { WIRE_SIZES, wireSize } from '../catalogue/wire';
import type { Feed } from '../catalogue/feed';
import type { Figure } from '../figures/figure';
import type { Plan } from '../plan/planned';
import type { Edit } from '../show/edits/registry';
import { formatAmps, formatVolts, formatWatts } from '../units/electric';
import { powerGroups, type PowerGroup } from './groups';
import { exactness, type Reading } from './readings';
import type { Shown } from './shown';
import { NetworkSolver, type Solution } from './solve';
import { solvePower } from './solvePower';
import { rampsOfKinds, wirePower, type LoadKind, type PowerWiring } from './wiring';
import { itemAt, lastOf, byId } from '../units/there';
import { plannedAt, runAt } from '../plan/records';

/** One thing that may be other than planned, and how much other it would have to be. */
interface Cause {
  id: string;
  /** What is other, in a sentence: `The copper of 5 V strip has 0.21 Ω a metre, not 0.165`. */
  words: string;
  /** What to do about it on site; null where the plan is what is to be mended. */
  advice: string | null;
  /** How far what was read is from what this would give, in units of how exactly it was read. Up to 1 it explains all of it. */
  misfit: number;
  /** What takes it over into the plan; null where it is a fault to be mended, or explains only part of what was read. */
  edit: Edit | null;
}

/** A reading beside what the plan gives there. */
interface ReadingCheck {
  reading: Reading;
  /** Null where the plan feeds nothing there. */
  expected: number | null;
  isAsPlanned: boolean;
}

/** Where to measure next, and what each cause would give there. */
interface NextReading {
  prop: number;
  run: number;
  pixel: number;
  shown: Shown;
  volts: { cause: string; volts: number }[];
}

/** What was read in one part of a show, and what explains it. */
export interface ExplainedPart {
  checks: ReadingCheck[];
  isAsPlanned: boolean;
  /** The likeliest first; those that explain all of it before those that do not. Empty while all is as planned. */
  causes: Cause[];
  /** What would tell the causes apart that explain all of it; null where one is left, or none. */
  next: NextReading | null;
}

/** Leads near what was read that are looked at; more would take minutes in a large part. */
const MOST_LEADS = 16;

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

/** What may be other, with a measure of how much; 1 is as planned. */
interface Suspect {
  id: string;
  /** Of the measure, in which it is looked for. */
  range: readonly [least: number, most: number];
  /** How likely it is against others that fit as well: smaller is likelier. */
  rank: number;
  change: (measure: number) => Partial<Trial>;
  told: (measure: number) => Pick<Cause, 'words' | 'advice' | 'edit'>;
}

interface Trial {
  ohm: Float64Array;
  kinds: readonly LoadKind[];
  supplyVolts: readonly number[];
  levelOf: (level: number) => number;
}

class Part {
  private readonly asPlanned: Trial;
  /** Of each reading, what other parts of the show and other things add to it: amps of a supply that feeds more than this part. */
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

  /** What each reading would have been; null where nothing reaches. */
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
  const found = suspectsOf(plan, group, wiring, readings, part)
    .map((suspect) => ({ suspect, ...fitted(suspect, part) }))
    // One that hardly helps explains nothing, and no more does one that would have to be beyond what can be.
    .filter(({ misfit }) => misfit < Math.min(0.7 * planned, planned - 0.3))
    .filter(({ suspect: { range }, measure }) => measure > range[0] * 1.03 && measure < range[1] / 1.03)
    .sort((a, b) => Math.max(1, a.misfit) - Math.max(1, b.misfit) || a.suspect.rank - b.suspect.rank);
  const causes = found.map(({ suspect, measure, misfit }): Cause => {
    const told = suspect.told(measure);
    // What leaves part of it unexplained is no figure to plan with.
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

/** How much other a suspect has to be for the least misfit: golden section over the logarithm of its measure. */
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

function loadOfPixel(plan: Plan, wiring: PowerWiring, prop: number, run: number, pixel: number): number {
  const index = plannedAt(plan, prop).firstRun + run - 1;
  const first = run > plannedAt(plan, prop).runCount ? undefined : wiring.firstLoadOfRun.get(index);
  return first === undefined || pixel > runAt(plan, index).pixelCount ? -1 : first + pixel - 1;
}

const measured = <Value>(value: Value, how: string): Figure<Value> => ({ value, basis: 'measured', how });
const HOW = 'from readings along the wiring';
const near = (share: number) => Number(share.toPrecision(3));

function suspectsOf(
  plan: Plan,
  group: PowerGroup,
  wiring: PowerWiring,
  readings: readonly Reading[],
  part: Part,
): Suspect[] {
  const { show } = plan;
  const { wires, loads } = wiring.network;
  const isPiece = new Uint8Array(wires.ohm.length);
  for (const { plusWire, minusWire } of wiring.pieces) {
    if (plusWire >= 0) isPiece[plusWire] = 1;
    isPiece[minusWire] = 1;
  }
  // Nodes of pixels come in pairs in the order of the loads.
  const typeIdOf = (load: number) =>
    wiring.pixelOfLoad[load]! < 0
      ? null
      : itemAt(show.props, runAt(plan, plan.pixels.run[wiring.pixelOfLoad[load]!]!).prop).pixelTypeId;
  const made: Suspect[] = [];
  const typeIds = new Set(
    group.props.map((prop) => itemAt(show.props, prop).pixelTypeId).filter((id) => hasPixels(id)),
  );
  function hasPixels(id: string) {
    return wiring.pixelOfLoad.some((_, load) => typeIdOf(load) === id);
  }
  for (const id of typeIds) {
    const type = byId(show.pixelTypes, id);
    const electric = electricOf(type);
    const set = (change: ElectricSaid): Edit => ({
      type: 'changePixelType',
      pixelTypeId: id,
      change: { electric: { ...type.electric, ...change } },
    });
    const isRail = Uint8Array.from(wires.ohm, (_, i) =>
      !isPiece[i] && typeIdOf(wires.from[i]! >> 1) === id ? 1 : 0,
    );
    const said = JSON.stringify(electric);
    const isOfType = wiring.kinds.map(
      (kind) => kind.kind === 'pixel' && JSON.stringify(kind.electric) === said,
    );
    const { rail } = electric;
    const before =
      rail.kind === 'copper'
        ? rail.ohmPerM.value
        : (rail.ohmPerM?.value ?? wireSize(rail.wire).milliohmPerM / 1000);
    made.push({
      id: `rail ${id}`,
      range: [0.1, 10],
      rank: 1,
      change: (times) => ({ ohm: wires.ohm.map((ohm, i) => (isRail[i] ? ohm * times : ohm)) }),
      told: (times) => {
        const ohmPerM = measured(near(before * times), HOW);
        const after: Rail = rail.kind === 'copper' ? { kind: 'copper', ohmPerM } : { ...rail, ohmPerM };
        return {
          words: `${rail.kind === 'copper' ? 'The copper' : 'The wire'} of ${type.name} has ${ohmPerM.value} Ω a metre, not ${near(before)}: ${times > 1 ? 'thinner' : 'thicker'} than taken`,
          advice: null,
          edit: set({ rail: after }),
        };
      },
    });
    made.push({
      id: `draw ${id}`,
      range: [0.1, 6],
      rank: 2,
      change: (times) => ({
        kinds: wiring.kinds.map((kind, i) =>
          kind.kind === 'pixel' && isOfType[i]
            ? {
                ...kind,
                electric: {
                  ...kind.electric,
                  draw: Object.fromEntries(
                    Object.entries(kind.electric.draw).map(([of, figure]) => [
                      of,
                      of === 'idle' ? figure : { ...figure, value: figure.value * times },
                    ]),
                  ),
                },
              }
            : kind,
        ),
      }),
      told: (times) => {
        const colours = coloursOf(type);
        const draw = Object.fromEntries(
          colours.map((colour) => [
            colour,
            measured(Number((electric.draw[colour]!.value * times).toFixed(2)), HOW),
          ]),
        );
        return {
          words: `Each colour of ${type.name} draws ${near(times * 100)} % of what was taken: ${colours.map((colour) => `${colour} ${draw[colour]!.value} mA`).join(', ')}. ${times < 1 ? 'Lower-current parts' : 'Brighter parts'}`,
          advice: null,
          edit: set({ draw: { ...type.electric?.draw, ...draw } }),
        };
      },
    });
  }

  const asPlanned = itemAt(part.solve({}, [itemAt(readings, 0).shown]), 0);
  const seen = new Set<number>();
  const isRead = (feed: Feed, index: number) =>
    readings.some(({ value, of }) =>
      of.list === 'feeds'
        ? of.index === index
        : of.list === 'props' &&
          feed.pieces.some(
            ({ to }) =>
              to.kind === 'pixel' &&
              to.propId === itemAt(show.props, of.index).id &&
              'run' in value &&
              to.run === value.run,
          ),
    );
  for (const { feed: index, plusWire, minusWire } of wiring.pieces) {
    if (plusWire < 0 || seen.has(index) || seen.size >= MOST_LEADS) continue;
    const feed = itemAt(show.feeds, index);
    if (!isRead(feed, index)) continue;
    seen.add(index);
    const { wire, lengthMm } = itemAt(feed.pieces, 0);
    const planned = wires.ohm[plusWire]!;
    const amps = Math.abs(asPlanned.wireAmps[plusWire]!);
    made.push({
      id: `lead ${feed.id}`,
      // Ohm that both conductors have besides, from next to nothing to a joint that hardly conducts.
      range: [0.002, 5],
      rank: 1.5,
      change: (more) => ({
        ohm: wires.ohm.map((ohm, i) => (i === plusWire || i === minusWire ? ohm + more / 2 : ohm)),
      }),
      told: (more) => {
        const perM = (1000 * (planned + more / 2)) / (lengthMm / 1000);
        const like = WIRE_SIZES.find(
          (size) =>
            Math.abs(size.milliohmPerM / perM - 1) < 0.15 && size.milliohmPerM > wireSize(wire).milliohmPerM,
        );
        return {
          words: `${feed.name} has ${near(more)} Ω more than planned${like ? `, as if it were ${like.words} and not ${wireSize(wire).words}` : ''}`,
          advice: `A bad joint or a thinner wire. Unplug the supply, then look at its plugs, its fuse holder and its crimps, and feel which was warm: ${formatWatts(amps * amps * more)} are lost there at ${formatAmps(amps)}.`,
          edit: like
            ? {
                type: 'changeFeed',
                feedId: feed.id,
                change: {
                  pieces: feed.pieces.map((piece, i) => (i === 0 ? { ...piece, wire: like.id } : piece)),
                },
              }
            : null,
        };
      },
    });
  }

  // A joint along a run can only be told between the places that were read.
  const places = readings.flatMap(({ value, of }) =>
    value.what === 'pixelVolts' || value.what === 'fadesFrom'
      ? [{ prop: of.index, run: value.run, pixel: value.pixel }]
      : [],
  );
  for (const { prop, run, pixel } of places) {
    const load = loadOfPixel(plan, wiring, prop, run, pixel);
    if (load <= 0) continue;
    const fedAt = show.feeds.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) =>
        to.kind === 'pixel' && to.propId === itemAt(show.props, prop).id && to.run === run ? [to.pixel] : [],
      ),
    );
    const marks = [
      ...fedAt,
      ...places.filter((each) => each.prop === prop && each.run === run).map((each) => each.pixel),
    ];
    for (const side of [-1, 1] as const) {
      const beyond = marks.filter((mark) => (mark - pixel) * side > 0);
      if (beyond.length === 0) continue;
      const mark = side < 0 ? Math.max(...beyond) : Math.min(...beyond);
      const [from, to] = side < 0 ? [mark, pixel] : [pixel, mark];
      const middle = Math.floor((from + to - 1) / 2);
      const first = loadOfPixel(plan, wiring, prop, run, middle);
      const joints = Array.from(wires.ohm.keys()).filter(
        (i) => !isPiece[i] && wires.from[i]! >> 1 === first && wires.to[i]! >> 1 === first + 1,
      );
      if (joints.length === 0) continue;
      const id = `joint ${prop} ${run} ${from} ${to}`;
      if (made.some((each) => each.id === id)) continue;
      made.push({
        id,
        range: [0.005, 20],
        rank: 1.8,
        change: (more) => ({
          ohm: wires.ohm.map((ohm, i) => (joints.includes(i) ? ohm + more / joints.length : ohm)),
        }),
        told: (more) => ({
          words: `A joint of ${itemAt(show.props, prop).name}, run ${run}, between pixels ${from} and ${to} has ${near(more)} Ω`,
          advice: `Unplug the supply and remake it. Volts read pixel by pixel jump where it is; it may be warm.`,
          edit: null,
        }),
      });
    }
  }

  wiring.supplies.forEach((index, at) => {
    const supply = itemAt(show.supplies, index);
    made.push({
      id: `supply ${supply.id}`,
      range: [0.6, 1.15],
      rank: 3,
      change: (times) => ({
        supplyVolts: wiring.network.supplies.map(({ volts }, i) => (i === at ? volts * times : volts)),
      }),
      told: (times) => {
        const volts = Number((supply.volts * times).toFixed(2));
        return {
          words: `${supply.name} gives ${formatVolts(volts)}, not ${formatVolts(supply.volts)}`,
          advice:
            times < 1
              ? 'It sags under this load, or its trimmer is low. Measure at its terminals with everything lit.'
              : 'Its trimmer is high. Measure at its terminals.',
          edit: { type: 'changeSupply', supplyId: supply.id, change: { volts } },
        };
      },
    });
  });

  if (readings.some(({ shown }) => shown.level < 1) && loads.kind.length > 0)
    made.push({
      id: 'level',
      range: [0.3, 3.5],
      rank: 2.5,
      change: (power) => ({ levelOf: (level) => level ** power }),
      told: (power) => ({
        words: `A percent of the program is another at the chips: 50 % is ${near(100 * 0.5 ** power)} % there, as with a gamma of ${power.toFixed(1)}`,
        advice:
          'Look for a gamma or a dimming curve in the program or the device. Full white is the same with it and without.',
        edit: null,
      }),
    });
  return made;
}

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
