import { LONGEST_KEY, inOrder, orderBetween, ordersAfter, renumbered } from '../fields/order';
import { same } from '../fields/json';
import { ShowError } from '../fields/problem';
import { listWord, recordId, type ListName, type RecordOf, type ShowField } from './records';
import type { Show } from './schema';
import { itemAt } from '../units/there';

/** Fields to set; undefined takes a field away. Where a record stands is no field to be set: move it. */
type Fields<Item> = { [Field in keyof Omit<Item, 'order'>]?: Item[Field] | undefined };

/**
 * A show that is being edited. Records are never written to: what changes is put in the place of what was there, so that the
 * show before keeps all of its own, and both share what stays. Setting what is there already changes nothing.
 */
export class ShowDraft {
  private now: Show;
  /** Lists that are copies already. */
  private readonly copied = new Set<ListName>();

  constructor(private readonly before: Show) {
    this.now = before;
  }

  /** The show as it is by now. */
  get show(): Show {
    return this.now;
  }

  list<List extends ListName>(list: List): readonly RecordOf[List][] {
    return this.now[list] as unknown as readonly RecordOf[List][];
  }

  find<List extends ListName>(list: List, id: string): RecordOf[List] | undefined {
    return this.list(list).find((record) => recordId(list, record) === id);
  }

  /** @throws ShowError with a sentence that there is no such record any more */
  need<List extends ListName>(list: List, id: string): RecordOf[List] {
    const record = this.find(list, id);
    if (!record) throw new ShowError(`There is no ${listWord(list)} “${id}” in this show any more.`);
    return record;
  }

  /** Puts a record into its list; at the end where no index is given. */
  add<List extends ListName>(list: List, record: RecordOf[List], index?: number): void {
    this.place(list, record, index);
  }

  /** Puts records behind what is in a list. */
  addAll<List extends ListName>(list: List, records: readonly RecordOf[List][]): void {
    if (records.length === 0) return;
    const kept = inOrder(this.list(list));
    const keys = ordersAfter(
      kept.at(-1)?.order ?? null,
      records.map((record) => recordId(list, record)),
    );
    this.replaceList(list, [...kept, ...records.map((record, i) => ({ ...record, order: itemAt(keys, i) }))]);
  }

  /** @throws ShowError when there is no such record */
  remove(list: ListName, id: string): void {
    const record = this.need(list, id);
    const records = this.writable(list);
    records.splice(records.indexOf(record), 1);
  }

  /** Removes all that a question is answered yes for. */
  removeWhere<List extends ListName>(list: List, goes: (record: RecordOf[List]) => boolean): void {
    const kept = this.list(list).filter((record) => !goes(record));
    if (kept.length < this.list(list).length) this.replaceList(list, kept);
  }

  /** @throws ShowError when there is no such record */
  change<List extends ListName>(list: List, id: string, fields: Fields<RecordOf[List]>): void {
    const record = this.need(list, id);
    const next = withFields(record, fields);
    if (next === record) return;
    const records = this.writable(list);
    records[records.indexOf(record)] = next;
  }

  /** Gives every record that is named other fields, in one go over the list. */
  changeWhere<List extends ListName>(
    list: List,
    fieldsOf: (record: RecordOf[List]) => Fields<RecordOf[List]> | null,
  ): void {
    let changed = false;
    const next = this.list(list).map((record) => {
      const fields = fieldsOf(record);
      const other = fields ? withFields(record, fields) : record;
      changed ||= other !== record;
      return other;
    });
    if (changed) this.replaceList(list, next);
  }

  /** Moves a record to a place in its list, counted after it has been taken out. @throws ShowError when there is no such record */
  move(list: ListName, id: string, index: number): void {
    const record = this.need(list, id);
    const at = this.list(list).indexOf(record);
    if (Math.min(Math.max(index, 0), this.list(list).length - 1) === at) return;
    this.writable(list).splice(at, 1);
    this.place(list, record, index);
  }

  /** Sets what the show says of itself; undefined takes it away. */
  set<Field extends ShowField>(field: Field, value: Show[Field] | undefined): void {
    if (same(this.now[field], value)) return;
    this.now = { ...this.now };
    if (value === undefined) delete this.now[field];
    else this.now[field] = value;
  }

  private place<List extends ListName>(list: List, record: RecordOf[List], index = Infinity): void {
    const known = this.list(list);
    const keyed = inOrder(known);
    if (keyed !== known) this.replaceList(list, keyed);
    const records = this.writable(list);
    const at = Math.min(Math.max(index, 0), records.length);
    const [before, after] = [records[at - 1]?.order ?? null, records[at]?.order ?? null];
    const order = orderBetween(before, after, recordId(list, record));
    records.splice(at, 0, { ...record, order });
    if (order.length > LONGEST_KEY) this.replaceList(list, renumbered(records));
  }

  private writable<List extends ListName>(list: List): RecordOf[List][] {
    if (!this.copied.has(list)) this.replaceList(list, [...this.list(list)]);
    return this.now[list] as unknown as RecordOf[List][];
  }

  private replaceList<List extends ListName>(list: List, records: RecordOf[List][]): void {
    this.now = { ...this.now, [list]: records };
    this.copied.add(list);
  }
}

/** The record with other fields, or the same object where they say what it says already. */
function withFields<Item extends object>(record: Item, fields: Fields<Item>): Item {
  const before = new Map<string, unknown>(Object.entries(record));
  const named = Object.entries(fields).filter(([name, value]) => !same(before.get(name), value));
  if (named.length === 0) return record;
  const next = { ...record } as Record<string, unknown>;
  for (const [name, value] of named) {
    if (value === undefined) delete next[name];
    else next[name] = value;
  }
  return next as Item;
}
