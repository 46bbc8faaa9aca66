import type { Measure } from '@/core/pages/ink';

/** Letters of one width, for what does not depend on a font. */
export const roughMeasure: Measure = (words, sizePt, style) =>
  [...words].length * sizePt * (style === 'mono' ? 0.62 : style === 'bold' ? 0.58 : 0.52);

export const PLAIN_WORDS = {
  show: 'Quay',
  sheet: 'Sheet',
  side: null,
  state: 'rev 1 · 27 Nov 2026',
  page: 1,
  pages: 1,
};
export const NO_LINK = { mark: '1-ABCDE', link: null };
