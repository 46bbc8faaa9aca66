import { z } from 'zod';
import { SCREEN_SIDES } from './sides';
import { itemAt } from '../units/there';

const share = z.number().min(0).max(1);
/** White balance: of red, green and blue. */
const gainsSchema = z.tuple([share, share, share]);
export type Gains = z.infer<typeof gainsSchema>;

/** Changes to the colours of a picture before they reach the pixels. */
export const pipelineSchema = z.strictObject({
  letterbox: z.strictObject({
    isOn: z.boolean(),
    /** Brighter than this is picture, as a byte. */
    threshold: z.int().min(0).max(254),
    delayMs: z.number().min(0).max(60_000),
  }),
  /** Until a light has come most of the way (63 %) to a new colour. */
  smoothingMs: z.number().min(0).max(5000),
  /** 1 leaves colours as they are, 0 is grey. */
  saturation: z.number().min(0).max(3),
  /** Exponent from light to bytes: 1 is proportional, as chips light. */
  gamma: z.number().min(0.3).max(4),
  gains: gainsSchema,
  /** Gains that were matched, by the picture mode of the screen that they were matched in. */
  modes: z
    .array(z.strictObject({ name: z.string().min(1).max(40), gains: gainsSchema }))
    .max(12)
    .optional(),
  /** Most of a byte. */
  cap: share,
  /** Least light, so that a dark scene leaves a glow. */
  minimum: share,
  /** Sides that stay dark. */
  sidesOff: z.array(z.enum(SCREEN_SIDES)).max(4),
});
export type PipelineSettings = z.infer<typeof pipelineSchema>;

/** Nothing is done. */
export const PLAIN: PipelineSettings = {
  letterbox: { isOn: false, threshold: 16, delayMs: 1000 },
  smoothingMs: 0,
  saturation: 1,
  gamma: 1,
  gains: [1, 1, 1],
  cap: 1,
  minimum: 0,
  sidesOff: [],
};

export const USUAL_PIPELINE: PipelineSettings = {
  ...PLAIN,
  letterbox: { ...PLAIN.letterbox, isOn: true },
  smoothingMs: 80,
  saturation: 0.7,
};

/** Changes to the colours, in their order. */
const PIPELINE_STEPS = [
  'letterbox',
  'smoothing',
  'saturation',
  'minimum',
  'gains',
  'gamma',
  'cap',
  'sidesOff',
] as const;
export type PipelineStep = (typeof PIPELINE_STEPS)[number];

export const STEP_WORDS: Record<PipelineStep, string> = {
  letterbox: 'black bars left out',
  smoothing: 'smoothing',
  saturation: 'saturation',
  minimum: 'least light',
  gains: 'white balance',
  gamma: 'gamma',
  cap: 'brightest',
  sidesOff: 'sides switched off',
};

/** The same but for one step, which does nothing. */
export function withoutStep(settings: PipelineSettings, step: PipelineStep): PipelineSettings {
  const field = step === 'smoothing' ? 'smoothingMs' : step;
  return { ...settings, [field]: PLAIN[field] };
}

/** Those that do something to a picture. */
export const stepsDone = (settings: PipelineSettings): PipelineStep[] =>
  PIPELINE_STEPS.filter((step) => JSON.stringify(withoutStep(settings, step)) !== JSON.stringify(settings));

const LINEAR = (byte: number) => {
  const part = byte / 255;
  return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
};

/**
 * The gains with which the lit wall would look like the white screen beside it: each channel of the wall is brought to the same share of
 * that of the screen. The strongest stays as bright as it may be.
 *
 * @param screen red, green and blue of the white screen in a photo, as bytes of sRGB
 * @param wall the same of the wall, lit with `gains`
 * @returns null where the wall or the screen is too dark, or too bright for the camera, to be compared
 */
export function matchedGains(screen: readonly number[], wall: readonly number[], gains: Gains): Gains | null {
  const isUsable = (colour: readonly number[]) => colour.every((byte) => byte >= 12 && byte <= 252);
  if (!isUsable(screen) || !isUsable(wall)) return null;
  const wanted = gains.map((gain, k) => (gain * LINEAR(itemAt(screen, k))) / LINEAR(itemAt(wall, k)));
  const most = Math.max(...wanted);
  const of = (k: number) => Math.round((1000 * itemAt(wanted, k)) / most) / 1000;
  return most > 0 ? [of(0), of(1), of(2)] : null;
}
