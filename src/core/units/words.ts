/** With a capital letter at its beginning: a word that starts a sentence or a label. */
export function capitalised(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
