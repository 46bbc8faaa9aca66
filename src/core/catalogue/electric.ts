import { z } from 'zod';
import { figureSchema, usual, type Figure } from '../figures/figure';
import { wireIdSchema, wireSize } from './wire';

/** The build of a pixel, which decides its current and how long it lasts when its volts fall. */
export const LIGHT_BUILDS = ['strip5', 'bullet5', 'bullet12', 'group12', 'series12', 'group24'] as const;
type LightBuild = (typeof LIGHT_BUILDS)[number];

export const BUILD_WORDS: Record<LightBuild, string> = {
  strip5: '5 V strip',
  bullet5: '5 V bullets on wire',
  bullet12: '12 V bullets on wire',
  group12: '12 V, three LEDs a pixel in series',
  series12: '12 V, colours in one series chain',
  group24: '24 V, six LEDs a pixel in series',
};

export type DrawPart = 'idle' | 'R' | 'G' | 'B' | 'W';

const milliamps = figureSchema(z.number().min(0).max(5000));

/** The most that one conductor carries without getting hot; absent while it is that of its copper. */
const carriesAmpsSchema = figureSchema(z.number().min(0.1).max(100)).optional();

/** The conductor from pixel to pixel. */
const railSchema = z.discriminatedUnion('kind', [
  /** The copper of a strip, by the length between two pixels. */
  z.strictObject({
    kind: z.literal('copper'),
    ohmPerM: figureSchema(z.number().min(0.001).max(10)),
    carriesAmps: carriesAmpsSchema,
  }),
  /** Wire between bullets, each piece at least so long. */
  z.strictObject({
    kind: z.literal('wire'),
    wire: wireIdSchema,
    pitchMm: z.number().min(1).max(5000),
    /** As it was found to be; absent while it is that of its size. */
    ohmPerM: figureSchema(z.number().min(0.001).max(10)).optional(),
    carriesAmps: carriesAmpsSchema,
  }),
]);
export type Rail = z.infer<typeof railSchema>;

const kneeSchema = z
  .strictObject({ cutoffV: z.number().min(0).max(60), kneeV: z.number().min(0).max(60) })
  .refine(({ cutoffV, kneeV }) => kneeV > cutoffV, 'a knee above its cutoff');
/** A colour draws nothing up to its cutoff, and all of its current from its knee on. */
export type Knee = z.infer<typeof kneeSchema>;

/** Known currents of a type; the rest are the usual figures of its build. */
export const electricSchema = z.strictObject({
  build: z.enum(LIGHT_BUILDS).optional(),
  /** Current of one pixel, in mA: its chip while dark, and each colour at its fullest. */
  draw: z
    .strictObject({
      idle: milliamps.optional(),
      R: milliamps.optional(),
      G: milliamps.optional(),
      B: milliamps.optional(),
      W: milliamps.optional(),
    })
    .optional(),
  /** All colours share one current: white draws about what one of them draws. */
  sharesCurrent: z.boolean().optional(),
  /** From where on each colour lights, and from where on fully. */
  knees: z
    .strictObject({
      R: kneeSchema.optional(),
      G: kneeSchema.optional(),
      B: kneeSchema.optional(),
      W: kneeSchema.optional(),
    })
    .optional(),
  rail: railSchema.optional(),
  /** Below this the builder does not want it. */
  leastVolts: figureSchema(z.number().min(0.5).max(60)).optional(),
});

export type ElectricSaid = z.infer<typeof electricSchema>;

/** Everything that is known or taken of the current of a type. */
export interface Electric {
  build: LightBuild;
  /** In mA, of the channels that the type has. */
  draw: Partial<Record<DrawPart, Figure<number>>>;
  sharesCurrent: boolean;
  rail: Rail;
  /** The most that each conductor from pixel to pixel carries without getting hot. */
  railCarriesAmps: Figure<number>;
  knees: Readonly<Record<Exclude<DrawPart, 'idle'>, Knee>>;
  /** From here on all colours are as they should be, or what the builder says. */
  leastVolts: Figure<number>;
}

interface Usual {
  /** Amps of one pixel at full white, its chip included. */
  fullMa: number;
  words: string;
  knees: readonly [red: Knee, green: Knee, blue: Knee];
  sharesCurrent?: true;
  rail: Rail;
}

const FIVE: Usual['knees'] = [
  { cutoffV: 1.9, kneeV: 2.4 },
  { cutoffV: 2.7, kneeV: 3.4 },
  { cutoffV: 2.8, kneeV: 3.5 },
];
const alike = (cutoffV: number, kneeV: number): Usual['knees'] => {
  const knee = { cutoffV, kneeV };
  return [knee, knee, knee];
};
/** 35 µm copper, 3 mm wide. */
const STRIP: Rail = { kind: 'copper', ohmPerM: usual(0.165, '35 µm copper, 3 mm wide; half of it at 70 µm') };
const BULLETS: Rail = { kind: 'wire', wire: 'awg20', pitchMm: 100 };

const USUAL: Readonly<Record<LightBuild, Usual>> = {
  strip5: { fullMa: 60, words: 'worst case; strips usually measure 35 to 50', knees: FIVE, rail: STRIP },
  bullet5: { fullMa: 60, words: 'worst case', knees: FIVE, rail: BULLETS },
  bullet12: { fullMa: 60, words: 'unless they are low-current parts', knees: alike(7, 9), rail: BULLETS },
  group12: {
    fullMa: 55,
    words: 'a group of three',
    knees: [
      { cutoffV: 5.6, kneeV: 7 },
      { cutoffV: 8.2, kneeV: 10.2 },
      { cutoffV: 8.4, kneeV: 10.4 },
    ],
    rail: STRIP,
  },
  series12: {
    fullMa: 15,
    words: 'one LED a pixel',
    knees: alike(7.5, 9.5),
    sharesCurrent: true,
    rail: STRIP,
  },
  group24: {
    fullMa: 55,
    words: 'a group of six',
    knees: [
      { cutoffV: 11.2, kneeV: 14 },
      { cutoffV: 16.4, kneeV: 20.4 },
      { cutoffV: 16.8, kneeV: 20.8 },
    ],
    rail: STRIP,
  },
};

/** Plausible amps of one colour of a pixel at its fullest. A measurement outside of it always wins, once it is asked about. */
export const PLAUSIBLE_COLOUR_AMPS: Readonly<Record<LightBuild, { least: number; most: number }>> = {
  strip5: { least: 0.004, most: 0.04 },
  bullet5: { least: 0.004, most: 0.04 },
  bullet12: { least: 0.004, most: 0.04 },
  group12: { least: 0.008, most: 0.04 },
  series12: { least: 0.004, most: 0.03 },
  group24: { least: 0.008, most: 0.04 },
};
export const PLAUSIBLE_IDLE_AMPS = { least: 0, most: 0.005 };

/** Current of a chip while it is dark, of 0.5 to 1 mA. */
const IDLE_MA = 1;
/** Volts below which the chip stops. */
export const IDLE_KNEE: Knee = { cutoffV: 0, kneeV: 2 };

/** A type as far as its current goes. */
interface ElectricType {
  colourOrder: string;
  volts: number;
  chip: string;
  bodyMm?: number | undefined;
  electric?: ElectricSaid | undefined;
}

/** Above this, six LEDs in series light where three did. */
const MOST_VOLTS_OF_THREE = 18;

/** The assumed build of a type, where it is not set. */
function takenFor({ volts, chip, bodyMm = 5 }: ElectricType): LightBuild {
  const isBullet = bodyMm > 8 && bodyMm < 15;
  if (volts < 7) return isBullet ? 'bullet5' : 'strip5';
  if (volts > MOST_VOLTS_OF_THREE) return 'group24';
  if (/2815/.test(chip)) return 'series12';
  return isBullet ? 'bullet12' : 'group12';
}

/** The channels of a type, without those that it has not. */
export const coloursOf = (type: Pick<ElectricType, 'colourOrder'>): Exclude<DrawPart, 'idle'>[] =>
  (['R', 'G', 'B', 'W'] as const).filter((letter) => type.colourOrder.includes(letter));

/** Build and current of a type: the given figures, and the usual ones of its build for the rest. */
export function electricOf(type: ElectricType): Electric {
  const said = type.electric ?? {};
  const build = said.build ?? takenFor(type);
  const { fullMa, words, knees, sharesCurrent, rail } = USUAL[build];
  const [red, green, blue] = knees;
  const colours = coloursOf(type);
  // The usual figures are of three colours, what the chip takes included; a shared current is that of each.
  const allMa = sharesCurrent ? fullMa : (fullMa / 3) * colours.length;
  const eachMa = (allMa - IDLE_MA) / (sharesCurrent ? 1 : colours.length);
  const source = `${Math.round(10 * allMa) / 10} mA a pixel with all at full, ${words}`;
  const draw: Electric['draw'] = { idle: said.draw?.idle ?? usual(IDLE_MA, '0.5 to 1 mA a chip') };
  for (const colour of colours) draw[colour] = said.draw?.[colour] ?? usual(eachMa, source);
  const ofColour = {
    R: said.knees?.R ?? red,
    G: said.knees?.G ?? green,
    B: said.knees?.B ?? blue,
    W: said.knees?.W ?? blue,
  };
  return {
    build,
    draw,
    sharesCurrent: said.sharesCurrent ?? sharesCurrent ?? false,
    rail: said.rail ?? rail,
    railCarriesAmps: railCarries(said.rail ?? rail),
    knees: ofColour,
    leastVolts:
      said.leastVolts ??
      usual(Math.max(...colours.map((colour) => ofColour[colour].kneeV)), 'below it the first colour fades'),
  };
}

/** A rail of 35 µm copper, 3 mm wide, of 0.165 ohm a metre, carries 3 A: it turns 1.5 W a metre into heat and is 15 K warmer in free air. */
const STRIP_RAIL = { ohmPerM: 0.165, amps: 3 };

/** The current that a rail carries: of wire that of its size, of copper by the root of its section, from one that is known. */
function railCarries(rail: Rail): Figure<number> {
  if (rail.carriesAmps) return rail.carriesAmps;
  if (rail.kind === 'wire') {
    const { words, amps } = wireSize(rail.wire);
    return usual(amps, `${words} in open air`);
  }
  const amps = STRIP_RAIL.amps * Math.sqrt(STRIP_RAIL.ohmPerM / rail.ohmPerM.value);
  return usual(Math.round(10 * amps) / 10, 'by its copper, in free air; glued down it gets twice as warm');
}
