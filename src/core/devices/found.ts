import { z } from 'zod';
import { idSchema } from '../fields/fields';
import { portsOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';
import { countOf } from '../units/number';
import { listOf } from '../units/words';
import type { Facts, Note } from '../show/facts';
import { DIRECTIONS } from './settings';

const MOST_CHANNEL = 40_000_000;

const foundPortSchema = z.strictObject({
  port: z.int().min(1).max(256),
  pixels: z.int().min(0).max(4_000_000).optional(),
  hiddenPixels: z.int().min(0).max(10_000).optional(),
  universe: z.int().min(0).max(63_999).optional(),
  channel: z.int().min(0).max(512).optional(),
  /** Counted on over the universes of the device. */
  deviceChannel: z.int().min(0).max(MOST_CHANNEL).optional(),
  colourOrder: z.string().max(8).optional(),
  direction: z.enum(DIRECTIONS).optional(),
});
export type FoundPort = z.infer<typeof foundPortSchema>;

const foundUniverseSchema = z.strictObject({
  universe: z.int().min(0).max(63_999),
  channels: z.int().min(1).max(512).optional(),
});
export type FoundUniverse = z.infer<typeof foundUniverseSchema>;

/** How the screen counts that was read; what is absent is counted as the plan tells it. */
const countingSchema = z.strictObject({
  /** Its numbers of universes are all so much higher than those of the plan: -1 where it counts from 0. */
  universesShifted: z.literal([-1, 1]).optional(),
  /** Its first channel is 0. */
  channelsFrom: z.literal(0).optional(),
  /** Its count of pixels includes the hidden ones, though it puts them on the wire by itself. */
  hiddenCounted: z.literal(true).optional(),
});
export type Counting = z.infer<typeof countingSchema>;

/** What a controller, or the sender for it, was found to hold. What nobody looked at is absent. */
export const foundSettingsSchema = z.strictObject({
  controllerId: idSchema,
  where: z.enum(['controller', 'sender']),
  /** Day and time, as text. */
  foundAt: z.string().max(40),
  counting: countingSchema.optional(),
  firstUniverse: z.int().min(0).max(63_999).optional(),
  universes: z.int().min(0).max(63_999).optional(),
  channelsPerUniverse: z.int().min(1).max(512).optional(),
  /** Only some ports were looked at; a list that was copied whole says of the others that they are off. */
  partial: z.literal(true).optional(),
  ports: z.array(foundPortSchema).max(256),
  /** Universes one by one, as senders list them. */
  universeList: z.array(foundUniverseSchema).max(4096).optional(),
});
export type FoundSettings = z.infer<typeof foundSettingsSchema>;

/** What was found, of all devices and senders that are still in the show. */
export function foundIn(plan: LaidShow, facts: Facts): FoundSettings[] {
  const controllers = new Set(plan.show.controllers.map((controller) => controller.id));
  return facts.ofKind('found').flatMap(({ value }) => {
    // Facts come from files and from other programs; what is not found settings is left alone.
    const parsed = foundSettingsSchema.safeParse(value);
    return parsed.success && controllers.has(parsed.data.controllerId) ? [parsed.data] : [];
  });
}

/** What was looked at, in words: `12 values on 3 of 4 ports`. Nothing is said of what nobody looked at. */
export function lookedAtWords(plan: LaidShow, found: FoundSettings): string {
  const { controllerId, ports, universeList = [] } = found;
  const index = plan.show.controllers.findIndex((each) => each.id === controllerId);
  const values = ports.reduce((total, { port: _, ...said }) => total + Object.keys(said).length, 0);
  const inUse = portsOfController(plan, index).length;
  return listOf([
    ...(ports.length > 0
      ? [
          `${countOf(values, 'value')} on ${ports.length} of ${countOf(Math.max(inUse, ports.length), 'port')}`,
        ]
      : []),
    ...(found.firstUniverse === undefined ? [] : ['its first universe']),
    ...(found.universes === undefined ? [] : ['the number of its universes']),
    ...(found.channelsPerUniverse === undefined ? [] : ['the size of its universes']),
    ...(universeList.length === 0 ? [] : [countOf(universeList.length, 'universe')]),
  ]);
}

/** Notes what was found; it takes the place of what was found there before. */
export function foundNote(found: FoundSettings): Note {
  return noteAbout(found.controllerId, found.where, found);
}

/** Notes that what was found on a device, or in a sender, does not count any more. */
export function forgetFound({ controllerId, where }: Pick<FoundSettings, 'controllerId' | 'where'>): Note {
  return noteAbout(controllerId, where, null);
}

function noteAbout(recordId: string, field: string, value: FoundSettings | null): Note {
  return { kind: 'found', list: 'controllers', recordId, field, value: value as Note['value'] };
}
