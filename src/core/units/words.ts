import { lastOf } from './there';
/** With a capital letter at its beginning: a word that starts a sentence or a label. */
export function capitalised(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** `a`, `a and b`, `a, b and c`. */
export function listOf(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${lastOf(words)}`;
}
