import { largestClosed, LOADING, supplyFor } from '../catalogue/supply';

/** A stretch of a run on one supply, by its pixels from 1. */
export interface Stretch {
  /** Index of the run in the plan. */
  run: number;
  from: number;
  to: number;
  /** Supplies are counted from 0. */
  zone: number;
  amps: number;
}

interface Zones {
  stretches: Stretch[];
  count: number;
  /** The rating of each supply, in amps; null where no usual one carries its zone. */
  ratedAmps: number | null;
}

/** A run, with the amps of its pixels. */
interface LoadedRun {
  run: number;
  amps: Float64Array;
}

/**
 * Parts the pixels of some runs among as few closed supplies as carry them for hours, all of one size. Whole runs stay together where that
 * takes at most one supply more, since plus is not cut then.
 */
export function zonesOf(loaded: readonly LoadedRun[], volts: number): Zones {
  const runs = loaded.filter(({ amps }) => amps.length > 0);
  const total = runs.reduce((sum, { amps }) => sum + sumOf(amps), 0);
  const most = largestClosed(volts) * LOADING;
  const least = Math.max(1, Math.ceil(total / most - 1e-9));
  const pixels = runs.reduce((sum, { amps }) => sum + amps.length, 0);
  const fits = ({ stretches, count }: Omit<Zones, 'ratedAmps'>) =>
    fullestZone(stretches, count) <= most + 1e-9;
  const whole = [least, least + 1]
    .filter((count) => count <= runs.length)
    .map((count) => ({ count, stretches: byRuns(runs, total, count) }))
    .find(fits);
  let made = whole ?? { count: least, stretches: byPixels(runs, total, least) };
  while (!fits(made) && made.count < pixels) {
    const count = made.count + 1;
    made = { count, stretches: byPixels(runs, total, count) };
  }
  return { ...made, ratedAmps: supplyFor(volts, fullestZone(made.stretches, made.count)) };
}

/** Everything on one supply. */
export function oneZone(loaded: readonly LoadedRun[]): Stretch[] {
  return byRuns(
    loaded.filter(({ amps }) => amps.length > 0),
    1,
    1,
  );
}

function fullestZone(stretches: readonly Stretch[], count: number): number {
  const amps = new Float64Array(count);
  for (const stretch of stretches) amps[stretch.zone] = (amps[stretch.zone] ?? 0) + stretch.amps;
  return Math.max(...amps);
}

const sumOf = (amps: Float64Array): number => amps.reduce((sum, each) => sum + each, 0);

/** The zone of what has so much before its middle. */
const zoneAt = (ampsBefore: number, total: number, count: number): number =>
  Math.min(count - 1, Math.floor((count * ampsBefore) / Math.max(total, 1e-9)));

function byRuns(runs: readonly LoadedRun[], total: number, count: number): Stretch[] {
  let before = 0;
  return runs.map(({ run, amps }) => {
    const own = sumOf(amps);
    const zone = zoneAt(before + own / 2, total, count);
    before += own;
    return { run, from: 1, to: amps.length, zone, amps: own };
  });
}

function byPixels(runs: readonly LoadedRun[], total: number, count: number): Stretch[] {
  const made: Stretch[] = [];
  let before = 0;
  for (const { run, amps } of runs) {
    let stretch: Stretch | null = null;
    amps.forEach((own, i) => {
      const zone = zoneAt(before + own / 2, total, count);
      before += own;
      if (stretch?.zone !== zone) made.push((stretch = { run, from: i + 1, to: i, zone, amps: 0 }));
      stretch.to += 1;
      stretch.amps += own;
    });
  }
  return made;
}
