import { z } from 'zod';

/** Ids are short words, so that they can stand in a browser address and in a file unquoted. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id of lower-case letters, digits and hyphens, 1 to 64 of them');

export const nameSchema = z
  .string()
  .min(1)
  .max(80)
  .refine(
    (text) => text.trim() === text && !/\p{Cc}/u.test(text),
    'no space at either end and no line breaks',
  );

/** A name as the beginning of an id: `Net curtain` → `net-curtain`. */
export function idWords(name: string): string {
  return (
    name
      .normalize('NFKD')
      // The dots and strokes that letters were parted from.
      .replace(/\p{M}+/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 48)
      .replace(/-+$/, '') || 'item'
  );
}

/**
 * A new id that begins with a name: `Net curtain` → `net-curtain-7k2pm9xq`. Its random end makes it one that no other window, and no
 * record that is gone, has.
 */
export function newId(name: string): string {
  // Present in every page, unlike randomUUID, which a page over plain HTTP does not have.
  const random = crypto.getRandomValues(new Uint8Array(8));
  return `${idWords(name)}-${[...random].map((byte) => (byte % 36).toString(36)).join('')}`;
}

/** A name that `taken` does not hold, letter case aside: `Net curtain`, then `Net curtain 2`. */
export function newName(name: string, taken: Iterable<string>): string {
  const used = new Set([...taken].map((other) => other.toLowerCase()));
  if (!used.has(name.toLowerCase())) return name;
  const stem = name.replace(/ \d+$/, '').slice(0, 74);
  let number = 2;
  while (used.has(`${stem} ${number}`.toLowerCase())) number += 1;
  return `${stem} ${number}`;
}
