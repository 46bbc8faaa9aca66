import { z } from 'zod';
import { figureSchema, usual, type Figure } from '../../figures/figure';

/** Starts that are typed into a kind of device: from each it takes channel after channel. */
export const STARTS = ['port', 'run', 'device', 'tile'] as const;
type Starts = (typeof STARTS)[number];

export const STARTS_WORDS: Readonly<Record<Starts, string>> = {
  port: 'one for each port',
  run: 'several for a port, each with its own count',
  device: 'one, and it counts on over its ports',
  tile: 'one for each tile',
};

/** Ways of typing universe sizes into a kind of device. */
export const UNIVERSE_SIZES = ['one', 'each', 'wholePixels', 'fixed512'] as const;
export type SizesTold = (typeof UNIVERSE_SIZES)[number];

export const UNIVERSE_SIZES_WORDS: Readonly<Record<SizesTold, string>> = {
  one: 'one number for the device',
  each: 'a number for each universe',
  wholePixels: 'none: it keeps pixels whole by itself',
  fixed512: 'none: always 512',
};

/** Hidden pixels that a kind of device puts on the wire by itself. */
export const HIDES = ['anywhere', 'beforeFirst', 'never'] as const;
type Hides = (typeof HIDES)[number];

export const HIDES_WORDS: Readonly<Record<Hides, string>> = {
  anywhere: 'anywhere on a port',
  beforeFirst: 'before the first of a port',
  never: 'not at all',
};

/** Parts of a device on which all pixels have the same number of channels. */
export const PIXEL_SIZES = ['ofPort', 'ofDevice'] as const;
type PixelSizes = (typeof PIXEL_SIZES)[number];

export const PIXEL_SIZES_WORDS: Readonly<Record<PixelSizes, string>> = {
  ofPort: 'one for each port',
  ofDevice: 'one for the device',
};

/** Parts of a device for which an Art-Net net and sub-net are typed: only the universe, 0 to 15, is free below them. */
export const SUB_NETS = ['free', 'ofFourPorts', 'ofDevice'] as const;
/** Universes below one net and sub-net. */
export const UNIVERSES_PER_SUB_NET = 16;
export type SubNetsTold = (typeof SUB_NETS)[number];

export const SUB_NETS_WORDS: Readonly<Record<SubNetsTold, string>> = {
  free: 'any for each universe',
  ofFourPorts: 'one for each four ports',
  ofDevice: 'one for the device',
};

/** Seconds without data, at most, that a kind of device may be said to wait. */
export const MOST_SILENT_S = 3600;

/** Looks of a device that hears nothing any more. */
export const SILENT = ['holds', 'dark', 'ownEffect'] as const;
type Silent = (typeof SILENT)[number];

const silenceSchema = z.strictObject({
  shows: z.enum(SILENT),
  /** Seconds without data before it begins; absent where nobody counted them. */
  afterS: z.number().min(0).max(MOST_SILENT_S).optional(),
});
export type Silence = z.infer<typeof silenceSchema>;

export const SILENT_WORDS: Readonly<Record<Silent, string>> = {
  holds: 'holds the last picture',
  dark: 'goes dark',
  ownEffect: 'shows its own effect',
};

/** `shows its own effect after 2.5 s` */
export function silentWords({ shows, afterS }: Silence): string {
  return `${SILENT_WORDS[shows]}${afterS === undefined ? '' : ` after ${afterS} s`}`;
}

/** Channels that a pixel may have. */
export const MOST_CHANNELS_A_PIXEL = 4;

/** Fields of a kind of device that say what it can be told. */
export const tellingFields = {
  starts: figureSchema(z.enum(STARTS)).optional(),
  universeSizes: figureSchema(z.enum(UNIVERSE_SIZES)).optional(),
  hides: figureSchema(z.enum(HIDES)).optional(),
  pixelSizes: figureSchema(z.enum(PIXEL_SIZES)).optional(),
  subNets: figureSchema(z.enum(SUB_NETS)).optional(),
  /** Its look when data stops. */
  whenSilent: figureSchema(silenceSchema).optional(),
  /** Channels of a pixel that it knows. */
  pixelChannels: figureSchema(
    z.array(z.int().min(1).max(MOST_CHANNELS_A_PIXEL)).min(1).max(MOST_CHANNELS_A_PIXEL),
  ).optional(),
};

/** Everything that can be told to a device about where its channels lie. */
export interface Telling {
  starts: Figure<Starts>;
  universeSizes: Figure<SizesTold>;
  hides: Figure<Hides>;
  pixelSizes: Figure<PixelSizes>;
  subNets: Figure<SubNetsTold>;
  pixelChannels: Figure<number[]>;
}

const USUAL: Telling = {
  starts: usual('port', 'most devices'),
  universeSizes: usual('one', 'most devices'),
  hides: usual('beforeFirst', 'most devices'),
  pixelSizes: usual('ofPort', 'most devices'),
  subNets: usual('free', 'most devices of today'),
  pixelChannels: usual([3, 4], 'most devices; single-colour pixels count as thirds of RGB ones'),
};

/** Whether tiles have starts of their own: on the kinds that say so, and on a device of which nobody said the kind. */
export const startsByTile = (kind: { starts?: Figure<Starts> | undefined } | undefined): boolean =>
  kind === undefined || tellingOf(kind).starts.value === 'tile';

/** Known ways of telling, and the usual ones for the rest. @param kind absent where the kind of a device is not set */
export function tellingOf(kind: { [Field in keyof Telling]?: Telling[Field] | undefined } = {}): Telling {
  return {
    starts: kind.starts ?? USUAL.starts,
    universeSizes: kind.universeSizes ?? USUAL.universeSizes,
    hides: kind.hides ?? USUAL.hides,
    pixelSizes: kind.pixelSizes ?? USUAL.pixelSizes,
    subNets: kind.subNets ?? USUAL.subNets,
    pixelChannels: kind.pixelChannels ?? USUAL.pixelChannels,
  };
}
