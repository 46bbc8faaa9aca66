import { kindOf, type Prop } from '../props/registry';
import { stockPitchMm, type Piece, type Stock } from '../catalogue/stock';
import type { ThreadedProp } from '../plan/threadedOf';
import { crossingsOf } from './seams';
import { itemAt } from '../units/there';

type Made = Pick<ThreadedProp, 'strands' | 'jumpers' | 'xMm' | 'yMm' | 'runs'>;

/**
 * Pixels, in the data order of the prop from 0, before which its data line is parted: at every jumper that the stock does not reach
 * over, at every seam at which the prop comes apart, since that takes a plug, and, where strands have strings of their own, at every strand.
 */
export function partsOf(
  prop: Pick<Prop, 'kind' | 'shape' | 'threading'>,
  threaded: Made,
  stock: Stock,
): Set<number> {
  // Strings reach over a jumper that is no longer than their own wire; strip is cut at every jumper.
  const reachMm = stock.kind === 'strings' && stock.laid === 'runOn' ? stockPitchMm(stock) : 0;
  const before = new Set<number>(threaded.runs.map((run) => run.firstPixel));
  for (const jumper of threaded.jumpers) if (jumper.lengthMm > reachMm + 0.5) before.add(jumper.toPixel);
  for (const seam of kindOf(prop).seams?.(prop.shape) ?? [])
    for (const pixel of crossingsOf(threaded, seam)) before.add(pixel);
  if (stock.kind === 'strings' && stock.laid === 'perStrand')
    for (const strand of threaded.strands) before.add(strand.firstPixel);
  return before;
}

/** The stretches of a prop's data line that can be made of one length of stock. */
export function piecesOf(
  prop: Pick<Prop, 'kind' | 'shape' | 'threading'>,
  threaded: Made,
  stock: Stock,
): Piece[] {
  const word = kindOf(prop).strandWord(prop.threading);
  const before = partsOf(prop, threaded, stock);
  const sorted = [...before].sort((a, b) => a - b);
  let next = 0;
  const pieces: Piece[] = [];
  for (const { number, firstPixel, pixelCount } of threaded.strands) {
    const starts = [firstPixel];
    while (next < sorted.length && itemAt(sorted, next) <= firstPixel) next += 1;
    for (; next < sorted.length && itemAt(sorted, next) < firstPixel + pixelCount; next += 1)
      starts.push(itemAt(sorted, next));
    starts.forEach((start, i) => {
      const count = (starts[i + 1] ?? firstPixel + pixelCount) - start;
      const part = starts.length > 1 ? `, part ${i + 1}` : '';
      const open = pieces.at(-1);
      if (open && !before.has(start)) {
        open.pixelCount += count;
        open.words = `${open.words.replace(/–[^–]*$/, '')}–${number}${part}`;
      } else pieces.push({ firstPixel: start + 1, pixelCount: count, words: `${word} ${number}${part}` });
    });
  }
  return pieces;
}
