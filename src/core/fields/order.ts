import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing';
import { z } from 'zod';
import { itemAt } from '../units/there';

/**
 * The place of a record in its list: records stand by ascending key, and between any two keys there is room for another. So
 * a record can be put anywhere without a word about the others, and two people who add one at once disturb nobody.
 */
export const orderSchema = z
  .string()
  .regex(/^[0-9A-Za-z]{2,300}$/, 'an order key of letters and digits')
  .optional();

/** A record of a list that has an order. */
export interface Ordered {
  /** Absent in a file, where the list itself says the order. */
  order?: string | undefined;
}

const DIGITS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

/** Compares by code unit, as the keys are made to be compared; a collation would not do. */
function ascending(a: string, b: string): boolean {
  return a < b;
}

/** Whether every record has a key and the keys ascend. */
export function isOrdered(records: readonly Ordered[]): boolean {
  return records.every(
    ({ order }, i) => order !== undefined && (i === 0 || ascending(itemAt(records, i - 1).order!, order)),
  );
}

/** The list with keys that say the order in which it stands. A list that has such keys is given back as it is. */
export function inOrder<Item extends Ordered>(records: readonly Item[]): Item[] {
  return isOrdered(records) ? (records as Item[]) : renumbered(records);
}

/**
 * A key between two others.
 *
 * @param before key of the record before, null at the start
 * @param after key of the record after, null at the end
 * @param id of the record that is placed: part of it ends the key, so that two windows that place different records at the same
 *   time do not make the same key
 */
export function orderBetween(before: string | null, after: string | null, id: string): string {
  const tail = tailOf(id);
  // In front of all, whole numbers count down, so that keys stay short there.
  let key = generateKeyBetween(before, before === null && after !== null ? wholePart(after) : after);
  // With a tail it must still come before what it is put in front of.
  while (after !== null && !ascending(key + tail, after)) key = generateKeyBetween(key, after);
  return key + tail;
}

/** Keys for records that are put behind all others, one after another. */
export function ordersAfter(last: string | null, ids: readonly string[]): string[] {
  let key = last;
  return ids.map((id) => (key = generateKeyBetween(key, null)) + tailOf(id));
}

/** Keys are whole numbers whose first letter tells how many digits follow, and a fraction behind them. */
function wholePart(key: string): string {
  const head = key.charCodeAt(0);
  return key.slice(0, head >= 97 ? head - 97 + 2 : 90 - head + 2);
}

/** A key longer than this says that its list has been put in order often enough to be given fresh keys. */
export const LONGEST_KEY = 60;

/** The list with fresh keys, in the order in which it stands. */
export function renumbered<Item extends Ordered>(records: readonly Item[]): Item[] {
  const keys = generateNKeysBetween(null, null, records.length);
  return records.map((record, i) => ({ ...record, order: itemAt(keys, i) }));
}

/** Three digits from an id (FNV-1a). They only tell apart what is made at once; the last is no 0, which would say nothing. */
function tailOf(id: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < id.length; i += 1) hash = Math.imul(hash ^ id.charCodeAt(i), 0x01000193) >>> 0;
  const digit = (place: number) => DIGITS[Math.floor(hash / 62 ** place) % 62]!;
  return digit(0) + digit(1) + DIGITS[1 + (Math.floor(hash / 62 ** 2) % 61)]!;
}
