import { z } from 'zod';
import { figureSchema, usual, type Figure } from '../figures/figure';

/** What feeds a board, and what it passes on. */
export const boardPowerSchema = z.strictObject({
  /** What it may be fed with; absent while nobody has looked. */
  volts: z
    .strictObject({ least: z.number().min(1).max(60), most: z.number().min(1).max(60) })
    .refine(({ least, most }) => least <= most, 'a least that is not above the most')
    .optional(),
  /** What it takes itself. */
  ownAmps: figureSchema(z.number().min(0).max(20)).optional(),
  /** The fuse of each of its ports, where it passes power on. */
  portFuseAmps: figureSchema(z.number().min(0.1).max(60)).optional(),
  /** All that its own limiter lets its pixels draw together. A program cannot lift it. */
  limiterAmps: figureSchema(z.number().min(0.05).max(400)).optional(),
});
export type BoardPower = z.infer<typeof boardPowerSchema>;

/** What is known of the power of a board, and the usual figure for what it takes itself. */
export function boardPowerOf({ power = {} }: { power?: BoardPower | undefined }): BoardPower & {
  ownAmps: Figure<number>;
} {
  return { ...power, ownAmps: power.ownAmps ?? usual(0.25, 'boards with a network port take 0.1 to 0.4 A') };
}
