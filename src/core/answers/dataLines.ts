import { dataDriveOf } from '../catalogue/dataDrive';
import {
  DRIVER_NAMES,
  DRIVER_WORDS,
  HIGH_SHARE,
  MOST_CHIP_VOLTS,
  REACH_MM,
  type DataLead,
  type Driver,
} from '../catalogue/dataLine';
import type { Plan } from '../plan/planned';
import type { PowerGroup } from '../power/groups';
import { FULL_WHITE } from '../power/shown';
import { isPanelled } from '../props/registry';
import { solveSuited } from '../power/solvePower';
import { formatVolts } from '../units/electric';
import { formatLength, type Lengths } from '../units/length';
import { USUAL_SITE } from '../show/siteSchema';
import { cableLength, endsOfLead, leadsOf } from './site';
import { itemAt } from '../units/there';
import { plannedAt, runAt, pixelTypeOf } from '../plan/records';

/** Whether ground goes with the data: by wires of the plan, by what was said of the data wire, not at all, or nobody knows. */
export type GroundBy = 'supply' | 'dataLead' | 'none' | 'unsaid';

type Verdict = 'good' | 'marginal' | 'wrong';

/** The data wire from a port, or from the run before, to the first pixel of a run. */
export interface DataLine {
  /** Index of the run in the plan. */
  run: number;
  controller: number;
  port: string;
  /** Index of the run from whose last pixel it comes; null where it comes from the port. */
  fromRun: number | null;
  /** As said, else as the drawing of the site says; null where neither does. */
  lengthMm: number | null;
  lengthIsDrawn: boolean;
  driver: Driver | 'pixel';
  said: DataLead;
  /** A pixel that stays dark takes the signal first and sends it on. */
  isRepeated: boolean;
  /** Volts of a one at its source. */
  logicVolts: number;
  /** Volts that its first pixel takes for a one at its highest supply: 0.7 of it. */
  wantsVolts: number;
  /** The highest supply of the first pixel at which this level still passes, rounded down. */
  passesUpToVolts: number;
  /** The least margin in volts: with everything dark, or with its ground lifted at full white. */
  marginVolts: number;
  /** The ground of the first pixel above that of the source, at full white; null where the network does not tell. */
  liftVolts: number | null;
  ground: GroundBy;
  level: Verdict;
  reach: Verdict;
}

/** Volts between plus and ground of a place, and of its ground above that of its supply. */
interface At {
  volts: number;
  lift: number;
}

/** Every data wire of the show, by controller and port. */
export function dataLinesOf(plan: Plan): DataLine[] {
  return linesOf(
    plan,
    powerOfPlaces(plan, () => true),
  );
}

/** The same with the network solved only where it may matter: where a source calls less than 5 V a one, or is said to have no ground along. */
export function doubtfulDataLines(plan: Plan): DataLine[] {
  const nominal = linesOf(
    plan,
    powerOfPlaces(plan, () => false),
  );
  const isDoubtful = (line: DataLine) => line.logicVolts < MOST_CHIP_VOLTS || line.said.ground === 'none';
  const props = new Set(nominal.filter(isDoubtful).map(({ run }) => runAt(plan, run).prop));
  return props.size === 0
    ? nominal
    : linesOf(
        plan,
        powerOfPlaces(plan, (prop) => props.has(prop)),
      );
}

function linesOf(plan: Plan, power: ReturnType<typeof powerOfPlaces>): DataLine[] {
  const { show } = plan;
  const entryOf = new Map(show.patch.map((entry) => [`${entry.propId} ${entry.run}`, entry]));
  return leadsOf(plan).flatMap((lead): DataLine[] => {
    const run = runAt(plan, lead.run);
    const prop = itemAt(show.props, run.prop);
    const type = pixelTypeOf(show, prop);
    const controller = itemAt(show.controllers, lead.controller);
    const entry = entryOf.get(`${prop.id} ${run.number}`);
    // Panels have ribbons.
    if (!entry || isPanelled(prop)) return [];
    const said = entry.dataLead ?? {};
    const drive = dataDriveOf(
      controller,
      show.controllerTypes.find((each) => each.id === controller.typeId),
    );
    const first = power.pixel(run.firstPixel, type.volts);
    const isPixel = lead.fromRun !== null;
    const before = isPixel ? runAt(plan, lead.fromRun!) : null;
    const source = before
      ? power.pixel(before.firstPixel + before.pixelCount - 1, type.volts)
      : power.board(lead.controller);
    const driver = said.helper ?? (isPixel ? 'pixel' : drive.driver);
    const logicVolts = said.helper
      ? MOST_CHIP_VOLTS
      : before
        ? chipVolts(source.white)
        : drive.logicVolts.value;
    const isRepeated = isRepeatedBefore(plan, lead.run, entry.skippedPixels);
    const lift = first.white && source.white ? first.white.lift - source.white.lift : null;
    const wantsVolts = HIGH_SHARE * chipVolts(first.dark ?? { volts: type.volts, lift: 0 });
    const margins = [
      logicVolts - wantsVolts,
      first.white
        ? logicVolts - Math.max(0, lift ?? first.white.lift) - HIGH_SHARE * chipVolts(first.white)
        : Infinity,
    ];
    const marginVolts = Math.min(...margins);
    const lengthMm = said.lengthMm ?? lead.cable?.value ?? null;
    const reach = REACH_MM[driver === 'pixel' ? 'buffer' : driver];
    return [
      {
        run: lead.run,
        controller: lead.controller,
        port: lead.port,
        fromRun: lead.fromRun,
        lengthMm,
        lengthIsDrawn: said.lengthMm === undefined && lead.cable !== null,
        driver,
        said,
        isRepeated,
        logicVolts,
        wantsVolts,
        passesUpToVolts: Math.floor((100 * logicVolts) / HIGH_SHARE + 1e-9) / 100,
        marginVolts,
        liftVolts: lift,
        ground: groundOf(said.ground, source.net !== null && source.net === first.net),
        level: marginVolts >= 0 || isRepeated ? 'good' : 'marginal',
        reach:
          lengthMm === null || reach === null || lengthMm <= reach[0]
            ? 'good'
            : lengthMm <= reach[1]
              ? 'marginal'
              : 'wrong',
      },
    ];
  });
}

function groundOf(said: DataLead['ground'], isJoined: boolean): GroundBy {
  if (isJoined) return 'supply';
  return said === undefined ? 'unsaid' : said === 'along' ? 'dataLead' : 'none';
}

/** Supply of a chip: that of its pixel, or some 5 V inside 12 V pixels. */
const chipVolts = (at: At | null): number => Math.min(MOST_CHIP_VOLTS, at?.volts ?? MOST_CHIP_VOLTS);

/** Volts at pixels and boards as far as they are known, dark and at full white, in the parts that hold a prop that is asked about. */
function powerOfPlaces(plan: Plan, isAsked: (prop: number) => boolean) {
  interface Place {
    dark: At | null;
    white: At | null;
    /** The ground that it is on, by wire or by a supply that both hang on; null where nothing feeds it. */
    net: number | null;
  }
  const ofPixel = new Map<number, Place>();
  const ofBoard = new Map<number, Place>();
  const wanted = new Set<number>();
  for (const { firstPixel, pixelCount } of plan.runs) wanted.add(firstPixel).add(firstPixel + pixelCount - 1);
  const nets = new Map<number, number>();
  const netOf = (index: number): number => {
    const up = nets.get(index) ?? index;
    return up === index ? index : netOf(up);
  };
  // A supply of boards alone is small, and says where their ground is.
  const suits = ({ props }: PowerGroup) => props.length === 0 || props.some(isAsked);
  const take = (shown: typeof FULL_WHITE, field: 'dark' | 'white') => {
    solveSuited(plan, suits, shown).forEach(({ wiring, solution }) => {
      const [net = -1, ...others] = wiring.supplies;
      for (const other of others) nets.set(netOf(other), netOf(net));
      const at = (load: number): At => ({
        volts: solution.loadVolts[load]!,
        lift: solution.nodeVolts[wiring.network.loads.minus[load]!]!,
      });
      const note = (map: Map<number, Place>, key: number, load: number) => {
        const place = map.get(key) ?? { dark: null, white: null, net: null };
        map.set(key, place);
        if (solution.unfed[load]) return;
        place[field] = at(load);
        place.net = net;
      };
      for (const [run, first] of wiring.firstLoadOfRun) {
        const { firstPixel, pixelCount } = runAt(plan, run);
        for (const pixel of new Set([firstPixel, firstPixel + pixelCount - 1]))
          note(ofPixel, pixel, first + pixel - firstPixel);
      }
      for (const { load, controller } of wiring.boards) note(ofBoard, controller, load);
    });
  };
  take({ ...FULL_WHITE, level: 0 }, 'dark');
  take(FULL_WHITE, 'white');
  const settled = (place: Place | undefined): Place =>
    place
      ? { ...place, net: place.net === null ? null : netOf(place.net) }
      : { dark: null, white: null, net: null };
  return {
    pixel: (pixel: number, volts: number): Place => {
      const place = settled(ofPixel.get(pixel));
      return place.dark ? place : { ...place, dark: { volts, lift: 0 } };
    },
    board: (controller: number): Place => settled(ofBoard.get(controller)),
  };
}

/**
 * Warnings that the data wire straight from a port of a controller to a run would bring, with supplies at their nominal volts: a slow
 * level shifter, a level that its first pixel may not take, a cable that is too long. 0 where there would be none.
 */
export function dataTroublesFrom(plan: Plan, controller: number, run: number): number {
  const { show } = plan;
  const { prop, number } = runAt(plan, run);
  const { id } = itemAt(show.props, prop);
  const entry = show.patch.find(({ propId, run: own }) => propId === id && own === number);
  const device = itemAt(show.controllers, controller);
  const drive = dataDriveOf(
    device,
    show.controllerTypes.find((each) => each.id === device.typeId),
  );
  const helper = entry?.dataLead?.helper;
  const driver = helper ?? drive.driver;
  const wantsVolts =
    HIGH_SHARE * chipVolts({ volts: pixelTypeOf(show, itemAt(show.props, prop)).volts, lift: 0 });
  const isTaken =
    (helper ? MOST_CHIP_VOLTS : drive.logicVolts.value) >= wantsVolts ||
    isRepeatedBefore(plan, run, entry?.skippedPixels ?? 0);
  const lengthMm = entry?.dataLead?.lengthMm ?? cableFrom(plan, controller, run);
  const reach = REACH_MM[driver];
  const isTooLong = reach !== null && lengthMm !== null && lengthMm > reach[1];
  return Number(driver === 'shifter') + Number(!isTaken) + Number(isTooLong);
}

/** Whether a pixel that stays dark takes the signal first: one put before the run, or the first of the prop itself. */
function isRepeatedBefore(plan: Plan, index: number, skippedPixels: number): boolean {
  const { prop, firstPixel } = runAt(plan, index);
  const planned = plannedAt(plan, prop);
  return skippedPixels > 0 || planned.hiddenPixels.includes(firstPixel - planned.firstPixel);
}

/** Length of the cable from a controller to the first pixel of a run, in mm; null while one of them is not on the drawing. */
function cableFrom(plan: Plan, controller: number, run: number): number | null {
  const ends = endsOfLead(plan, { run, fromRun: null, controller });
  if (!ends) return null;
  const straightMm = Math.hypot(ends.to.xMm - ends.from.xMm, ends.to.yMm - ends.from.yMm);
  return cableLength(straightMm, plan.show.site ?? USUAL_SITE).value;
}

/** Driver of a data wire, in a few words: `bare pin, 3.30 V`. */
export function driverWords({ driver, logicVolts }: DataLine): string {
  return `${driver === 'pixel' ? 'pixel before it' : DRIVER_NAMES[driver]}, ${formatVolts(logicVolts)}`;
}

/** Why a level does not pass surely, and what each school does about it. Empty where it does. */
export function levelWords(line: DataLine): string {
  if (line.level === 'good') return '';
  const { logicVolts, wantsVolts, passesUpToVolts, liftVolts, marginVolts } = line;
  const lifted = logicVolts - wantsVolts > marginVolts + 0.005 && liftVolts !== null;
  return `${formatVolts(logicVolts)} of data where ${formatVolts(wantsVolts)} are wanted (0.7 of its supply)${lifted ? `, and its ground is lifted by ${formatVolts(liftVolts)} at full white` : ''}: it passes surely up to a supply of ${formatVolts(passesUpToVolts)}. Schools: a fast buffer (74AHCT), which is within the data sheet; a hidden first pixel that sends it on, which costs a pixel; a short lead and hope, which works until a warm or a cold evening.`;
}

/** Advice for a wire that is too long. Empty where it is not. */
export function reachWords({ reach, driver, lengthMm }: DataLine, lengths: Lengths): string {
  if (reach === 'good' || lengthMm === null) return '';
  const [, hardly] = REACH_MM[driver === 'pixel' ? 'buffer' : driver]!;
  const by = driver === 'pixel' ? 'a pixel' : DRIVER_WORDS[driver];
  return reach === 'marginal'
    ? `${formatLength(lengthMm, lengths)} is at the limit of ${by}: it flickers first when it is damp.`
    : `${formatLength(lengthMm, lengths)} is more than ${by} drives (${formatLength(hardly, lengths)}): a pixel that sends it on every few metres, or a differential pair.`;
}
