import type { Measure, TextStyle } from './ink';

/** Breaks of a line: behind a space, and behind a sign that joins two words. */
const PART = /[^/–-]*[/–-]+|[^/–-]+/gu;

/** A room that was made for these words holds them. */
const ROUNDING_PT = 0.01;

/** The parts of words between which a line may end; whether a space stands before each. */
function partsOf(words: string): { text: string; spaced: boolean }[] {
  return (
    words
      // A space that keeps words together does so.
      .split(/[ \t]+/)
      .filter(Boolean)
      .flatMap((word) => (word.match(PART) ?? [word]).map((text, i) => ({ text, spaced: i === 0 })))
  );
}

/** As wide as the widest part that is never broken where there is room for it. */
export function widestPart(words: string, sizePt: number, style: TextStyle, measure: Measure): number {
  let widest = 0;
  for (const { text } of partsOf(words)) widest = Math.max(widest, measure(text, sizePt, style));
  return widest;
}

/** Words in lines that are no wider than the room. A part that is wider than the room by itself is broken where it has to be. */
export function linesOf(
  words: string,
  widthPt: number,
  sizePt: number,
  style: TextStyle,
  measure: Measure,
): string[] {
  const lines: string[] = [];
  for (const paragraph of words.split('\n')) {
    let line = '';
    for (const { text, spaced } of partsOf(paragraph)) {
      const longer = line === '' ? text : line + (spaced ? ' ' : '') + text;
      if (measure(longer, sizePt, style) <= widthPt + ROUNDING_PT) {
        line = longer;
        continue;
      }
      if (line !== '') lines.push(line);
      line = text;
      while (measure(line, sizePt, style) > widthPt + ROUNDING_PT) {
        const fits = fittingLetters(line, widthPt, sizePt, style, measure);
        const letters = [...line];
        if (fits >= letters.length) break;
        lines.push(letters.slice(0, fits).join(''));
        line = letters.slice(fits).join('');
      }
    }
    lines.push(line);
  }
  return lines;
}

/** Number of letters that fit, at least one. */
function fittingLetters(
  words: string,
  widthPt: number,
  sizePt: number,
  style: TextStyle,
  measure: Measure,
): number {
  const letters = [...words];
  let [fits, many] = [1, letters.length];
  while (fits < many) {
    const middle = Math.ceil((fits + many) / 2);
    if (measure(letters.slice(0, middle).join(''), sizePt, style) <= widthPt) fits = middle;
    else many = middle - 1;
  }
  return fits;
}
