import { z } from 'zod';
import { addressingSchema, packingSchema } from '../addressing/packing';
import { LAST_UNIVERSE, controllerSchema } from '../catalogue/controller';
import { controllerTypeSchema } from '../catalogue/controllerType';
import { foundSettingsSchema } from '../addressing/found';
import { senderSchema } from '../network/address';
import { pixelTypeSchema } from '../catalogue/pixelType';
import { propSchema } from '../props/registry';
import { siteSchema } from '../site/siteSchema';
import { idSchema, nameSchema } from './fields';

export const SHOW_FORMAT = 'rapid-lantern-show';
export const SHOW_VERSION = 1;

export const placeSchema = z.strictObject({ id: idSchema, name: nameSchema });
export type Place = z.infer<typeof placeSchema>;

/**
 * A run put on a port. The order of the entries of one port is the order of the runs behind it.
 */
export const patchEntrySchema = z.strictObject({
  propId: idSchema,
  run: z.int().min(1).max(500),
  controllerId: idSchema,
  port: z.int().min(1).max(256),
  /** Pixels on the wire before the run's first one that stay dark. */
  skippedPixels: z.int().min(0).max(10_000),
  /** Where its channels stay, whatever moves around them. */
  pin: z
    .strictObject({ universe: z.int().min(1).max(LAST_UNIVERSE), channel: z.int().min(1).max(512) })
    .optional(),
  /** Channels kept free after it. */
  spareChannels: z.int().min(1).max(100_000).optional(),
  /** How its channels are packed, where it does not keep to its prop. */
  packing: packingSchema.optional(),
});
export type PatchEntry = z.infer<typeof patchEntrySchema>;

/** A value to be typed into a device; it stays until it is ticked off on site. */
export const taskSchema = z.strictObject({
  id: idSchema,
  controllerId: idSchema,
  /** `A3`, or empty for the whole device. */
  port: z.string().max(10),
  what: z.string().min(1).max(60),
  old: z.string().max(60),
  new: z.string().max(60),
  done: z.boolean(),
});
export type Task = z.infer<typeof taskSchema>;

/** How far the planned settings of a device have got: four different things. */
export const DEVICE_STEPS = ['set', 'saved', 'restarted', 'seen'] as const;
export const deviceStateSchema = z.strictObject({
  controllerId: idSchema,
  steps: z.array(z.enum(DEVICE_STEPS)).max(4),
});

/** The show file without the rules that span several of its parts; those are in integrity.ts. */
export const showSchema = z.strictObject({
  format: z.literal(SHOW_FORMAT),
  version: z.literal(SHOW_VERSION),
  name: nameSchema,
  places: z.array(placeSchema).max(500),
  pixelTypes: z.array(pixelTypeSchema).max(500),
  props: z.array(propSchema).max(5000),
  controllers: z.array(controllerSchema).max(1000),
  patch: z.array(patchEntrySchema).max(50_000),
  addressing: addressingSchema,
  /** Kinds of controllers that the show uses. */
  controllerTypes: z.array(controllerTypeSchema).max(200).optional(),
  tasks: z.array(taskSchema).max(20_000).optional(),
  deviceStates: z.array(deviceStateSchema).max(1000).optional(),
  /** What devices and senders were found to hold, the latest of each. */
  found: z.array(foundSettingsSchema).max(2000).optional(),
  sender: senderSchema.optional(),
  /** The drawing of the site; absent until one is made. */
  site: siteSchema.optional(),
});
export type Show = z.infer<typeof showSchema>;

/** A show with nothing in it yet but one place and the policy most shows use. */
export function emptyShow(name: string): Show {
  return {
    format: SHOW_FORMAT,
    version: SHOW_VERSION,
    name,
    places: [{ id: 'site', name: 'Site' }],
    pixelTypes: [],
    props: [],
    controllers: [],
    patch: [],
    addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'controller' },
  };
}
