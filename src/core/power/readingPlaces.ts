import { electricOf } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import { runName } from '../plan/runName';
import type { Fact, Facts } from '../show/facts';
import { endWords } from './leadWords';
import { powerReport, type FedLead } from './report';
import { fadingVolts, readingField, readingValueSchema, type ReadingValue } from './readings';
import type { Shown } from './shown';
import { solvePower } from './solvePower';
import { itemAt, byId } from '../units/there';
import { plannedAt, runAt } from '../plan/records';

/** A named place at which something can be read, and what the plan gives there. */
export interface ReadingPlace {
  list: 'props' | 'feeds' | 'supplies';
  /** Id of the record in that list. */
  recordId: string;
  /** The place for the tips, or for the eyes: `Lead 3, where it joins Net curtain run 1, pixel 280`. */
  where: string;
  unit: 'V' | 'A' | 'pixel' | '%';
  /** By the plan, of what is shown; null where nothing is to be seen, or where the plan feeds nothing. */
  expected: number | null;
  /** The note to make, but for the number that is read. */
  value: ReadingValue;
  /** The earlier note there under the same light. */
  noted: Fact | undefined;
}

/** The number that a noted reading stands for. */
function numberRead(value: ReadingValue): number {
  switch (value.what) {
    case 'amps':
      return value.amps;
    case 'fadesFrom':
      return value.pixel;
    case 'recovers':
      return value.percent;
    default:
      return value.volts;
  }
}

/** The number that a note has; null without a note, and for one that is no reading. */
export function numberNoted(noted: Fact | undefined): number | null {
  const read = readingValueSchema.safeParse(noted?.value);
  return read.success ? numberRead(read.data) : null;
}

/** The same with the number that was read. */
export function withRead(value: ReadingValue, read: number): ReadingValue {
  switch (value.what) {
    case 'amps':
      return { ...value, amps: read };
    case 'fadesFrom':
      return { ...value, pixel: read };
    case 'recovers':
      return { ...value, percent: read };
    default:
      return { ...value, volts: read };
  }
}

/** The end of a piece of a power feed, as a place to read volts at. */
export function leadEndPlace(
  { show }: Pick<Plan, 'show'>,
  facts: Facts,
  shown: Shown,
  lead: FedLead,
  piece: number,
): ReadingPlace {
  const feed = itemAt(show.feeds, lead.feed);
  const value: ReadingValue = { what: 'leadVolts', piece, ...lightOf(shown), volts: 0 };
  return {
    list: 'feeds',
    recordId: feed.id,
    where: `${feed.name}, where it joins ${endWords(show, itemAt(feed.pieces, piece).to)}`,
    unit: 'V',
    expected: lead.pieces[piece]?.voltsAtEnd ?? null,
    value,
    noted: facts.find('measurement', 'feeds', feed.id, readingField(value)),
  };
}

/** The light meanwhile, as the note says it. */
const lightOf = ({ light, level }: Shown) => ({ light, percent: Math.round(level * 1000) / 10 });

/**
 * Every place of a show, or of one prop, at which reading is worth it: supplies, leads where they begin and where they join, ends of runs and
 * where the volts are lowest; and what the eye sees without a meter.
 *
 * @param prop index of the one that is asked about; null for all
 */
export function readingPlaces(plan: Plan, facts: Facts, shown: Shown, prop: number | null): ReadingPlace[] {
  const { show } = plan;
  const about = lightOf(shown);
  const report = powerReport(plan, shown);
  const groups = solvePower(plan, shown).filter(({ group }) => prop === null || group.props.includes(prop));
  const noted = (place: Omit<ReadingPlace, 'noted'>): ReadingPlace => ({
    ...place,
    noted: facts.find('measurement', place.list, place.recordId, readingField(place.value)),
  });
  const supplies = new Set(groups.flatMap(({ wiring }) => wiring.supplies));
  const made: ReadingPlace[] = [];
  for (const index of [...supplies].sort((a, b) => a - b)) {
    const supply = itemAt(show.supplies, index);
    made.push(
      noted({
        list: 'supplies',
        recordId: supply.id,
        where: `${supply.name}, at its terminals`,
        unit: 'V',
        expected: supply.volts,
        value: { what: 'supplyVolts', ...about, volts: 0 },
      }),
      noted({
        list: 'supplies',
        recordId: supply.id,
        where: `${supply.name}, all that it gives`,
        unit: 'A',
        expected: itemAt(report.supplies, index).amps,
        value: { what: 'amps', ...about, amps: 0 },
      }),
    );
  }
  /** Pixels of runs that have a place of their own already. */
  const taken = new Set<string>();
  for (const lead of report.leads) {
    const feed = itemAt(show.feeds, lead.feed);
    if (!groups.some(({ group }) => group.feeds.includes(lead.feed)) || lead.isLoose || feed.groundOnly)
      continue;
    made.push(
      noted({
        list: 'feeds',
        recordId: feed.id,
        where: `${feed.name}, at its fuse`,
        unit: 'A',
        expected: Math.abs(lead.amps),
        value: { what: 'amps', ...about, amps: 0 },
      }),
    );
    feed.pieces.forEach(({ to }, piece) => {
      if (to.kind === 'pixel') taken.add(`${to.propId} ${to.run} ${to.pixel}`);
      made.push(leadEndPlace(plan, facts, shown, lead, piece));
    });
  }
  for (const { group, wiring, solution } of groups)
    for (const index of group.props) {
      const { id, pixelTypeId } = itemAt(show.props, index);
      if (prop !== null && index !== prop) continue;
      const type = byId(show.pixelTypes, pixelTypeId);
      const fading = fadingVolts(electricOf(type), type.colourOrder);
      const { firstRun, runCount } = plannedAt(plan, index);
      for (let run = firstRun; run < firstRun + runCount; run += 1) {
        const first = wiring.firstLoadOfRun.get(run);
        if (first === undefined) continue;
        const { number, pixelCount } = runAt(plan, run);
        const volts = solution.loadVolts.subarray(first, first + pixelCount);
        let lowest = 0;
        for (let i = 1; i < pixelCount; i += 1) if (volts[i]! < volts[lowest]!) lowest = i;
        for (const pixel of new Set([lowest + 1, pixelCount])) {
          if (taken.has(`${id} ${number} ${pixel}`)) continue;
          made.push(
            noted({
              list: 'props',
              recordId: id,
              where: `${runName(plan, run)}, pixel ${pixel}, ${pixel === pixelCount ? 'its last' : 'where it is lowest'}`,
              unit: 'V',
              expected: solution.unfed[first + pixel - 1] ? null : volts[pixel - 1]!,
              value: { what: 'pixelVolts', run: number, pixel, ...about, volts: 0 },
            }),
          );
        }
        const fades = volts.findIndex((each) => each < fading);
        made.push(
          noted({
            list: 'props',
            recordId: id,
            where: `${runName(plan, run)}, the first pixel that is no longer white`,
            unit: 'pixel',
            expected: fades === -1 ? null : fades + 1,
            value: { what: 'fadesFrom', run: number, pixel: 1, ...about },
          }),
          noted({
            list: 'props',
            recordId: id,
            where: `${runName(plan, run)}, the level at which it is white to its end`,
            unit: '%',
            expected: null,
            value: { what: 'recovers', run: number, light: shown.light, percent: 0 },
          }),
        );
      }
    }
  return made;
}
