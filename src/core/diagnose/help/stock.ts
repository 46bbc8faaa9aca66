import { z } from 'zod';
import type { Facts, Note } from '../../show/facts';

/** A string or a panel that belongs to no prop yet, as it was tested. */
const stockSchema = z.strictObject({
  what: z.enum(['string', 'panel']),
  /** Lights that were counted. */
  lights: z.number().int().min(0).max(100_000),
  /** Order of its chips, as the fills told; empty where nobody looked. */
  order: z.string().max(4),
  remarks: z.string().max(300),
});
export type StockValue = z.infer<typeof stockSchema>;

/** A piece with its label. */
interface StockPiece extends StockValue {
  label: string;
  by: string | null;
  at: string;
}

const PREFIX = 'stock.';

/** Pieces that are kept, by their labels. */
export function stockOf(facts: Facts): StockPiece[] {
  return facts
    .ofKind('test')
    .flatMap(({ field, value, by, at }): StockPiece[] => {
      const read = field.startsWith(PREFIX) ? stockSchema.safeParse(value) : null;
      return read?.success ? [{ label: field.slice(PREFIX.length), ...read.data, by: by ?? null, at }] : [];
    })
    .sort((a, b) => a.label.localeCompare(b.label, 'en', { numeric: true }));
}

/** A label that no piece has: `S1`, `S2`. It is short enough to be written on tape. */
export function nextLabel(stock: readonly StockPiece[]): string {
  const taken = new Set(stock.map(({ label }) => label));
  let number = 1;
  while (taken.has(`S${number}`)) number += 1;
  return `S${number}`;
}

/** @param value null takes the piece out of stock */
export function stockNote(showId: string, label: string, value: StockValue | null, by?: string): Note {
  return {
    kind: 'test',
    list: 'show',
    recordId: showId,
    field: `${PREFIX}${label}`,
    value,
    ...(by && { by }),
  };
}
