import { z } from 'zod';
import { LAST_UNIVERSE, MOST_PORTS } from '../catalogue/controller';
import { UNIVERSE_SLOTS } from '../catalogue/packing';
import { idSchema } from '../fields/fields';
import type { LaidShow } from '../plan/planned';
import { countOf } from '../units/number';
import { listOf } from '../units/words';
import type { Facts, Note } from '../show/facts';
import { countingSchema } from './counting';
import { deviceSettings } from './deviceSettings';
import { MOST_PARTS } from './portRows';
import { FOUND_ON_DEVICE, FOUND_ON_PORT, HELD_BY_DEVICE } from './settings/registry';

const foundPortSchema = z.strictObject({
  port: z.int().min(1).max(MOST_PORTS),
  /** Its part of the port, from 2; absent for the first, which most ports have alone. */
  part: z.int().min(2).max(MOST_PARTS).optional(),
  ...FOUND_ON_PORT,
});
export type FoundPort = z.infer<typeof foundPortSchema>;

const foundUniverseSchema = z.strictObject({
  universe: z.int().min(0).max(LAST_UNIVERSE),
  channels: z.int().min(1).max(UNIVERSE_SLOTS).optional(),
});
export type FoundUniverse = z.infer<typeof foundUniverseSchema>;

/** Settings found on a controller, or in the sender for it. Those that nobody looked at are absent. */
export const foundSettingsSchema = z.strictObject({
  controllerId: idSchema,
  where: z.enum(['controller', 'sender']),
  /** Day and time, as text. */
  foundAt: z.string().max(40),
  counting: countingSchema.optional(),
  ...FOUND_ON_DEVICE,
  /** Only some ports were looked at; a list that was copied whole says of the others that they are off. */
  partial: z.literal(true).optional(),
  ports: z.array(foundPortSchema).max(MOST_PORTS),
  /** Universes one by one, as senders list them. */
  universeList: z.array(foundUniverseSchema).max(4096).optional(),
});
export type FoundSettings = z.infer<typeof foundSettingsSchema>;

/** All that was found, of devices and senders that are still in the show. */
export function foundIn(plan: LaidShow, facts: Facts): FoundSettings[] {
  const controllers = new Set(plan.show.controllers.map((controller) => controller.id));
  return facts.ofKind('found').flatMap(({ value }) => {
    // Facts come from files and from other programs; what is not found settings is left alone.
    const parsed = foundSettingsSchema.safeParse(value);
    return parsed.success && controllers.has(parsed.data.controllerId) ? [parsed.data] : [];
  });
}

/** The settings looked at, in words: `12 values on 3 of 4 ports`. Nothing is said of those that nobody looked at. */
export function lookedAtWords(plan: LaidShow, found: FoundSettings): string {
  const { controllerId, ports, universeList = [] } = found;
  const index = plan.show.controllers.findIndex((each) => each.id === controllerId);
  const values = ports.reduce(
    (total, { port: _, part: _part, ...said }) => total + Object.keys(said).length,
    0,
  );
  const inUse = index === -1 ? 0 : deviceSettings(plan, index).ports.length;
  return listOf([
    ...(ports.length > 0
      ? [
          `${countOf(values, 'value')} on ${ports.length} of ${countOf(Math.max(inUse, ports.length), 'port')}`,
        ]
      : []),
    ...HELD_BY_DEVICE.filter(({ field }) => found[field] !== undefined).map(({ words }) => `its ${words}`),
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
  return { kind: 'found', list: 'controllers', recordId, field, value: value };
}
