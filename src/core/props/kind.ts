import type { Lengths } from '../units/length';
import type { z } from 'zod';
import type { Explained, Place } from '../figures/explained';
import type { PixelType } from '../catalogue/pixelType';
import type { Runs } from '../threading/runs';
import type { LaidWall } from '../panels/laidWall';
import type { Points } from '../threading/thread';
import type { ViewSide } from '../threading/view';
import type { Strand } from '../threading/strands';
import type { Figure } from '../figures/figure';

/**
 * Everything that the rest of the product needs to know of a kind of prop. A new kind is one file that exports one of these, plus
 * its line in the registry.
 */
export interface PropKind<
  Kind extends string = string,
  Shape extends z.ZodType = z.ZodType,
  Threading extends z.ZodType<{ runs: Runs }> = z.ZodType<{ runs: Runs }>,
> {
  kind: Kind;
  /** The usual word for it. */
  label: string;
  /** One line that helps to choose between kinds. */
  hint: string;
  /** Its small drawing: a path on 24 units by 24, and how thick its line is; 1.8 where that is left out. */
  glyph: { path: string; line?: number };
  shapeSchema: Shape;
  threadingSchema: Threading;
  /** A small example to start from. */
  starter: () => { shape: z.infer<Shape>; threading: z.infer<Threading> };
  /** Number of pixels, derived from its measures. `place` is where those are set. */
  pixels: (shape: z.infer<Shape>, place?: Place) => Explained;
  /** `18 × 30 px`: fits in a list. */
  summary: (shape: z.infer<Shape>) => string;
  /** Positions in the prop's own numbering, front view, millimetres. */
  points: (shape: z.infer<Shape>) => Points;
  /** Strands in data order and direction; together they visit every point once. */
  strands: (shape: z.infer<Shape>, threading: z.infer<Threading>) => Strand[];
  /** The word for a strand under this threading. */
  strandWord: (threading: z.infer<Threading>) => string;
  /** True where data runs on from one strand to another, by their numbers, without a jumper. */
  isJoined: (shape: z.infer<Shape>, from: number, to: number) => boolean;
  /** Points that are on the wire but not seen. */
  hiddenPoints?: (shape: z.infer<Shape>) => ArrayLike<number>;
  /** The type of pixel that a new one is given, where only one will do. */
  pixelType?: PixelType;
  /** The type that a new one usually has; left out where strings and strips of the show do. */
  usualPixelType?: PixelType;
  /** Ids of the shipped kinds of controllers that usually drive one, for somebody to choose from; any Ethernet controller where that is left out. */
  usualControllers?: (threading: z.infer<Threading>) => readonly [string, ...string[]];
  /** The part of its threading that decides places and order of pixels; the whole threading where this is left out. */
  orderOf?: (threading: z.infer<Threading>) => unknown;
  /** The orders in which its chips take colours, the usual one first, where its shape says so rather than its type of pixel. */
  chipOrders?: (shape: z.infer<Shape>) => readonly string[];
  /** Its panels on their chains, where it is made of panels: drawn, chained and set out by panel, not by pixel. */
  panels?: (shape: z.infer<Shape>, threading: z.infer<Threading>) => LaidWall;
  /** Power of its panels, each fed by itself; columns and rows count from 1 at the top left of the front. */
  panelPower?: (shape: z.infer<Shape>) => PanelPower;
  /** It has motors, which must not start while its lights are tested. */
  isMotorised?: boolean;
  /** The points laid out flat where the true view hides some behind others. */
  unrolled?: (shape: z.infer<Shape>) => Points;
  /** Names of its two sides where they are not the front and the back. */
  sides?: { front: string; back: string };
  /** The most pixels that one of its drivers has to drive, where several share them. */
  drivenPixels?: (shape: z.infer<Shape>, threading: z.infer<Threading>) => number;
  /** The same prop with its drivers cut so that none drives more than so many pixels; null where that cannot be had. */
  withDrivenPixels?: (
    shape: z.infer<Shape>,
    threading: z.infer<Threading>,
    most: number,
  ) => { threading: z.infer<Threading>; words: string } | null;
  /** Pixels that share one start address, which are never split over universes. */
  fixturePixels?: (shape: z.infer<Shape>) => number;
  /** Lines along which it is taken apart for storage. */
  seams?: (shape: z.infer<Shape>) => Seam[];
  /** Rows of places where not all are in one open row: the number in each, and whether the last neighbours the first. */
  placeRows?: (shape: z.infer<Shape>) => { rows?: number[]; closed: boolean };
  /** Stakes or anchors to set before anything is hung. */
  anchors?: (shape: z.infer<Shape>) => Anchors;
  /** Height of its pole above the ground, in mm, where it hangs from one. */
  poleMm?: (shape: z.infer<Shape>) => number | null;
  /** Strip with holes that its pixels are pushed into: so many pieces of a length each. */
  mountingStrip?: (shape: z.infer<Shape>) => { pieces: number; lengthMm: number };
  /** Other ways to thread it that are worth comparing; the number of runs is tried besides. */
  alternatives?: (shape: z.infer<Shape>, threading: z.infer<Threading>) => z.infer<Threading>[];
  /** Why a prop of such measures cannot be built, in sentences; null where it can. Nobody can type it, but older files may hold it. */
  impossible?: (shape: z.infer<Shape>, lengths: Lengths) => string | null;
  /** The same prop with its pixels at least so far apart, where that can be had by changing its measures. */
  withLeastSpacing?: (shape: z.infer<Shape>, leastMm: number) => z.infer<Shape>;
  /** The shape without what belonged to the type of pixel that it had, and what that was; null where there is nothing of the sort. */
  onOtherPixels?: (shape: z.infer<Shape>) => { shape: z.infer<Shape>; words: string } | null;
  /** Bare holes at the two ends of each strand, where it has such. */
  emptyHoles?: (shape: z.infer<Shape>) => { top: number; bottom: number };
  /** Other examples to start from. */
  presets?: readonly {
    label: string;
    hint: string;
    starter: () => { shape: z.infer<Shape>; threading: z.infer<Threading> };
  }[];
  /** The place of a pixel besides its strand: its panel, its driver. `pixel` counts from 0 in data order. */
  pixelFacts?: (shape: z.infer<Shape>, threading: z.infer<Threading>, pixel: number) => MeasureFact[];
  /** The pixel, from 0 in data order, at the top left of a panel, by row and column from 1 as seen from the front; null where there is none. */
  pixelOfPanel?: (
    shape: z.infer<Shape>,
    threading: z.infer<Threading>,
    row: number,
    column: number,
  ) => number | null;
  /** Values that follow from the measures and are wanted at the bench, besides counts. */
  facts: (shape: z.infer<Shape>, lengths: Lengths) => MeasureFact[];
  /** Values that follow from the threading alone, seen from a side. */
  threadingFacts?: (threading: z.infer<Threading>, side: ViewSide) => MeasureFact[];
  /** Threading in a few words, as a caption. */
  threadingWords: (threading: z.infer<Threading>) => string;
}

/** Current and places of the panels of a prop. */
interface PanelPower {
  columns: number;
  rows: number;
  volts: number;
  ampsFullWhite: Figure<number>;
  isMissing: (column: number, row: number) => boolean;
}

/** A line across the prop, front view: upright at `xMm`, or level at `yMm`. */
export type Seam = { xMm: number } | { yMm: number };

/** Places in a flat plan about a middle: x to the right, y away from the one who stands at the bottom of the drawing. */
export interface Anchors {
  /** The thing that stands there: a stake, a pixel. */
  word: string;
  xMm: number[];
  yMm: number[];
  /** The direction of view of the drawing. */
  view: string;
}

export interface MeasureFact {
  name: string;
  value: string;
  /** The derivation of the value. */
  why?: Explained;
  note?: string;
}

/** Lets TypeScript infer the three parameters of a kind from its definition. */
export function definePropKind<
  Kind extends string,
  Shape extends z.ZodType,
  Threading extends z.ZodType<{ runs: Runs }>,
>(kind: PropKind<Kind, Shape, Threading>): PropKind<Kind, Shape, Threading> {
  return kind;
}
