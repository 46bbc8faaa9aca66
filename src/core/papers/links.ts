import type { Show } from '../show/schema';
import type { SheetsAsked } from '../pages/sheet';

/** An address of the pages for the phone, as a camera reads it: where the show says under which name phones reach the program, under that. */
export function linkOf(
  { papers }: Pick<Show, 'papers'>,
  { origin, showId }: SheetsAsked,
  query: string,
): string {
  const base = papers?.host === undefined ? origin : `http://${papers.host}`;
  return `${base}/phone/${showId}?${query}`;
}

/** Whether a link leads to no other machine than the one that printed it. */
export function leadsHomeOnly(
  { papers }: Pick<Show, 'papers'>,
  { origin }: Pick<SheetsAsked, 'origin'>,
): boolean {
  return /^(https?:\/\/)?(localhost|127\.|\[::1\])/.test(papers?.host ?? origin);
}
