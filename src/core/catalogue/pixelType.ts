import { z } from 'zod';
import { figureSchema } from '../figures/figure';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { electricSchema } from './electric';
import { partNotesSchema } from './partNotes';

const permute = (letters: string): string[] =>
  letters.length < 2
    ? [letters]
    : [...letters].flatMap((letter, i) =>
        permute(letters.slice(0, i) + letters.slice(i + 1)).map((rest) => letter + rest),
      );

/** The 6 orders of three colours, the 24 with white, and single-colour lights. */
export const COLOUR_ORDERS: readonly string[] = [...permute('RGB'), ...permute('RGBW'), 'W', 'R', 'G', 'B'];

/** Signal of a chip. */
export const timingSchema = z.discriminatedUnion('kind', [
  /** One data wire at a fixed bit rate, then a pause in which the chips take over what they got. */
  z.strictObject({
    kind: z.literal('oneWire'),
    bitUs: figureSchema(z.number().min(0.1).max(20)),
    latchUs: figureSchema(z.number().min(0).max(10_000)),
  }),
  /** A data and a clock wire at a rate that the controller chooses. */
  z.strictObject({
    kind: z.literal('clocked'),
    clockHz: figureSchema(z.number().min(10_000).max(50_000_000)),
  }),
]);
export type Timing = z.infer<typeof timingSchema>;

export const pixelTypeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Part number of the driver chip, as printed on the reel. */
  chip: z.string().max(40),
  /** The order in which the chip expects its colour bytes; its length is the number of channels. */
  colourOrder: z.enum(COLOUR_ORDERS),
  volts: z.number().min(3).max(48),
  /** Across one pixel: neighbours cannot be closer. Absent where it is not set. */
  bodyMm: z.number().min(0.5).max(500).optional(),
  /** Known currents; absent while all are as usual. */
  electric: electricSchema.optional(),
  /** Absent while the usual one of the chip stands. */
  timing: timingSchema.optional(),
  notes: partNotesSchema,
  order: orderSchema,
});

export type PixelType = z.infer<typeof pixelTypeSchema>;

/** Channels per pixel: 3 for RGB, 4 with white, 1 for a single colour. */
export function channelsPerPixel(type: Pick<PixelType, 'colourOrder'>): number {
  return type.colourOrder.length;
}

/**
 * Types that ship with the product. A show keeps its own copy of each type it uses, so that editing one show never
 * changes another. Colour orders are the usual ones for the chip; makers differ, so the bench decides.
 */
export const SHIPPED_PIXEL_TYPES: readonly PixelType[] = [
  {
    id: 'bullet-12v-ws2811',
    name: '12 V bullet string',
    chip: 'WS2811',
    colourOrder: 'RGB',
    volts: 12,
    bodyMm: 12,
  },
  {
    id: 'bullet-5v-ws2811',
    name: '5 V bullet string',
    chip: 'WS2811',
    colourOrder: 'RGB',
    volts: 5,
    bodyMm: 12,
  },
  { id: 'strip-5v-ws2812b', name: '5 V strip', chip: 'WS2812B', colourOrder: 'GRB', volts: 5, bodyMm: 5 },
  {
    id: 'strip-5v-sk6812-rgbw',
    name: '5 V strip with white',
    chip: 'SK6812',
    colourOrder: 'GRBW',
    volts: 5,
    bodyMm: 5,
  },
  {
    id: 'strip-12v-ws2811-group3',
    name: '12 V strip, 3 LEDs a pixel',
    chip: 'WS2811',
    colourOrder: 'BRG',
    volts: 12,
    bodyMm: 15,
  },
  {
    id: 'strip-12v-ws2815',
    name: '12 V strip with backup data',
    chip: 'WS2815',
    colourOrder: 'GRB',
    volts: 12,
    bodyMm: 5,
  },
  { id: 'panel-5v', name: '5 V panel', chip: 'Panel', colourOrder: 'RGB', volts: 5 },
  {
    id: 'strip-5v-apa102',
    name: '5 V clocked strip',
    chip: 'APA102',
    colourOrder: 'BGR',
    volts: 5,
    bodyMm: 5,
  },
  { id: 'lamp-12v-white', name: '12 V white lamp', chip: 'WS2811', colourOrder: 'W', volts: 12, bodyMm: 20 },
];
