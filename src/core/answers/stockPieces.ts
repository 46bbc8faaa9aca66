import { kindOf, type Prop } from '../props/registry';
import type { Threaded } from '../threading/thread';
import { stockPitchMm, type Piece, type Stock } from '../catalogue/stock';

/**
 * The stretches of a prop's data line that can be made of one length of stock: cut at every jumper that the stock does not
 * reach over, and, where strands have strings of their own, after every strand.
 */
export function piecesOf(
  prop: Pick<Prop, 'kind' | 'shape' | 'threading'>,
  threaded: Pick<Threaded, 'strands' | 'jumpers'> & { runs: readonly { firstPixel: number }[] },
  stock: Stock,
): Piece[] {
  const word = kindOf(prop).strandWord(prop.threading);
  // Strings reach over a jumper that is no longer than their own wire; strip is cut at every jumper.
  const reachMm = stock.kind === 'strings' && stock.laid === 'runOn' ? stockPitchMm(stock) : 0;
  const cutBefore = new Set<number>(threaded.runs.map((run) => run.firstPixel));
  for (const jumper of threaded.jumpers) if (jumper.lengthMm > reachMm + 0.5) cutBefore.add(jumper.toPixel);
  if (stock.kind === 'strings' && stock.laid === 'perStrand')
    for (const strand of threaded.strands) cutBefore.add(strand.firstPixel);
  const pieces: Piece[] = [];
  for (const strand of threaded.strands) {
    const open = pieces.at(-1);
    if (open && !cutBefore.has(strand.firstPixel)) {
      open.pixelCount += strand.pixelCount;
      open.words = `${open.words.replace(/–\d+$/, '')}–${strand.number}`;
    } else
      pieces.push({
        firstPixel: strand.firstPixel + 1,
        pixelCount: strand.pixelCount,
        words: `${word} ${strand.number}`,
      });
  }
  return pieces;
}
