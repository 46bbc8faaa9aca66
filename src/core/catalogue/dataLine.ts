import { z } from 'zod';
import { figureSchema } from '../figures/figure';

/** Drivers of a data line at its source. */
export const DRIVERS = ['pin', 'buffer', 'shifter', 'pair'] as const;
export type Driver = (typeof DRIVERS)[number];

/** The same in a column of a table. */
export const DRIVER_NAMES: Record<Driver, string> = {
  pin: 'bare pin',
  buffer: 'fast buffer',
  shifter: 'slow shifter',
  pair: 'differential pair',
};

export const DRIVER_WORDS: Record<Driver, string> = {
  pin: 'a bare pin of the chip',
  buffer: 'a fast buffer, 74AHCT or 74HCT',
  shifter: 'a slow two-way shifter',
  pair: 'a differential pair and its receiver',
};

/** Reach of each to the first pixel, in mm: surely up to the first value, hardly beyond the second. Null: as far as its makers say. */
export const REACH_MM: Record<Driver, readonly [surely: number, hardly: number] | null> = {
  pin: [1000, 1800],
  buffer: [3000, 5000],
  shifter: [300, 1000],
  pair: null,
};

/** Share of the supply that a chip takes for a one: 0.7, as data sheets of one-wire chips say. */
export const HIGH_SHARE = 0.7;
/** Chips of 12 V lights run on about 5 V of their own. */
export const MOST_CHIP_VOLTS = 5;

/** Driver of the data lines of a controller; absent means the usual of its class. */
export const dataDriveSchema = z.strictObject({
  /** Volts of a one. */
  logicVolts: figureSchema(z.number().min(1).max(6)).optional(),
  driver: z.enum(DRIVERS).optional(),
});
export type DataDrive = z.infer<typeof dataDriveSchema>;

/** The way from a port to the first pixel of a run, as far as it was said. */
export const dataLeadSchema = z.strictObject({
  /** One way; absent while the drawing of the site says it, or nobody does. */
  lengthMm: z.number().min(0).max(1_000_000).optional(),
  /** Built into it near its source. */
  helper: z.enum(['buffer', 'pair']).optional(),
  /** In series near its source; 0 where the builder leaves it out on purpose. */
  seriesOhm: z.number().min(0).max(2000).optional(),
  /** Across the supply of the first pixel; 0 where the builder leaves it out on purpose. */
  capacitorUf: z.number().min(0).max(100_000).optional(),
  /** Whether ground goes along with data. */
  ground: z.enum(['along', 'none']).optional(),
  /** The place of the second data wire of the first pixel, for chips that have one. */
  backup: z.enum(['joined', 'ground']).optional(),
});
export type DataLead = z.infer<typeof dataLeadSchema>;

/** Chips with a second data wire that takes over where the one before is dead. */
export const hasBackupData = (chip: string): boolean => /WS281[358]/i.test(chip);
