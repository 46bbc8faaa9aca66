import { z } from 'zod';
import { addressingSchema } from '../addressing/packing';
import { controllerSchema } from '../catalogue/controller';
import { pixelTypeSchema } from '../catalogue/pixelType';
import { propSchema } from '../props/registry';
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
});
export type PatchEntry = z.infer<typeof patchEntrySchema>;

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
