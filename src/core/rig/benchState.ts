import { z } from 'zod';
import { idSchema } from '../fields/fields';
import { PATTERN_IDS } from '../patterns/registry';
import { testSelectionSchema } from '../patterns/selection';

const byte = z.int().min(0).max(255);

/** A test as it is sent. */
const sentTestSchema = z.strictObject({
  pattern: z.enum(PATTERN_IDS),
  on: testSelectionSchema,
  /** The brightest byte, as a share of 255. */
  level: z.number().min(0).max(1),
  colour: z.tuple([byte, byte, byte, byte]),
  /** Which pixel of a walk; null while time moves it. */
  step: z.int().min(0).max(10_000_000).nullable(),
});
export type SentTest = z.infer<typeof sentTestSchema>;

export const MOST_RATE_HZ = 120;
/** A test that is held ends when it was not heard of for so long. */
export const HELD_FOR_MS = 5000;
/** A test that was forgotten ends by itself. */
export const SENDING_MINUTES = { least: 1, usual: 10, most: 120 };

/** Rate, time and target of a test. */
const sendWishSchema = z.strictObject({
  /** To the simulator on this machine, or to the devices themselves. */
  to: z.enum(['rig', 'devices']),
  rateHz: z.number().min(1).max(MOST_RATE_HZ),
  /** Rates of single controllers, where theirs is lower. */
  rates: z
    .array(z.strictObject({ controllerId: idSchema, rateHz: z.number().min(1).max(MOST_RATE_HZ) }))
    .max(1000)
    .optional(),
  isSynced: z.boolean(),
  minutes: z.number().min(SENDING_MINUTES.least).max(SENDING_MINUTES.most),
});
export type SendWish = z.infer<typeof sendWishSchema>;

/** Requests to the bench of a show. */
export const benchRequestSchema = z.discriminatedUnion('do', [
  /** Opens the rig; `takeOver` ends what another show does with it. */
  z.strictObject({ do: z.literal('open'), takeOver: z.boolean().optional() }),
  z.strictObject({
    do: z.literal('send'),
    test: sentTestSchema,
    wish: sendWishSchema,
    /** The window that sends. */
    by: idSchema.optional(),
    /** It ends when the window that sends it is not heard of for a few seconds; `hold` is how it is heard of. */
    isHeld: z.boolean().optional(),
    /** Addresses that were read and agreed to. */
    confirmed: z.array(z.string().max(20_000)).max(5000).optional(),
    /** That it is brighter than its supplies carry was read and agreed to. */
    isBrightMeant: z.boolean().optional(),
  }),
  /** The test that is being sent becomes another one. */
  z.strictObject({ do: z.literal('change'), test: sentTestSchema, isBrightMeant: z.boolean().optional() }),
  /** The window that sends is still there. */
  z.strictObject({ do: z.literal('hold'), by: idSchema }),
  z.strictObject({ do: z.literal('stop') }),
  z.strictObject({ do: z.literal('close') }),
  /** Addresses are read and agreed to beforehand, so that phones can send there; nothing is sent by it. */
  z.strictObject({ do: z.literal('agree'), confirmed: z.array(z.string().max(20_000)).max(5000).optional() }),
  /** Asks an Art-Net device who it is. */
  z.strictObject({
    do: z.literal('poll'),
    controllerId: idSchema,
    to: z.enum(['rig', 'devices']),
    confirmed: z.array(z.string().max(60)).max(10).optional(),
  }),
]);
export type BenchRequest = z.infer<typeof benchRequestSchema>;

/** Questions to agree to before something is done. */
export type SendQuestion =
  | { about: 'addresses'; addresses: { address: string; words: string }[] }
  | { about: 'level'; percent: number; heldBackBy: string }
  | { about: 'takeOver'; showName: string };

/** Traffic to one controller in the last second. */
interface SentFigures {
  controllerId: string;
  /** Target: `127.0.0.1:47001`, an address, or so many groups; null where nothing can be sent. */
  to: string | null;
  /** Why nothing can be sent. */
  why?: string;
  universes: number;
  packetsPerS: number;
  mbits: number;
}

export interface SendingFigures {
  frames: number;
  packets: number;
  /** Pictures that began more than 5 ms after they were due. */
  late: number;
  /** Lateness of the beginnings of frames, in ms. */
  jitterMs: { mean: number; most: number };
  /** Packets that the system would not take, and what it said last. */
  refused: number;
  lastError: string | null;
  controllers: SentFigures[];
}

/** Packets that the simulator heard for one controller. */
export interface HeardFigures {
  controllerId: string;
  port: number;
  packets: number;
  malformed: number;
  others: number;
  lost: number;
  pictures: number;
  /** Frames of its slowest ports: shown and dropped. */
  slow: { port: string; shown: number; dropped: number; frameMs: number }[];
}

/** The bench of a show, for whoever looks at it. */
export interface BenchState {
  /** Whether the rig is open for this show. */
  isOpen: boolean;
  /** The name of another show that has it. */
  takenBy: string | null;
  /** Limits of this machine: a port that was taken, a buffer that is capped. */
  notes: string[];
  sending: {
    test: SentTest;
    wish: SendWish;
    /** The window that sends; null where it did not say. */
    by: string | null;
    /** Whether it ends when that window is not heard of any more. */
    isHeld: boolean;
    /** Milliseconds until it stops by itself. */
    leftMs: number;
    figures: SendingFigures | null;
  } | null;
  heard: HeardFigures[];
}
