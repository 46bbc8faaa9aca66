import { z } from 'zod';
import type { Explained, Place } from '../figures/explained';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import type { LaidWall } from '../panels/laidWall';
import type { Runs } from '../threading/runs';
import { thread, type Threaded } from '../threading/thread';
import { craft } from './craft';
import { freeform } from './freeform';
import { grid } from './grid';
import type { PropKind } from './kind';
import { line } from './line';
import { propExtrasSchema } from './extras';
import { ring } from './ring';
import { screen } from './screen';
import { tile } from './tile';
import { tree } from './tree';
import { wall } from './wall';
import { valueIn } from '../units/there';

const propBase = {
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  pixelTypeId: idSchema,
  order: orderSchema,
  ...propExtrasSchema.shape,
};

/** Every kind of prop. The show file accepts just these; the interface offers just these. */
const KINDS = [line, ring, tree, grid, wall, tile, screen, craft, freeform] as const;

/** A prop of one kind, as it stands in a show. */
function propSchemaOf<
  Name extends string,
  Shape extends z.ZodType,
  Threading extends z.ZodType<{ runs: Runs }>,
>(kind: PropKind<Name, Shape, Threading>) {
  return z.strictObject({
    ...propBase,
    kind: z.literal(kind.kind),
    shape: kind.shapeSchema,
    threading: kind.threadingSchema,
  });
}
type SchemaOf<Kind> =
  Kind extends PropKind<infer Name, infer Shape, infer Threading>
    ? ReturnType<typeof propSchemaOf<Name, Shape, Threading>>
    : never;
type Schemas<Kinds extends readonly unknown[]> = { [At in keyof Kinds]: SchemaOf<Kinds[At]> };

/** The kinds without what each knows of its own shape: who asks them hands in what belongs to them. */
export const PROP_KINDS = KINDS as unknown as readonly PropKind[];

export const propSchema = z.discriminatedUnion(
  'kind',
  PROP_KINDS.map(propSchemaOf) as unknown as Schemas<typeof KINDS>,
);
export type Prop = z.infer<typeof propSchema>;
export type PropKindName = Prop['kind'];
export type PropOf<Kind extends PropKindName> = Extract<Prop, { kind: Kind }>;

/** For what only one kind has and stands apart from it, such as its checks. */
export function isOf<Kind extends PropKindName>(prop: Prop, kind: Kind): prop is PropOf<Kind> {
  return prop.kind === kind;
}

/** A prop with another shape, or routed otherwise, as its own kind gave it. */
export const withShape = (prop: Prop, shape: unknown): Prop => ({ ...prop, shape }) as Prop;
export const withThreading = (prop: Prop, threading: unknown): Prop => ({ ...prop, threading }) as Prop;

const BY_NAME: ReadonlyMap<string, PropKind> = new Map(PROP_KINDS.map((kind) => [kind.kind, kind]));

/** The fields that define the place and order of a prop's pixels. Two props with equal parts here have equal geometry. */
export type PropGeometry = Pick<Prop, 'kind' | 'shape' | 'threading'>;

export function kindOf(prop: Pick<Prop, 'kind'>): PropKind {
  return valueIn(BY_NAME, prop.kind);
}

/** The panels of a prop on their chains; null where it is not made of panels. */
export function wallOf(prop: PropGeometry): LaidWall | null {
  return kindOf(prop).panels?.(prop.shape, prop.threading) ?? null;
}

export function isPanelled({ kind }: { kind: PropKindName }): boolean {
  return kindOf({ kind }).panels !== undefined;
}

/** Shapes are never written to, so what is said of one holds as long as it does. */
const counts = new WeakMap<object, number>();

export function pixelCountOf(prop: Pick<Prop, 'kind' | 'shape'>): number {
  let count = counts.get(prop.shape);
  if (count === undefined) counts.set(prop.shape, (count = kindOf(prop).pixels(prop.shape).value));
  return count;
}

/** The pixels of a prop, and how their number follows from its measures. */
export function pixelsOf(prop: Pick<Prop, 'id' | 'kind' | 'shape'>): Explained {
  const place: Place = { stage: 'build', subject: { kind: 'prop', propId: prop.id } };
  return { ...kindOf(prop).pixels(prop.shape, place), place };
}

/**
 * A prop's pixels in data order. Cost and memory are in proportion to its pixels.
 *
 * @param drawing `unrolled` lays strands flat beside one another, for kinds whose true view hides some of them
 */
export function threadProp(prop: PropGeometry, drawing: 'true' | 'unrolled' = 'true'): Threaded {
  const kind = kindOf(prop);
  const points = drawing === 'unrolled' && kind.unrolled ? kind.unrolled : kind.points;
  return thread(
    points(prop.shape),
    kind.strands(prop.shape, prop.threading),
    prop.threading.runs,
    (from, to) => kind.isJoined(prop.shape, from, to),
    kind.hiddenPoints?.(prop.shape),
  );
}

/** Pixels that a prop has in each part with an address of its own, such as a tile; 1 where it has no such parts. */
export function fixturePixelsOf(prop: Prop): number {
  return kindOf(prop).fixturePixels?.(prop.shape) ?? 1;
}
