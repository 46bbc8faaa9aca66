import Papa from 'papaparse';
import type { Row } from '@/core/reports/channelMap';

const ROWS_PER_CHUNK = 1000;

/** A CSV file (RFC 4180) in pieces, each made when it is asked for, so that its size does not matter. */
export function* csvChunks(heads: readonly string[], rows: Iterator<Row>): Generator<Uint8Array> {
  const encoder = new TextEncoder();
  let chunk: Row[] = [heads];
  for (let next = rows.next(); ; next = rows.next()) {
    if (!next.done) chunk.push(next.value);
    if (next.done || chunk.length >= ROWS_PER_CHUNK) {
      // A name that begins with = is a name, whatever a spreadsheet would make of it.
      if (chunk.length > 0)
        yield encoder.encode(Papa.unparse(chunk as unknown[][], { escapeFormulae: true }) + '\r\n');
      if (next.done) return;
      chunk = [];
    }
  }
}
