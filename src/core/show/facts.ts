import { z } from 'zod';
import { idSchema } from '../fields/fields';
import { LISTS } from './records';
import { valueIn } from '../units/there';

/** Kinds of facts about a thing of the show on site. */
export const FACT_KINDS = [
  /** A value was typed into a device, or a step of a sheet is done. */
  'tick',
  /** A step of bringing a device up: set, saved, restarted, seen. */
  'deviceStep',
  /** Values found on a device or in a sender. */
  'found',
  'measurement',
  'test',
  'photo',
  /** That a value was handed out: copied, printed, sent. */
  'told',
  'decision',
] as const;
export type FactKind = (typeof FACT_KINDS)[number];

/** More than what 256 ports hold. */
const MOST_VALUE_LETTERS = 200_000;

/**
 * Something seen or done. Facts are only ever added, are outside of undo, and are about a record of the show by its id, whether it is
 * still there or not. Of those with the same kind, record and field the latest counts.
 */
export const factSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(FACT_KINDS),
  list: z.enum([...LISTS, 'show']),
  recordId: z.string().min(1).max(100),
  /** The part of the record: the id of a setting or of a step. */
  field: z.string().max(80),
  /** Null says that what was noted before does not count any more. */
  value: z
    .json()
    .refine(
      (value) => JSON.stringify(value).length <= MOST_VALUE_LETTERS,
      'a value of at most 200,000 letters',
    ),
  unit: z.string().max(20).optional(),
  by: z.string().max(80).optional(),
  /** ISO 8601, as the clock of the one who noted it had it. */
  at: z.iso.datetime({ offset: true }),
  /** The change of the show that it belongs to. */
  changeId: idSchema.optional(),
});
export type Fact = z.infer<typeof factSchema>;

/** The subject of a fact; a later fact on the same subject takes its place. */
export function subjectOf({ kind, list, recordId, field }: Omit<Fact, 'id' | 'value' | 'at'>): string {
  return `${kind} ${list} ${recordId} ${field}`;
}

/** The facts that count: the latest about each thing, without those that were taken back. */
export function currentFacts(facts: Iterable<Fact>): Fact[] {
  const latest = new Map<string, Fact>();
  for (const fact of facts) {
    const subject = subjectOf(fact);
    latest.delete(subject);
    if (fact.value !== null) latest.set(subject, fact);
  }
  return [...latest.values()];
}

/** The facts that count, to be asked about things of the show. */
export class Facts {
  private readonly bySubject: ReadonlyMap<string, Fact>;

  /** @param all those that count */
  constructor(readonly all: readonly Fact[]) {
    this.bySubject = new Map(all.map((fact) => [subjectOf(fact), fact]));
  }

  /** With later ones in the place of those about the same; those that are known already change nothing. */
  with(later: readonly Fact[]): Facts {
    const fresh = later.filter((fact) => {
      const known = this.bySubject.get(subjectOf(fact));
      return fact.value === null ? known !== undefined : known?.id !== fact.id;
    });
    return fresh.length === 0 ? this : new Facts(currentFacts([...this.all, ...fresh]));
  }

  find(kind: FactKind, list: Fact['list'], recordId: string, field: string): Fact | undefined {
    return this.bySubject.get(subjectOf({ kind, list, recordId, field }));
  }

  ofKind(kind: FactKind): Fact[] {
    return this.all.filter((fact) => fact.kind === kind);
  }

  /** Whether just this value was ticked as typed into a setting of a device, which runs the same firmware still. */
  isTyped(controllerId: string, field: string, value: string): boolean {
    const tick = this.find('tick', 'controllers', controllerId, field);
    return tick?.value === value && !this.isOfOlderFirmware(tick);
  }

  /** The value that was ticked last as typed into a setting of a device; null where none is. */
  typedValue(controllerId: string, field: string): string | null {
    const value = this.find('tick', 'controllers', controllerId, field)?.value;
    return typeof value === 'string' ? value : null;
  }

  /** The firmware that a device was last seen with; null while nobody has looked. */
  firmwareOf(controllerId: string): Firmware | null {
    const read = firmwareSchema.safeParse(this.find('test', 'controllers', controllerId, FIRMWARE)?.value);
    return read.success ? read.data : null;
  }

  /** Other firmware may have lost or turned round what was typed before it came. */
  private isOfOlderFirmware(fact: Fact): boolean {
    const firmware = this.find('test', 'controllers', fact.recordId, FIRMWARE);
    if (!firmware || (this.firmwareOf(fact.recordId)?.was ?? null) === null) return false;
    return this.placeOf(fact) < this.placeOf(firmware);
  }

  private places: ReadonlyMap<Fact, number> | null = null;

  /** Facts stand in the order in which they were noted, whatever the clocks of phones say. */
  private placeOf(fact: Fact): number {
    this.places ??= new Map(this.all.map((each, place) => [each, place]));
    return valueIn(this.places, fact);
  }

  /**
   * Whether a step of a device was done with these values; one that was done with others does not count.
   *
   * @param settings what the device is to hold
   */
  isStepDone(controllerId: string, step: DeviceStep, settings: unknown): boolean {
    const fact = this.find('deviceStep', 'controllers', controllerId, step);
    return madeWith(fact, settings) && !this.isOfOlderFirmware(fact!);
  }

  /** The same of a step of a prop's field sheet. @param values what the sheet says to type */
  isSheetStepDone(propId: string, step: string, values: unknown): boolean {
    return madeWith(this.find('tick', 'props', propId, sheetField(step)), values);
  }
}

/** A step that was noted before its values were kept with it counts, whatever they were. */
function madeWith(fact: Fact | undefined, values: unknown): boolean {
  return fact !== undefined && (fact.value === true || fact.value === digestOf(values));
}

function sheetField(step: string): string {
  return `step.${step}`;
}

const FIRMWARE = 'firmware';
const firmwareSchema = z.strictObject({
  version: z.string().min(1).max(60),
  /** Which it had before; null where nobody knows it. */
  was: z.string().max(60).nullable(),
});
type Firmware = z.infer<typeof firmwareSchema>;

/** A short word for values, by which it is seen whether they are still the same (FNV-1a, twice over). */
export function digestOf(values: unknown): string {
  const text = JSON.stringify(values);
  let [one, other] = [0x811c9dc5, 0x9dc5811c];
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    one = Math.imul(one ^ code, 0x01000193);
    other = Math.imul(other ^ (code + i), 0x01000193);
  }
  return `${(one >>> 0).toString(36)}-${(other >>> 0).toString(36)}`;
}

export const NO_FACTS = new Facts([]);

/** Progress of the planned settings of a device: four different things. */
export const DEVICE_STEPS = ['set', 'saved', 'restarted', 'seen'] as const;
export type DeviceStep = (typeof DEVICE_STEPS)[number];

/** A new fact before it has an id and a time. */
export type Note = Omit<Fact, 'id' | 'at'>;

export function tickOf(controllerId: string, field: string, value: string | null): Note {
  return { kind: 'tick', list: 'controllers', recordId: controllerId, field, value };
}

/** @param settings what the device is to hold; null takes the step back */
export function stepOf(controllerId: string, step: DeviceStep, settings: unknown): Note {
  const value = settings === null ? null : digestOf(settings);
  return { kind: 'deviceStep', list: 'controllers', recordId: controllerId, field: step, value };
}

/** Notes the firmware of a device. @param before the firmware noted so far */
export function firmwareFound(controllerId: string, version: string, before: Firmware | null): Note {
  return {
    kind: 'test',
    list: 'controllers',
    recordId: controllerId,
    field: FIRMWARE,
    value: { version, was: before?.version ?? null },
  };
}

/** Steps done once at a device that cannot be seen from outside: no secret is kept, only that it is done. */
export const DEVICE_CARE = ['updatesFrozen', 'passwordChanged'] as const;
type DeviceCare = (typeof DEVICE_CARE)[number];

export const CARE_WORDS: Record<DeviceCare, string> = {
  updatesFrozen: 'Updates by itself are switched off until the display comes down',
  passwordChanged: 'The password that it came with was changed',
};

export function careOf(controllerId: string, care: DeviceCare, isDone: boolean): Note {
  return {
    kind: 'test',
    list: 'controllers',
    recordId: controllerId,
    field: `care.${care}`,
    value: isDone ? 'yes' : null,
  };
}

export function isCaredFor(facts: Facts, controllerId: string, care: DeviceCare): boolean {
  return facts.find('test', 'controllers', controllerId, `care.${care}`)?.value === 'yes';
}

/** @param values what the sheet says to type; null takes the step back */
export function sheetStepOf(propId: string, step: string, values: unknown): Note {
  const value = values === null ? null : digestOf(values);
  return { kind: 'tick', list: 'props', recordId: propId, field: sheetField(step), value };
}
