import { LISTS, type ListName } from '@/core/show/records';
import type { Show } from '@/core/show/schema';
import { ownJson } from '@/core/fields/parseJson';

/**
 * Documents of shows as they are kept: JSON with each record on a line of its own. So a large one can be served as it is, and be
 * parsed bit by bit, since no line break stands anywhere inside a line of JSON.
 */
export function documentText(show: Show): string {
  const isList = (field: string): field is ListName => (LISTS as readonly string[]).includes(field);
  const parts = Object.entries(show)
    .filter(([, value]) => value !== undefined)
    .map(([field, value]: [string, unknown]) => {
      const lines =
        isList(field) && Array.isArray(value) ? value.map((record) => JSON.stringify(record)) : null;
      return `${JSON.stringify(field)}:${lines ? (lines.length > 0 ? `[\n${lines.join(',\n')}\n]` : '[]') : JSON.stringify(value)}`;
    });
  return `{${parts.join(',')}}`;
}

/** Longest wait of others for a step of it. */
const STEP_MS = 15;
const NEW_LINE = 10;

/** The show of a document, parsed a line at a time, with a pause for others whenever it took long. */
export async function parseInSteps(document: Uint8Array): Promise<Show> {
  const decoder = new TextDecoder();
  // Everything but the records, each of which leaves a mark by its number.
  let frame = '';
  const records: unknown[] = [];
  let began = performance.now();
  for (let from = 0; from <= document.length;) {
    const at = document.indexOf(NEW_LINE, from);
    const end = at === -1 ? document.length : at;
    const line = decoder.decode(document.subarray(from, end));
    // The first line and those behind a list hold the frame; a record begins its line with a brace.
    const isRecord = from > 0 && line.startsWith('{');
    if (isRecord) {
      const hasNext = line.endsWith(',');
      frame += `${records.length}${hasNext ? ',' : ''}`;
      records.push(JSON.parse(hasNext ? line.slice(0, -1) : line));
    } else frame += line;
    from = end + 1;
    if (performance.now() - began > STEP_MS) {
      await new Promise((resume) => setImmediate(resume));
      began = performance.now();
    }
  }
  const show = ownJson<Record<string, unknown>>(frame);
  // A document that was kept in one line has its records in the frame already.
  if (records.length > 0)
    for (const list of LISTS) show[list] = (show[list] as unknown[]).map((mark) => records[mark as number]);
  return show as unknown as Show;
}
