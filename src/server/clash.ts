import 'server-only';
import { ChangeClash, applyChange, type ShowChange } from '@/core/show/changes';
import { fieldWords } from '@/core/show/fieldWords';
import { isObject, same } from '@/core/fields/json';
import { recordId, recordName, type ListName } from '@/core/show/records';
import type { Clash } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';
import { formatLength, type Lengths } from '@/core/units/length';

/** A change meets a record that was changed elsewhere in the meantime. Nothing is changed. */
export class ShowClash extends Error {
  constructor(
    message: string,
    readonly clash: Clash,
  ) {
    super(message);
    this.name = 'ShowClash';
  }
}

/** The clash of a change that was to be taken back, or laid on the show as it is. */
function clashOf({ list, id, field, expected, found }: ChangeClash, show: Show): ShowClash {
  const name = recordName(show, list, id);
  const [mine, theirs] =
    field === null
      ? sides(expected, found, show.lengths)
      : [expected, found].map((value) => plainWords(value, show.lengths));
  const words = field === null ? null : fieldWords(field);
  return new ShowClash(
    words === null
      ? `${name} was ${found === undefined ? 'removed' : 'changed'} since, so this cannot be done any more.`
      : `${name} was changed since: ${words} is ${theirs}, no longer ${mine}.`,
    { list, id, name, field: words, mine: mine!, theirs: theirs!, change: null },
  );
}

/**
 * The sentence for an edit that touches what another change touched since.
 *
 * @param touched `list id`, or `show field`
 * @param before the show that was edited, and `after` what the edit made of it
 * @param current the show as it is
 * @param change what the history calls the other change
 */
export function clashOfTouched(
  touched: string,
  before: Show,
  after: Show,
  current: Show,
  change: string,
): ShowClash {
  const at = touched.indexOf(' ');
  const [list, id] = [touched.slice(0, at) as ListName | 'show', touched.slice(at + 1)];
  const [was, mine, now] = [before, after, current].map((show) => recordIn(show, list, id));
  const name = recordName(now === undefined ? before : current, list, list === 'show' ? 'show' : id);
  const field = list === 'show' ? id : differingField(was, mine, now);
  const values = { was, mine, now };
  if (field !== null && list !== 'show')
    for (const side of ['was', 'mine', 'now'] as const)
      values[side] = (values[side] as Record<string, unknown>)[field];
  const [mineWords, nowWords] = differences(values.was, values.mine, values.now, current.lengths);
  return new ShowClash(`${name} was changed elsewhere in the meantime (${change}).`, {
    list,
    id,
    name,
    field: field && fieldWords(field),
    mine: mineWords,
    theirs: nowWords,
    change,
  });
}

function recordIn(show: Show, list: ListName | 'show', id: string): unknown {
  if (list === 'show') return (show as Record<string, unknown>)[id];
  const records = show[list];
  return records.find((record) => recordId(list, record) === id);
}

/** The first field that both changed; else the first that mine changed; null where a side is gone or new. */
function differingField(was: unknown, mine: unknown, now: unknown): string | null {
  if (!isObject(was) || !isObject(mine) || !isObject(now)) return null;
  const [by, others] = [changedKeys(was, mine), changedKeys(was, now)];
  return by.find((field) => others.includes(field)) ?? by[0] ?? null;
}

function changedKeys(was: Record<string, unknown>, now: Record<string, unknown>): string[] {
  return Object.keys({ ...was, ...now }).filter((field) => !same(was[field], now[field]));
}

/** Two values in words. Of objects only the parts are named that either side changed. */
function differences(was: unknown, mine: unknown, now: unknown, lengths: Lengths): [string, string] {
  if (!isObject(was) || !isObject(mine) || !isObject(now)) return sides(mine, now, lengths);
  const keys = [...new Set([...changedKeys(was, mine), ...changedKeys(was, now)])];
  const words = (value: Record<string, unknown>) =>
    keys.map((key) => partWords(key, value[key], lengths)).join(', ');
  return [words(mine), words(now)];
}

function sides(mine: unknown, now: unknown, lengths: Lengths): [string, string] {
  return [recordWords(mine, lengths), recordWords(now, lengths)];
}

function recordWords(value: unknown, lengths: Lengths): string {
  return value === undefined ? 'removed' : plainWords(value, lengths);
}

/** A value as a builder reads it, cut short when it is long. */
function plainWords(value: unknown, lengths: Lengths): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.length === 1 ? 'one of it' : `${value.length} of it`;
  if (!isObject(value)) return typeof value === 'string' ? `“${cut(value)}”` : String(value);
  return cut(
    Object.entries(value)
      .map(([key, part]) => partWords(key, part, lengths))
      .join(', '),
  );
}

/** A part of an object by its name, with the unit that the name tells. */
function partWords(key: string, value: unknown, lengths: Lengths): string {
  return typeof value === 'number' && key.endsWith('Mm')
    ? `${fieldWords(key.slice(0, -2))} ${formatLength(value, lengths)}`
    : `${fieldWords(key)} ${plainWords(value, lengths)}`;
}

function cut(text: string): string {
  return text.length > 120 ? `${text.slice(0, 117)}…` : text;
}

/** Lays a change on a show. @throws ShowClash when a record is not as the change says */
export function laid(show: Show, change: ShowChange): Show {
  try {
    return applyChange(show, change);
  } catch (error) {
    if (error instanceof ChangeClash) throw clashOf(error, show);
    throw error;
  }
}
