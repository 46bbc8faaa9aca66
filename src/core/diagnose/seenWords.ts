import { listOf } from '../units/words';
import { PERCEIVED, SEEN_DARK } from './perceive';

/**
 * The look of a prop's lights, in a few words.
 *
 * @param seen a code for each in data order
 * @param planned what is to be seen
 */
export function seenWords(seen: Uint8Array, planned: Uint8Array): string {
  const counts = new Map<number, number>();
  for (const code of seen) counts.set(code, (counts.get(code) ?? 0) + 1);
  const lit = [...counts].filter(([code]) => code !== SEEN_DARK).sort(([, a], [, b]) => b - a);
  if (lit.length === 0) return 'All dark';
  const colours = lit.slice(0, 3).map(([code]) => PERCEIVED[code]!);
  const named = lit.length > 3 ? 'many colours' : listOf(colours);
  const total = lit.reduce((sum, [, count]) => sum + count, 0);
  if (total === seen.length) return counts.size === 1 ? `All ${named}` : sameLights(seen, planned, named);
  if (total <= 3) return `${total} lit, ${named}`;
  const end = seen.findLastIndex((code) => code !== SEEN_DARK) + 1;
  if (end === total && end < seen.length) return `${capital(named)} up to light ${end}, dark behind it`;
  return sameLights(seen, planned, `${named}, ${seen.length - total} dark`);
}

/** The same colours as often as planned, but elsewhere, are told so. */
function sameLights(seen: Uint8Array, planned: Uint8Array, words: string): string {
  const sorted = (codes: Uint8Array) => [...codes].sort((a, b) => a - b).join();
  return sorted(seen) === sorted(planned) ? `${capital(words)}, at other places` : capital(words);
}

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);
