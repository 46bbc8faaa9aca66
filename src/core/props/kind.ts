import type { z } from 'zod';
import type { Points } from '../threading/thread';
import type { Strand } from '../threading/strands';

/**
 * What the rest of the product needs to know of a kind of prop. A new kind is one file that exports one of these, plus
 * its line in the registry.
 */
export interface PropKind<
  Kind extends string = string,
  Shape extends z.ZodType = z.ZodType,
  Threading extends z.ZodType<{ runs: number }> = z.ZodType<{ runs: number }>,
> {
  kind: Kind;
  /** What a builder calls it. */
  label: string;
  /** One line that helps to choose between kinds. */
  hint: string;
  shapeSchema: Shape;
  threadingSchema: Threading;
  /** A small example to start from. */
  starter: () => { shape: z.infer<Shape>; threading: z.infer<Threading> };
  pixelCount: (shape: z.infer<Shape>) => number;
  /** `18 × 30 px`: fits in a list. */
  summary: (shape: z.infer<Shape>) => string;
  /** Positions in the prop's own numbering, front view, millimetres. */
  points: (shape: z.infer<Shape>) => Points;
  /** Strands in data order and direction; together they visit every point once. */
  strands: (shape: z.infer<Shape>, threading: z.infer<Threading>) => Strand[];
  /** What a strand is called under this threading. */
  strandWord: (threading: z.infer<Threading>) => string;
  /** True when strands follow one another without a jumper between them. */
  strandsAreJoined: boolean;
  /** What follows from the measures and is wanted at the bench, besides counts. */
  facts: (shape: z.infer<Shape>) => MeasureFact[];
  /** Threading in a few words, as a caption. */
  threadingWords: (threading: z.infer<Threading>) => string;
}

export interface MeasureFact {
  name: string;
  value: string;
  note?: string;
}

/** Lets TypeScript infer the three parameters of a kind from its definition. */
export function definePropKind<
  Kind extends string,
  Shape extends z.ZodType,
  Threading extends z.ZodType<{ runs: number }>,
>(kind: PropKind<Kind, Shape, Threading>): PropKind<Kind, Shape, Threading> {
  return kind;
}

/** The most runs that a prop can be split into. */
export const MOST_RUNS = 500;
