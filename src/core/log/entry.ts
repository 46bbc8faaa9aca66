import { z } from 'zod';
import { partOf, partWords } from './about';
import { measurablesOf, type Measurable } from './measurable';
import { seenWordsOf } from './seen';
import type { Fact, FactKind } from '../show/facts';
import { recordName } from '../show/records';
import type { Show } from '../show/schema';
import { capitalised } from '../units/words';

/** A fact as a line of the log. */
export interface LogEntry {
  fact: Fact;
  kind: FactKind;
  /** Its subject, by its name of today. */
  thing: string;
  /** The thing is not in the show any more. */
  isGone: boolean;
  /** The text of the note. */
  what: string;
  value: string | null;
  /** A measurement that the plan can use, with what it takes now. */
  usable: { measurable: Measurable; number: number } | null;
  /** The id of its photo. */
  photoId: string | null;
}

export const KIND_WORDS: Record<FactKind, string> = {
  measurement: 'Measured',
  photo: 'Photo',
  decision: 'Decided',
  test: 'Tested',
  found: 'Found',
  deviceStep: 'Device',
  tick: 'Ticked',
  told: 'Handed out',
};

/** An entry that somebody writes by hand. */
const noteValueSchema = z.strictObject({
  words: z.string().trim().min(1).max(500),
  reason: z.string().trim().max(4000).optional(),
});

/** A measurement that is written into the log: the value as it was typed. */
export const measuredValueSchema = z.strictObject({
  what: z.string().trim().min(1).max(120),
  typed: z.string().trim().min(1).max(60),
  how: z.string().trim().max(300).optional(),
  /** The measured quantity and its value in its unit, where the plan can use it. */
  of: z.string().max(60).optional(),
  number: z.number().optional(),
});

/** The wires of a bought product, before they are cut. A colour proves nothing, so the marks are told as they look. */
const wireMarksSchema = z.strictObject({
  /** Marks at the end that was fed, and at the other. */
  fedEnd: z.string().trim().min(1).max(300),
  otherEnd: z.string().trim().max(300),
  /** Which mark is plus, and how that was found. */
  plus: z.string().trim().max(300),
  /** The way to put it together again. */
  wayBack: z.string().trim().max(300),
});

const photoValueSchema = z.strictObject({
  photoId: z.string().regex(/^[0-9a-f]{32}$/),
  words: z.string().trim().max(300),
});

/** A fact as a line of the log. */
export function logEntry(show: Show, fact: Fact): LogEntry {
  const { thing, isGone } = thingOf(show, fact);
  const said = saidOf(fact);
  return { fact, kind: fact.kind, thing, isGone, photoId: null, usable: usableOf(show, fact), ...said };
}

function usableOf(show: Show, fact: Fact): LogEntry['usable'] {
  const measured = measuredValueSchema.safeParse(fact.value);
  if (fact.kind !== 'measurement' || !measured.success || measured.data.number === undefined) return null;
  const { of, number } = measured.data;
  const measurable = measurablesOf(show, fact).find(({ id }) => id === of);
  return measurable ? { measurable, number } : null;
}

function thingOf(show: Show, fact: Fact): { thing: string; isGone: boolean } {
  const { list, recordId } = fact;
  if (list === 'show') return { thing: 'The show', isGone: false };
  const part = partOf(fact);
  const name = `${recordName(show, list, recordId)}${part === null ? '' : `, ${partWords(show, { list, recordId, part })}`}`;
  // A thing without a name of its own any more is called by its id.
  const isGone = list !== 'patch' && !show[list].some(({ id }) => id === recordId);
  return { thing: name, isGone };
}

function saidOf(fact: Fact): Pick<LogEntry, 'what' | 'value'> & { photoId?: string } {
  const { kind, field, value, unit } = fact;
  const photo = photoValueSchema.safeParse(value);
  if (kind === 'photo' && photo.success)
    return { what: photo.data.words || 'Photo', value: null, photoId: photo.data.photoId };
  const measured = measuredValueSchema.safeParse(value);
  if (kind === 'measurement' && measured.success)
    return {
      what: measured.data.how ? `${measured.data.what}, ${measured.data.how}` : measured.data.what,
      value: measured.data.typed,
    };
  const marks = wireMarksSchema.safeParse(value);
  if (marks.success) return { what: 'Wire marks before the cut', value: marksWords(marks.data) };
  const note = noteValueSchema.safeParse(value);
  if (note.success) return { what: note.data.words, value: note.data.reason ?? null };
  return seenWordsOf(kind, field, value, unit) ?? { what: capitalised(field), value: plain(value, unit) };
}

function marksWords({ fedEnd, otherEnd, plus, wayBack }: z.infer<typeof wireMarksSchema>): string {
  return [
    `Fed end: ${fedEnd}.`,
    otherEnd && `Other end: ${otherEnd}.`,
    plus && `Plus: ${plus}.`,
    wayBack && `The way back: ${wayBack}.`,
  ]
    .filter(Boolean)
    .join(' ');
}

function plain(value: Fact['value'], unit: string | undefined): string | null {
  if (typeof value === 'string' || typeof value === 'number')
    return unit ? `${value} ${unit}` : String(value);
  return value === true ? 'yes' : null;
}
