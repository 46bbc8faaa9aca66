import { z } from 'zod';
import { CORRECTED_AT } from '../colours/order';
import { NEW_UNIVERSE, packingSchema } from './packing';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { LAST_PORT_ADDRESS } from '../protocols/artNet';
import { E131_LAST_UNIVERSE } from '../protocols/e131';
import { PROTOCOL_IDS } from '../protocols/registry';
import { networkAddressSchema } from './network';
import { controllerPlaceSchema } from '../geometry/sitePlace';
import { boardPowerSchema } from './boardPower';
import { dataDriveSchema } from './dataLine';

export const MOST_PORTS = 256;
export const MOST_PIXELS_PER_PORT = 4_000_000;
/** Universes of a show are counted as E1.31 counts them. */
export const LAST_UNIVERSE = E131_LAST_UNIVERSE;

const portOptionsSchema = z.strictObject({
  port: z.int().min(1).max(MOST_PORTS),
  /** Kept free: nothing is proposed for it. */
  reserved: z.literal(true).optional(),
  packing: packingSchema.optional(),
  /** The start of a new universe on it; absent keeps to the controller. */
  newUniverse: z.enum(NEW_UNIVERSE).optional(),
  /** The place of its socket on the board or the box: `back, third from the left`. */
  socket: z.string().trim().min(1).max(60).optional(),
  /** The pin that drives it: printed label, number in software and header position are three different things. */
  pin: z
    .strictObject({
      label: z.string().trim().min(1).max(20).optional(),
      software: z.string().trim().min(1).max(20).optional(),
      header: z.string().trim().min(1).max(20).optional(),
    })
    .optional(),
});
export type PortOptions = z.infer<typeof portOptionsSchema>;

export const controllerSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The letters in front of a port number: port A3. U and CH are taken by universes and channels. */
  label: z
    .string()
    .regex(
      /^(?!U$|CH$)[A-Z]{1,3}$/,
      'one to three capital letters, but not U or CH, which mean universe and channel',
    ),
  protocol: z.enum(PROTOCOL_IDS),
  ports: z.int().min(1).max(MOST_PORTS),
  mostPixelsPerPort: z.int().min(1).max(MOST_PIXELS_PER_PORT),
  /** Null carries on after the controller before it. Controllers fed by DDP use no universes. */
  firstUniverse: z.int().min(1).max(LAST_UNIVERSE).nullable(),
  /** Null keeps to the show's packing. */
  packing: packingSchema.nullable(),
  /** Its kind, one of the show's; absent where it is not set. */
  typeId: idSchema.optional(),
  network: networkAddressSchema.optional(),
  /** The last universe that is its own; absent where it may use as many as it needs. */
  lastUniverse: z.int().min(1).max(LAST_UNIVERSE).optional(),
  /** The start of a new universe on it; absent keeps to the show. */
  newUniverse: z.enum(NEW_UNIVERSE).optional(),
  /** Notes on single ports. */
  portOptions: z.array(portOptionsSchema).max(MOST_PORTS).optional(),
  /** Added to a universe number to get this device's Art-Net port-address: -1 where universe 1 is port-address 0. */
  artNetOffset: z.int().min(-LAST_UNIVERSE).max(LAST_PORT_ADDRESS),
  /** Power in and out; absent where it is not set. */
  power: boardPowerSchema.optional(),
  /** Driver of its data lines; absent means the usual of its class. */
  data: dataDriveSchema.optional(),
  /** The end at which the colours of what is behind it are put in order; absent keeps to the show. */
  coloursAt: z.enum(CORRECTED_AT).optional(),
  /** The number this device's own screens give to its first LED. */
  firstLedIndex: z.union([z.literal(0), z.literal(1)]),
  /** Its place on the drawing of the site. */
  site: controllerPlaceSchema.optional(),
  /** False: the controller puts skipped pixels on the wire by itself. True: the sender gives them channels. */
  skippedPixelsTakeChannels: z.boolean(),
  order: orderSchema,
});

export type Controller = z.infer<typeof controllerSchema>;

/** The name of a port as printed beside the socket, such as A3. */
export function portName(controller: Pick<Controller, 'label'>, port: number): string {
  return `${controller.label}${port}`;
}

/** A, B, … Z, AA, AB, …: the first label that is free. */
export function newLabel(taken: Iterable<string>): string {
  const used = new Set([...taken, 'U', 'CH']);
  for (let n = 1; ; n += 1) {
    let label = '';
    for (let rest = n; rest > 0; rest = Math.floor((rest - 1) / 26))
      label = String.fromCharCode(65 + ((rest - 1) % 26)) + label;
    if (!used.has(label)) return label;
  }
}
