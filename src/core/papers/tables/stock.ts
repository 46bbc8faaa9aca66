import { stockPitchMm, type Cut, type Piece, type Stock, type StockPlan } from '../../catalogue/stock';
import { formatLength, type Lengths } from '../../units/length';
import type { Table } from '../../pages/table';

/** Which part of which string or roll goes where. */
export function cutList(
  propName: string,
  stock: Stock,
  pieces: readonly Piece[],
  { cuts }: StockPlan,
  lengths: Lengths,
): Table<Cut> {
  const source = stock.kind === 'strings' ? 'string' : 'roll';
  const pitchMm = stockPitchMm(stock);
  return {
    name: `Cut list of ${propName}`,
    rows: cuts,
    keyOf: (cut) => cut.firstPixel,
    columns: [
      {
        id: 'pixels',
        head: 'Pixels',
        unit: 'in data order',
        meaning: 'the first and the last pixel, counted over the prop in the order of the data',
        as: 'figure',
        of: ({ firstPixel, pixelCount }) => `${firstPixel}–${firstPixel + pixelCount - 1}`,
      },
      {
        id: 'on',
        head: 'On',
        meaning: 'the strands that it lies on',
        of: (cut) => pieces.findLast((piece) => piece.firstPixel <= cut.firstPixel)?.words ?? null,
      },
      {
        id: 'count',
        head: 'Count',
        meaning: 'how many pixels it has',
        as: 'figure',
        of: (cut) => cut.pixelCount,
      },
      {
        id: 'length',
        head: 'Length',
        meaning: 'of the wire or strip as it comes',
        as: 'figure',
        of: (cut) => formatLength(Math.round(cut.pixelCount * pitchMm), lengths),
      },
      {
        id: 'source',
        head: `From ${source}`,
        meaning: `which ${source} it is cut from`,
        as: 'figure',
        of: (cut) => cut.source,
      },
    ],
  };
}
