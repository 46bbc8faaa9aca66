import { lastOf } from './there';
/** With a capital letter at its beginning: a word that starts a sentence or a label. */
export function capitalised(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** `a`, `a and b`, `a, b and c`. */
export function listOf(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${lastOf(words)}`;
}

/** A day as people write it: `1 Dec 2026`. @param day such as `2026-12-01` */
export function dayWords(day: string): string {
  return new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
}
