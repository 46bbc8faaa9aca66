import { z } from 'zod';
import { coloursOf, electricOf, type Electric } from '../catalogue/electric';
import type { Plan } from '../plan/planned';
import type { Fact, Facts, Note } from '../show/facts';
import { LIGHTS, type Shown } from './shown';
import { itemAt, byId } from '../units/there';

const about = {
  /** The light of all pixels meanwhile. */
  light: z.enum(LIGHTS),
  percent: z.number().min(0).max(100),
};
const pixelAt = { run: z.int().min(1).max(500), pixel: z.int().min(1).max(100_000) };

/**
 * A reading taken on site, as it stands in the facts about a prop, a lead or a supply. Volts are between plus and ground of one place, amps
 * at the source of a lead or of a supply.
 */
export const readingValueSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('pixelVolts'), ...pixelAt, ...about, volts: z.number().min(0).max(60) }),
  z.strictObject({
    what: z.literal('leadVolts'),
    piece: z.int().min(0).max(199),
    ...about,
    volts: z.number().min(0).max(60),
  }),
  z.strictObject({ what: z.literal('supplyVolts'), ...about, volts: z.number().min(0).max(60) }),
  z.strictObject({ what: z.literal('amps'), ...about, amps: z.number().min(0).max(400) }),
  /** From this pixel on white is no longer white. */
  z.strictObject({ what: z.literal('fadesFrom'), ...pixelAt, ...about }),
  /** At this level the run is white again to its end. */
  z.strictObject({ what: z.literal('recovers'), run: pixelAt.run, ...about }),
]);
export type ReadingValue = z.infer<typeof readingValueSchema>;

/** Something that was read, on a thing of the show that is still there. */
export interface Reading {
  value: ReadingValue;
  /** Index of a prop, a power feed or a supply in the show. */
  of: { list: 'props' | 'feeds' | 'supplies'; index: number };
  shown: Shown;
  /** The value of the network to compare with: volts of a pixel, the lowest of a run, of a feed’s end, of a supply, or amps. */
  target: number;
  unit: 'V' | 'A';
}

/** Share of light left where a colour counts as faded: less is seen by most eyes. */
const NOTICED_LIGHT = 0.8;

/** A meter with its tips, or the place of a pixel, is this exact: nearer to what is expected, it is as planned. */
export function exactness(unit: 'V' | 'A', value: number): number {
  return unit === 'V' ? 0.05 : Math.max(0.02, 0.03 * value);
}

/** The volts at which the first colour of a type is seen to fade. */
export function fadingVolts(electric: Electric, colourOrder: string): number {
  return Math.max(
    ...coloursOf({ colourOrder }).map((colour) => {
      const { cutoffV, kneeV } = electric.knees[colour];
      return cutoffV + NOTICED_LIGHT * (kneeV - cutoffV);
    }),
  );
}

/** By which a reading is found again; a later one of the same place at the same light takes its place. */
export function readingField(value: ReadingValue): string {
  const where =
    value.what === 'pixelVolts'
      ? ` ${value.run} ${value.pixel}`
      : value.what === 'leadVolts'
        ? ` ${value.piece}`
        : value.what === 'fadesFrom' || value.what === 'recovers'
          ? ` ${value.run}`
          : '';
  // A level of recovery is itself what is read.
  const at = value.what === 'recovers' ? '' : ` ${value.light} ${value.percent}`;
  return `reading ${value.what}${where}${at}`;
}

/** A reading to be noted. */
export function readingNote(list: Reading['of']['list'], recordId: string, value: ReadingValue): Note {
  return { kind: 'measurement', list, recordId, field: readingField(value), value };
}

/** The same taken back. */
export function noReading({ kind, list, recordId, field }: Fact): Note {
  return { kind, list, recordId, field, value: null };
}

/** The reading in a fact; null where it says something else, or something that is gone. */
export function readingOf(plan: Plan, fact: Fact): Reading | null {
  const { show } = plan;
  if (fact.kind !== 'measurement' || !fact.field.startsWith('reading ')) return null;
  const { list } = fact;
  if (list !== 'props' && list !== 'feeds' && list !== 'supplies') return null;
  const read = readingValueSchema.safeParse(fact.value);
  const index = show[list].findIndex((each) => each.id === fact.recordId);
  if (!read.success || index === -1) return null;
  const value = read.data;
  const shown = {
    light: value.light,
    level: value.percent / 100,
    whiteBy: show.power?.whiteBy ?? ('all' as const),
  };
  const made = { value, of: { list, index }, shown };
  switch (value.what) {
    case 'amps':
      return { ...made, target: value.amps, unit: 'A' };
    case 'fadesFrom':
    case 'recovers': {
      if (list !== 'props') return null;
      const type = byId(show.pixelTypes, itemAt(show.props, index).pixelTypeId);
      return { ...made, target: fadingVolts(electricOf(type), type.colourOrder), unit: 'V' };
    }
    case 'pixelVolts':
    case 'leadVolts':
    case 'supplyVolts':
      return { ...made, target: value.volts, unit: 'V' };
  }
}

/** All that was read of a show. */
export function readingsOf(plan: Plan, facts: Facts): Reading[] {
  return facts.ofKind('measurement').flatMap((fact) => readingOf(plan, fact) ?? []);
}
