import { z } from 'zod';
import { addressingSchema, packingSchema } from '../catalogue/packing';
import { LAST_UNIVERSE, controllerSchema } from '../catalogue/controller';
import { controllerTypeSchema } from '../catalogue/controllerType';
import { senderSchema } from '../catalogue/network';
import { dataLeadSchema } from '../catalogue/dataLine';
import { cutSchema, feedSchema } from '../catalogue/feed';
import { pixelTypeSchema } from '../catalogue/pixelType';
import { jointSchema } from '../catalogue/joint';
import { paperSettingsSchema } from '../catalogue/paper';
import { partsBookSchema } from '../catalogue/partsBook';
import { supplySchema } from '../catalogue/supply';
import { propSchema } from '../props/registry';
import { siteSchema } from './siteSchema';
import { figureSchema } from '../figures/figure';
import { idSchema, nameSchema } from '../fields/fields';
import { LENGTH_SYSTEMS } from '../units/length';
import { orderSchema } from '../fields/order';

export const SHOW_FORMAT = 'rapid-lantern-show';
export const SHOW_VERSION = 8;

export const placeSchema = z.strictObject({ id: idSchema, name: nameSchema, order: orderSchema });
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
  /** The universe and channel that it keeps, whatever moves around it. */
  pin: z
    .strictObject({
      universe: z.int().min(1).max(LAST_UNIVERSE),
      channel: z.int().min(1).max(512),
      /** The day on which an answer that kept addresses locked it; absent where it was locked by hand. When all is laid anew it is unlocked. */
      kept: z.union([z.iso.date(), z.literal(true)]).optional(),
    })
    .optional(),
  /** Channels kept free after it. */
  spareChannels: z.int().min(1).max(100_000).optional(),
  /** Its packing, where it does not keep to its prop. */
  packing: packingSchema.optional(),
  /** The data wire to its first pixel; absent where it is not set. */
  dataLead: dataLeadSchema.optional(),
  order: orderSchema,
});
export type PatchEntry = z.infer<typeof patchEntrySchema>;

/**
 * A value that has to be typed into a device again, since a change moved it. It is done when the value was ticked as typed, which is
 * a fact about the device and no part of the show.
 */
export const taskSchema = z.strictObject({
  id: idSchema,
  controllerId: idSchema,
  /** The setting of the device: `firstUniverse`, `port.3.pixels`. */
  field: z.string().regex(/^[a-zA-Z0-9.]{1,60}$/, 'the id of a setting, such as port.3.pixels'),
  /** `A3`, or empty for the whole device. */
  port: z.string().max(10),
  what: z.string().min(1).max(60),
  old: z.string().max(60),
  new: z.string().max(60),
  order: orderSchema,
});
export type Task = z.infer<typeof taskSchema>;

/** The way to make white from four channels: the white light, the three colours, or all. */
export const WHITE_BY = ['white', 'colours', 'all'] as const;
export type WhiteBy = (typeof WHITE_BY)[number];

/** The light that the display is fed for. */
export const powerPolicySchema = z.strictObject({
  /** The brightest that is shown, as the byte at the chips in percent of its fullest. */
  levelPercent: z.int().min(1).max(100),
  whiteBy: z.enum(WHITE_BY),
  /** Measured current of moving pictures, each measured on a piece. */
  patterns: z
    .array(
      z.strictObject({
        name: nameSchema,
        /** Percent of full white, above the dark current. */
        percent: figureSchema(z.number().min(0).max(100)),
      }),
    )
    .max(20)
    .optional(),
});
export type MeasuredPattern = NonNullable<PowerPolicy['patterns']>[number];
export type PowerPolicy = z.infer<typeof powerPolicySchema>;

/** The most records that the lists of a show hold. */
export const MOST_RECORDS = {
  places: 500,
  pixelTypes: 500,
  props: 5000,
  controllers: 1000,
  controllerTypes: 200,
  patch: 50_000,
  // More settings than all ports of all controllers that most sites have.
  tasks: 100_000,
  supplies: 1000,
  feeds: 20_000,
  cuts: 20_000,
  joints: 20_000,
};

/** The show file without the rules that span several of its parts; those are in integrity.ts. */
export const showSchema = z.strictObject({
  format: z.literal(SHOW_FORMAT),
  version: z.literal(SHOW_VERSION),
  name: nameSchema,
  places: z.array(placeSchema).max(MOST_RECORDS.places),
  pixelTypes: z.array(pixelTypeSchema).max(MOST_RECORDS.pixelTypes),
  props: z.array(propSchema).max(MOST_RECORDS.props),
  controllers: z.array(controllerSchema).max(MOST_RECORDS.controllers),
  patch: z.array(patchEntrySchema).max(MOST_RECORDS.patch),
  addressing: addressingSchema,
  /** Kinds of controllers that the show uses. */
  controllerTypes: z.array(controllerTypeSchema).max(MOST_RECORDS.controllerTypes),
  /** Values to type again, one for each setting of a device. */
  tasks: z.array(taskSchema).max(MOST_RECORDS.tasks),
  supplies: z.array(supplySchema).max(MOST_RECORDS.supplies),
  /** Power leads, with their injections. */
  feeds: z.array(feedSchema).max(MOST_RECORDS.feeds),
  cuts: z.array(cutSchema).max(MOST_RECORDS.cuts),
  /** Plugs and joints, wire by wire. */
  joints: z.array(jointSchema).max(MOST_RECORDS.joints),
  /** The light that power is sized for; absent means the usual. */
  power: powerPolicySchema.optional(),
  /** Units of lengths on screens and papers of this show; metric where nobody said it. */
  lengths: z.enum(LENGTH_SYSTEMS).optional(),
  sender: senderSchema.optional(),
  /** Printing of its sheets; absent means the usual. */
  papers: paperSettingsSchema.optional(),
  /** Stock at hand and prices of parts. */
  parts: partsBookSchema.optional(),
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
    controllerTypes: [],
    patch: [],
    tasks: [],
    supplies: [],
    feeds: [],
    cuts: [],
    joints: [],
    addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'controller' },
  };
}
