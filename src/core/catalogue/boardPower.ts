import { z } from 'zod';
import { figureSchema, usual, type Figure } from '../figures/figure';

/** Power into a board, and power that it passes on. */
export const boardPowerSchema = z.strictObject({
  /** Volts that it takes; absent while nobody has looked. */
  volts: z
    .strictObject({ least: z.number().min(1).max(60), most: z.number().min(1).max(60) })
    .refine(({ least, most }) => least <= most, 'a least that is not above the most')
    .optional(),
  /** Its own current. */
  ownAmps: figureSchema(z.number().min(0).max(20)).optional(),
  /** The fuse of each of its ports, where it passes power on. */
  portFuseAmps: figureSchema(z.number().min(0.1).max(60)).optional(),
  /** All that its own limiter lets its pixels draw together. A program cannot lift it. */
  limiterAmps: figureSchema(z.number().min(0.05).max(400)).optional(),
  /** Current that the limiter takes for each pixel at full white, in mA; absent where it is set to the real one. */
  limiterPixelMa: figureSchema(z.number().min(1).max(500)).optional(),
  /** The device's own estimate of its pixels at full white. It is compared, and never counted. */
  estimateAmps: figureSchema(z.number().min(0).max(400)).optional(),
  /** All that its own socket, pin or copper passes on to what is fed through it. */
  passesAmps: figureSchema(z.number().min(0.05).max(60)).optional(),
  /** Whether another power input of it, such as its USB socket, may be used beside the one that feeds it. */
  secondInput: z.enum(['never', 'allowed']).optional(),
});
export type BoardPower = z.infer<typeof boardPowerSchema>;

/** Limits of sockets and pins that boards are fed through, as they are sold. */
export const THROUGH_BOARD: readonly { amps: number; words: string }[] = [
  { amps: 0.5, words: 'USB 2 socket' },
  { amps: 0.9, words: 'USB 3 socket' },
  { amps: 1, words: 'pin of a board, small charger' },
  { amps: 2, words: 'charger' },
  { amps: 2.4, words: 'charger' },
  { amps: 3, words: 'USB-C socket' },
];

/** Known power of a board, with the usual figures for the rest. */
export function boardPowerOf({ power = {} }: { power?: BoardPower | undefined }): BoardPower & {
  ownAmps: Figure<number>;
  passesAmps: Figure<number>;
} {
  return {
    ...power,
    ownAmps: power.ownAmps ?? usual(0.25, 'boards with a network port take 0.1 to 0.4 A'),
    passesAmps:
      power.passesAmps ??
      (power.portFuseAmps
        ? usual(400, 'each of its ports has a fuse')
        : usual(1, 'a pin or a USB socket, where nobody said otherwise')),
  };
}
