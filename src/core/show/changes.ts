import { z } from 'zod';
import { isObject, same, type Json } from '../fields/json';
import { LISTS, SHOW_FIELDS, recordId, type ListName, type RecordOf } from './records';
import type { Show } from './schema';
import { itemAt } from '../units/there';

/** A field before and after; a side that is absent says that the field was, or is, not there. */
interface FieldChange {
  from?: Json;
  to?: Json;
}

/**
 * One record before and after: that it came, that it went, or which of its fields changed. `fields` are named by their path,
 * `shape.columns`. The show's own fields are those of the record `show` of the list `show`.
 */
type RecordChange =
  | { list: ListName; id: string; added: Json }
  | { list: ListName; id: string; removed: Json }
  | { list: ListName | 'show'; id: string; fields: Record<string, FieldChange> };

/**
 * The changes that make one show from another, by record. It says both sides, so that it can be read and taken back, and no place in any
 * list: where a record stands is its field `order`.
 */
export type ShowChange = readonly RecordChange[];

const fieldChangeSchema = z.strictObject({ from: z.json().optional(), to: z.json().optional() });
/** Changes as they come over the wire. What they lead to is checked as a show. */
export const showChangeSchema = z.array(
  z.union([
    z.strictObject({ list: z.enum(LISTS), id: z.string(), added: z.json() }),
    z.strictObject({ list: z.enum(LISTS), id: z.string(), removed: z.json() }),
    z.strictObject({
      list: z.enum([...LISTS, 'show']),
      id: z.string(),
      fields: z.record(z.string(), fieldChangeSchema),
    }),
  ]),
) as unknown as z.ZodType<ShowChange>;

/** A change meets a record that is not as it was when the change was made. */
export class ChangeClash extends Error {
  constructor(
    readonly list: ListName | 'show',
    readonly id: string,
    /** Path of the field, or null where the record as a whole came or went. */
    readonly field: string | null,
    /** The value that the change expects there, and the one that is there. */
    readonly expected: unknown,
    readonly found: unknown,
  ) {
    super(`${list} ${id}${field ? ` ${field}` : ''} is not as it was.`);
    this.name = 'ChangeClash';
  }
}

type AnyRecord = Record<string, Json>;

/** The records of a list; what stands there is only looked at by its id and its fields. */
function recordsOf(show: Show, list: ListName): readonly AnyRecord[] {
  return show[list] as unknown as readonly AnyRecord[];
}

function idOf(list: ListName, record: AnyRecord): string {
  return recordId(list, record as unknown as RecordOf[ListName]);
}

/** The change from `before` to `after`. Records that are the same object in both cost nothing; equal ones make no change. */
export function changeBetween(before: Show, after: Show): ShowChange {
  const changes: RecordChange[] = [];
  const ownFields: Record<string, FieldChange> = {};
  for (const field of SHOW_FIELDS) fieldChanges(before[field], after[field], field, ownFields);
  if (Object.keys(ownFields).length > 0) changes.push({ list: 'show', id: 'show', fields: ownFields });
  for (const list of LISTS) {
    if (before[list] === after[list]) continue;
    const was = new Map(recordsOf(before, list).map((record) => [idOf(list, record), record]));
    for (const record of recordsOf(after, list)) {
      const id = idOf(list, record);
      const earlier = was.get(id);
      was.delete(id);
      if (earlier === record) continue;
      if (!earlier) changes.push({ list, id, added: record });
      else {
        const fields: Record<string, FieldChange> = {};
        for (const name of new Set([...Object.keys(earlier), ...Object.keys(record)]))
          fieldChanges(earlier[name], record[name], name, fields);
        if (Object.keys(fields).length > 0) changes.push({ list, id, fields });
      }
    }
    for (const [id, record] of was) changes.push({ list, id, removed: record });
  }
  return changes;
}

/** Goes into objects, which have named parts, but not into lists, whose places mean nothing by themselves. */
function fieldChanges(
  from: Json | undefined,
  to: Json | undefined,
  path: string,
  into: Record<string, FieldChange>,
): void {
  if (same(from, to)) return;
  if (isObject(from) && isObject(to))
    for (const key of new Set([...Object.keys(from), ...Object.keys(to)]))
      fieldChanges(from[key], to[key], `${path}.${key}`, into);
  else
    into[path] = {
      ...(from !== undefined && { from }),
      ...(to !== undefined && { to }),
    };
}

/** The change that takes a change back. */
export function inverseOf(change: ShowChange): ShowChange {
  return change.map((each): RecordChange => {
    const { list, id } = each;
    if ('added' in each) return { list: each.list, id, removed: each.added };
    if ('removed' in each) return { list: each.list, id, added: each.removed };
    return {
      list,
      id,
      fields: Object.fromEntries(
        Object.entries(each.fields).map(([path, { from, to }]) => [
          path,
          { ...(to !== undefined && { from: to }), ...(from !== undefined && { to: from }) },
        ]),
      ),
    };
  });
}

/** The records that a change touches, as `list id`; of the show's own fields, each is one by itself. */
export function touchedBy(change: ShowChange): Set<string> {
  return new Set(
    change.flatMap((each) =>
      'fields' in each && each.list === 'show'
        ? Object.keys(each.fields).map((path) => `show ${path.split('.')[0]}`)
        : `${each.list} ${each.id}`,
    ),
  );
}

/** The fields that a change touches, as `list id path`. */
export function fieldsTouchedBy(change: ShowChange): Set<string> {
  return new Set(
    change.flatMap((each) => {
      const record = `${each.list} ${each.id}`;
      return 'fields' in each ? Object.keys(each.fields).map((path) => `${record} ${path}`) : [record];
    }),
  );
}

/**
 * The show after a change. What the change leaves alone is the same object in both.
 *
 * @throws ChangeClash when a record is not as the change says that it was, and nothing is changed
 */
export function applyChange(show: Show, change: ShowChange): Show {
  return applyChanges(show, [change]);
}

/** The show after several changes, one after another; each list is copied and sorted once, however many there are. */
export function applyChanges(show: Show, changes: Iterable<ShowChange>): Show {
  const next: AnyRecord = { ...show };
  const lists = new Map<ListName, { records: Map<string, AnyRecord>; moved: boolean }>();
  const listOf = (list: ListName) => {
    let open = lists.get(list);
    if (!open) {
      const records = new Map(recordsOf(show, list).map((record) => [idOf(list, record), record]));
      lists.set(list, (open = { records, moved: false }));
    }
    return open;
  };
  for (const change of changes)
    for (const each of change) {
      const { id } = each;
      if ('fields' in each && each.list === 'show') {
        const changed = withFields(next, each.fields, 'show', id);
        for (const path of Object.keys(each.fields)) {
          const field = itemAt(path.split('.'), 0);
          if (changed[field] === undefined) delete next[field];
          else next[field] = changed[field];
        }
        continue;
      }
      const list = each.list as ListName;
      const open = listOf(list);
      const found = open.records.get(id);
      if ('added' in each) {
        if (found) throw new ChangeClash(list, id, null, undefined, found);
        open.records.set(id, each.added as AnyRecord);
        open.moved = true;
      } else if ('removed' in each) {
        if (!found || !same(found, each.removed)) throw new ChangeClash(list, id, null, each.removed, found);
        open.records.delete(id);
      } else {
        if (!found) throw new ChangeClash(list, id, null, each.fields, undefined);
        open.records.set(id, withFields(found, each.fields, list, id));
        if ('order' in each.fields) open.moved = true;
      }
    }
  for (const [list, { records, moved }] of lists) {
    const all = [...records.values()];
    next[list] = moved ? sorted(list, all) : all;
  }
  return next as unknown as Show;
}

function withFields(
  record: AnyRecord,
  fields: Record<string, FieldChange>,
  list: ListName | 'show',
  id: string,
): AnyRecord {
  const next = { ...record };
  // Objects on the way to a field are copied once, and the record before keeps its own.
  const copied = new Set<unknown>([next]);
  for (const [path, { from, to }] of Object.entries(fields)) {
    const steps = path.split('.');
    const last = steps.pop()!;
    let holder = next;
    for (const step of steps) {
      const inner = holder[step];
      if (!isObject(inner)) throw new ChangeClash(list, id, path, from, undefined);
      if (!copied.has(inner)) {
        holder[step] = { ...inner };
        copied.add(holder[step]);
      }
      holder = holder[step] as AnyRecord;
    }
    if (!same(holder[last], from)) throw new ChangeClash(list, id, path, from, holder[last]);
    if (to === undefined) delete holder[last];
    else holder[last] = to;
  }
  return next;
}

/** By order key; equal ones, which two windows can make at the same time, by id. */
function sorted(list: ListName, records: AnyRecord[]): AnyRecord[] {
  const keyed = records.map((record) => ({
    record,
    order: record.order ?? '',
    id: '',
  }));
  return keyed
    .sort((a, b) => {
      if (a.order !== b.order) return a.order < b.order ? -1 : 1;
      const [one, other] = [(a.id ||= idOf(list, a.record)), (b.id ||= idOf(list, b.record))];
      return one < other ? -1 : one > other ? 1 : 0;
    })
    .map(({ record }) => record);
}
