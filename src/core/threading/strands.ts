/**
 * A strand is a physical length of pixels inside a prop: a leg of a line, a row or a column of a grid. Its pixels are a
 * slice of the prop's points with a constant step, in the direction in which data flows through it.
 */
export interface Strand {
  /** The builder's number of the strand, from 1: leg 1 from the start, row 1 at the top, column 1 at the left. */
  number: number;
  /** Index of the point at which data enters. */
  firstPoint: number;
  /** Added to the index from one pixel to the next; negative where the strand runs against the numbering. */
  step: number;
  count: number;
}

/** The same strand with data entering at its other end. */
function reversed(strand: Strand): Strand {
  return { ...strand, firstPoint: strand.firstPoint + strand.step * (strand.count - 1), step: -strand.step };
}

interface StrandOrder {
  /** Start with the strand of the highest number. */
  lastStrandFirst: boolean;
  /** Data enters the first strand at its far end. */
  fromFarEnd: boolean;
  /** Every other strand is turned round. */
  serpentine: boolean;
}

/** Strands, numbered and in their natural direction, put in the order and direction in which a run visits them. */
export function orderStrands(natural: readonly Strand[], order: StrandOrder): Strand[] {
  const visited = order.lastStrandFirst ? [...natural].reverse() : [...natural];
  return visited.map((strand, i) => {
    const turned = order.fromFarEnd !== (order.serpentine && i % 2 === 1);
    return turned ? reversed(strand) : strand;
  });
}
