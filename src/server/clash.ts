import 'server-only';
import type { ChangeClash } from '@/core/show/changes';
import { same, isObject } from '@/core/show/json';
import { valueWords } from '@/core/show/problem';
import { recordId, recordName, type ListName, type RecordOf } from '@/core/show/records';
import type { Clash } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';

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

/** Of a change that was to be taken back, or laid on the show as it is. */
export function clashOf({ list, id, field, expected, found }: ChangeClash, show: Show): ShowClash {
  const name = recordName(show, list, id);
  const clash = { list, id, name, field, mine: sideWords(expected), theirs: sideWords(found) };
  return new ShowClash(
    field === null
      ? `${name} was ${found === undefined ? 'removed' : 'changed'} since, so this cannot be done any more.`
      : `${name} was changed since: ${field} is ${clash.theirs}, no longer ${clash.mine}.`,
    clash,
  );
}

/**
 * Of an edit that touches what another change touched since.
 *
 * @param touched `list id`, or `show field`
 * @param before the show that was edited, and `after` what the edit made of it
 * @param current the show as it is
 * @param theirs what the history calls the other change
 */
export function clashOfTouched(
  touched: string,
  before: Show,
  after: Show,
  current: Show,
  theirs: string,
): ShowClash {
  const at = touched.indexOf(' ');
  const [list, id] = [touched.slice(0, at) as ListName | 'show', touched.slice(at + 1)];
  const [was, mine, now] = [before, after, current].map((show) => recordIn(show, list, id));
  const field = list === 'show' ? id : differingField(was, mine, now);
  const name =
    recordIn(current, list, id) === undefined
      ? recordName(before, list, id)
      : recordName(current, list, list === 'show' ? 'show' : id);
  const valueOf = (record: unknown) =>
    record === undefined
      ? 'removed'
      : list === 'show' || field === null
        ? valueWords(record)
        : valueWords((record as Record<string, unknown>)[field]);
  return new ShowClash(`${name} was changed elsewhere in the meantime (${theirs}).`, {
    list,
    id,
    name,
    field,
    mine: valueOf(mine),
    theirs: valueOf(now),
  });
}

function recordIn(show: Show, list: ListName | 'show', id: string): unknown {
  if (list === 'show') return (show as Record<string, unknown>)[id];
  const records = show[list] as readonly RecordOf[ListName][];
  return records.find((record) => recordId(list, record) === id);
}

/** The first field that both changed; else the first that mine changed; null where a side is gone or new. */
function differingField(was: unknown, mine: unknown, now: unknown): string | null {
  if (!isObject(was) || !isObject(mine) || !isObject(now)) return null;
  const changed = (record: Record<string, unknown>) =>
    Object.keys({ ...was, ...record }).filter((field) => !same(was[field], record[field]));
  const [by, others] = [changed(mine), changed(now)];
  return by.find((field) => others.includes(field)) ?? by[0] ?? null;
}

function sideWords(value: unknown): string {
  return value === undefined ? 'not there' : valueWords(value);
}
