import { z } from 'zod';
import type { Protocol } from '../../protocols/registry';
import { idSchema, nameSchema } from '../../fields/fields';
import { orderSchema } from '../../fields/order';
import { figureSchema } from '../../figures/figure';
import { partNotesSchema } from '../partNotes';
import { tellingFields } from './telling';

/** A kind of controller by what it can do, but for its class. Each limit says what it stands on; one that nobody knows is absent. */
export const capabilitySchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  ports: z.int().min(1).max(256),
  /** The most pixels a port as more ports are switched on: each step holds up to so many ports. */
  pixelsPerPort: figureSchema(
    z
      .array(z.strictObject({ upToPorts: z.int().min(1).max(256), pixels: z.int().min(1).max(4_000_000) }))
      .min(1)
      .max(16),
  ),
  mostPixels: figureSchema(z.int().min(1).max(4_000_000)).optional(),
  mostUniverses: figureSchema(z.int().min(1).max(63_999)).optional(),
  /** Sizes of universes that it takes. */
  packings: figureSchema(z.array(z.enum(['wholePixels', 'full512', 'custom'])).min(1)).optional(),
  ...tellingFields,
  /** Whether a pixel may lie across two universes. */
  straddles: figureSchema(z.boolean()).optional(),
  /** Whether a port may read more than one universe. */
  severalUniversesPerPort: figureSchema(z.boolean()).optional(),
  /** Art-Net before version 3 has no net: port-addresses 0..255. */
  artNetNets: figureSchema(z.boolean()).optional(),
  /** Limit of its link. */
  linkMbits: figureSchema(z.number().min(0.01).max(10_000)).optional(),
  /** Expansion or remote receiver boards: how far the cable to them may be. */
  receiverCableMm: figureSchema(z.number().min(1).max(1_000_000)).optional(),
  /** Printed label, number in software, and what the pin does at boot: three different things. */
  pins: z
    .array(
      z.strictObject({ label: z.string().max(20), number: z.string().max(20), boot: z.string().max(120) }),
    )
    .max(64)
    .optional(),
  /** A pin that must stay free, and why. */
  keepFree: z.string().max(120).optional(),
  /** Rate of a serial-fed one. */
  baud: z.int().min(300).max(10_000_000).optional(),
  /** A program inside it makes the pictures: nothing is sent to it. */
  ownProgram: z.literal(true).optional(),
  notes: partNotesSchema,
  order: orderSchema,
});
type Capability = z.infer<typeof capabilitySchema>;

/** A class of controllers: what all of them have in common. */
export interface ControllerClass<Id extends string = string> {
  id: Id;
  /** The usual word for one. */
  label: string;
  /** Panels, and nothing else, are behind its ports. */
  drivesPanels?: boolean;
  /** Its link is the air, which carries far less multicast than unicast. */
  onWifi?: boolean;
  /** Its usual protocol; E1.31 where that is left out. */
  protocol?: Protocol;
  /** Raw frames straight from the sender's port: no address, no router. */
  takesRawFrames?: boolean;
  /** To start from. A show keeps its own copy of each that it uses. */
  starters: readonly Capability[];
}

export function defineControllerClass<Id extends string>(own: ControllerClass<Id>): ControllerClass<Id> {
  return own;
}

/** Basis of shipped limits. */
export const OF_CLASS = 'this class; the manual of yours decides';
