import { coloursOf, electricOf, type ElectricSaid, type Rail } from '../catalogue/electric';
import type { Feed } from '../catalogue/feed';
import type { PixelType } from '../catalogue/pixelType';
import { WIRE_SIZES, wireSize } from '../catalogue/wire';
import type { Figure } from '../figures/figure';
import { plannedAt, propOfRun, runAt } from '../plan/records';
import type { Plan } from '../plan/planned';
import type { Edit } from '../show/edits/registry';
import { formatAmps, formatVolts, formatWatts } from '../units/electric';
import { byId, itemAt } from '../units/there';
import type { PowerGroup } from './groups';
import type { Reading } from './readings';
import type { Solution } from './solve';
import type { LoadKind, PowerWiring } from './wiring';

/** One thing that may be other than planned, and how much other it would have to be. */
export interface Cause {
  id: string;
  /** The cause, in a sentence: `The copper of 5 V strip has 0.21 Ω a metre, not 0.165`. */
  words: string;
  /** The fix on site; null where the plan is wrong. */
  advice: string | null;
  /** Distance of the readings from this cause, in units of their exactness. Up to 1 it explains them. */
  misfit: number;
  /** The edit that takes it over into the plan; null for a fault to fix, or a cause that explains only part of the readings. */
  edit: Edit | null;
}

/** A quantity that may be another, with a measure; 1 is as planned. */
export interface Suspect {
  id: string;
  /** Range of the measure to search. */
  range: readonly [least: number, most: number];
  /** Order among causes that fit as well: smaller is likelier. */
  rank: number;
  change: (measure: number) => Partial<Trial>;
  told: (measure: number) => Pick<Cause, 'words' | 'advice' | 'edit'>;
}

export interface Trial {
  ohm: Float64Array;
  kinds: readonly LoadKind[];
  supplyVolts: readonly number[];
  levelOf: (level: number) => number;
}

/** Leads near what was read that are looked at; more would take minutes in a large part. */
const MOST_LEADS = 16;

/** A part of a show in which something was read. */
interface ReadPart {
  plan: Plan;
  group: PowerGroup;
  wiring: PowerWiring;
  readings: readonly Reading[];
  /** The part as planned, lit as at the first reading. */
  solved: () => Solution;
}

const measured = <Value>(value: Value, how: string): Figure<Value> => ({ value, basis: 'measured', how });
const HOW = 'from readings along the wiring';
const near = (share: number) => Number(share.toPrecision(3));

export function loadOfPixel(
  plan: Plan,
  wiring: PowerWiring,
  prop: number,
  run: number,
  pixel: number,
): number {
  const index = plannedAt(plan, prop).firstRun + run - 1;
  const first = run > plannedAt(plan, prop).runCount ? undefined : wiring.firstLoadOfRun.get(index);
  return first === undefined || pixel > runAt(plan, index).pixelCount ? -1 : first + pixel - 1;
}

/** Everything that may be other than planned in a part, each as one thing. */
export function suspectsOf(part: ReadPart): Suspect[] {
  const isPiece = piecesOf(part.wiring);
  return [
    ...typeSuspects(part, isPiece),
    ...leadSuspects(part),
    ...jointSuspects(part, isPiece),
    ...supplySuspects(part),
    ...levelSuspects(part),
  ];
}

/** For each wire of a network 1 where it is a piece of a lead. */
function piecesOf({ network: { wires }, pieces }: PowerWiring): Uint8Array {
  const isPiece = new Uint8Array(wires.ohm.length);
  for (const { plusWire, minusWire } of pieces) {
    if (plusWire >= 0) isPiece[plusWire] = 1;
    isPiece[minusWire] = 1;
  }
  return isPiece;
}

/** Copper and current of each type of pixel in the part. */
function typeSuspects({ plan, group, wiring }: ReadPart, isPiece: Uint8Array): Suspect[] {
  const { show } = plan;
  // Nodes of pixels come in pairs in the order of the loads.
  const typeIdOf = (load: number) => {
    const pixel = wiring.pixelOfLoad[load]!;
    return pixel < 0 ? null : propOfRun(plan, plan.pixels.run[pixel]!).pixelTypeId;
  };
  const ids = new Set(
    group.props
      .map((prop) => itemAt(show.props, prop).pixelTypeId)
      .filter((id) => wiring.pixelOfLoad.some((_, load) => typeIdOf(load) === id)),
  );
  return [...ids].flatMap((id) => {
    const type = byId(show.pixelTypes, id);
    const { from, ohm } = wiring.network.wires;
    const isRail = Uint8Array.from(ohm, (_, i) => (!isPiece[i] && typeIdOf(from[i]! >> 1) === id ? 1 : 0));
    return [railSuspect(type, wiring, isRail), drawSuspect(type, wiring)];
  });
}

const changeElectric = ({ id, electric }: PixelType, change: ElectricSaid): Edit => ({
  type: 'changePixelType',
  pixelTypeId: id,
  change: { electric: { ...electric, ...change } },
});

/** @param isRail of each wire whether it is copper of that type */
function railSuspect(type: PixelType, { network: { wires } }: PowerWiring, isRail: Uint8Array): Suspect {
  const { rail } = electricOf(type);
  const before =
    rail.kind === 'copper'
      ? rail.ohmPerM.value
      : (rail.ohmPerM?.value ?? wireSize(rail.wire).milliohmPerM / 1000);
  return {
    id: `rail ${type.id}`,
    range: [0.1, 10],
    rank: 1,
    change: (times) => ({ ohm: wires.ohm.map((ohm, i) => (isRail[i] ? ohm * times : ohm)) }),
    told: (times) => {
      const ohmPerM = measured(near(before * times), HOW);
      const after: Rail = rail.kind === 'copper' ? { kind: 'copper', ohmPerM } : { ...rail, ohmPerM };
      return {
        words: `${rail.kind === 'copper' ? 'The copper' : 'The wire'} of ${type.name} has ${ohmPerM.value} Ω a metre, not ${near(before)}: ${times > 1 ? 'thinner' : 'thicker'} than taken`,
        advice: null,
        edit: changeElectric(type, { rail: after }),
      };
    },
  };
}

function drawSuspect(type: PixelType, wiring: PowerWiring): Suspect {
  const electric = electricOf(type);
  const said = JSON.stringify(electric);
  const isOfType = wiring.kinds.map(
    (kind) => kind.kind === 'pixel' && JSON.stringify(kind.electric) === said,
  );
  return {
    id: `draw ${type.id}`,
    range: [0.1, 6],
    rank: 2,
    change: (times) => ({
      kinds: wiring.kinds.map((kind, i) =>
        kind.kind === 'pixel' && isOfType[i] ? drawing(kind, times) : kind,
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
        edit: changeElectric(type, { draw: { ...type.electric?.draw, ...draw } }),
      };
    },
  };
}

/** A kind of load whose colours draw so many times what they draw. */
function drawing(kind: Extract<LoadKind, { kind: 'pixel' }>, times: number): LoadKind {
  const draw = Object.fromEntries(
    Object.entries(kind.electric.draw).map(([of, figure]) => [
      of,
      of === 'idle' ? figure : { ...figure, value: figure.value * times },
    ]),
  );
  return { ...kind, electric: { ...kind.electric, draw } };
}

/** Leads at whose ends, or along whose runs, something was read. */
function leadSuspects({ plan: { show }, wiring, readings, solved }: ReadPart): Suspect[] {
  const made: Suspect[] = [];
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
    made.push(leadSuspect(feed, wiring, solved(), plusWire, minusWire));
  }
  return made;
}

function leadSuspect(
  feed: Feed,
  { network: { wires } }: PowerWiring,
  solved: Solution,
  plusWire: number,
  minusWire: number,
): Suspect {
  const { wire, lengthMm } = itemAt(feed.pieces, 0);
  const planned = wires.ohm[plusWire]!;
  const amps = Math.abs(solved.wireAmps[plusWire]!);
  return {
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
  };
}

/** Joints along runs, between places that were read or are fed: a joint can only be told between two of them. */
function jointSuspects(part: ReadPart, isPiece: Uint8Array): Suspect[] {
  const { plan, readings } = part;
  const made = new Map<string, Suspect>();
  const places = readings.flatMap(({ value, of }) =>
    value.what === 'pixelVolts' || value.what === 'fadesFrom'
      ? [{ prop: of.index, run: value.run, pixel: value.pixel }]
      : [],
  );
  for (const { prop, run, pixel } of places) {
    if (loadOfPixel(plan, part.wiring, prop, run, pixel) <= 0) continue;
    const { id } = itemAt(plan.show.props, prop);
    const fedAt = plan.show.feeds.flatMap(({ pieces }) =>
      pieces.flatMap(({ to }) =>
        to.kind === 'pixel' && to.propId === id && to.run === run ? [to.pixel] : [],
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
      const suspect = jointSuspect(part, isPiece, prop, run, side < 0 ? [mark, pixel] : [pixel, mark]);
      if (suspect && !made.has(suspect.id)) made.set(suspect.id, suspect);
    }
  }
  return [...made.values()];
}

/** A joint half way between two pixels of a run; null where nothing joins them. */
function jointSuspect(
  { plan, wiring }: ReadPart,
  isPiece: Uint8Array,
  prop: number,
  run: number,
  [from, to]: readonly [number, number],
): Suspect | null {
  const { wires } = wiring.network;
  const middle = Math.floor((from + to - 1) / 2);
  const first = loadOfPixel(plan, wiring, prop, run, middle);
  const joints = Array.from(wires.ohm.keys()).filter(
    (i) => !isPiece[i] && wires.from[i]! >> 1 === first && wires.to[i]! >> 1 === first + 1,
  );
  if (joints.length === 0) return null;
  return {
    id: `joint ${prop} ${run} ${from} ${to}`,
    range: [0.005, 20],
    rank: 1.8,
    change: (more) => ({
      ohm: wires.ohm.map((ohm, i) => (joints.includes(i) ? ohm + more / joints.length : ohm)),
    }),
    told: (more) => ({
      words: `A joint of ${itemAt(plan.show.props, prop).name}, run ${run}, between pixels ${from} and ${to} has ${near(more)} Ω`,
      advice: `Unplug the supply and remake it. Volts read pixel by pixel jump where it is; it may be warm.`,
      edit: null,
    }),
  };
}

function supplySuspects({ plan: { show }, wiring }: ReadPart): Suspect[] {
  return wiring.supplies.map((index, at): Suspect => {
    const supply = itemAt(show.supplies, index);
    return {
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
    };
  });
}

/** A level that is another at the chips than in the program. */
function levelSuspects({ wiring, readings }: ReadPart): Suspect[] {
  if (wiring.network.loads.kind.length === 0 || readings.every(({ shown }) => shown.level >= 1)) return [];
  return [
    {
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
    },
  ];
}
