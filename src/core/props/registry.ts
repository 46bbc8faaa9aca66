import { z } from 'zod';
import { idSchema, nameSchema } from '../fields/fields';
import { orderSchema } from '../fields/order';
import { thread, type Threaded } from '../threading/thread';
import { craft } from './craft';
import { freeform } from './freeform';
import { grid } from './grid';
import type { PropKind } from './kind';
import { line } from './line';
import { propExtrasSchema } from './extras';
import { ring } from './ring';
import { tile } from './tile';
import { tree } from './tree';
import { wall } from './wall';

const propBase = {
  id: idSchema,
  name: nameSchema,
  placeId: idSchema,
  pixelTypeId: idSchema,
  order: orderSchema,
  ...propExtrasSchema.shape,
};

/** Every kind of prop. The show file accepts just these; the interface offers just these. */
export const propSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...propBase,
    kind: z.literal(line.kind),
    shape: line.shapeSchema,
    threading: line.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(ring.kind),
    shape: ring.shapeSchema,
    threading: ring.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(tree.kind),
    shape: tree.shapeSchema,
    threading: tree.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(grid.kind),
    shape: grid.shapeSchema,
    threading: grid.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(wall.kind),
    shape: wall.shapeSchema,
    threading: wall.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(tile.kind),
    shape: tile.shapeSchema,
    threading: tile.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(craft.kind),
    shape: craft.shapeSchema,
    threading: craft.threadingSchema,
  }),
  z.strictObject({
    ...propBase,
    kind: z.literal(freeform.kind),
    shape: freeform.shapeSchema,
    threading: freeform.threadingSchema,
  }),
]);
export type Prop = z.infer<typeof propSchema>;
export type PropKindName = Prop['kind'];
export type PropOf<Kind extends PropKindName> = Extract<Prop, { kind: Kind }>;

const KINDS: Record<PropKindName, PropKind> = {
  line: line as unknown as PropKind,
  ring: ring as unknown as PropKind,
  tree: tree as unknown as PropKind,
  grid: grid as unknown as PropKind,
  wall: wall as unknown as PropKind,
  tile: tile as unknown as PropKind,
  craft: craft as unknown as PropKind,
  freeform: freeform as unknown as PropKind,
};

export const PROP_KINDS: readonly PropKind[] = Object.values(KINDS);

/** What defines the place and order of a prop's pixels. Two props with equal parts here have equal geometry. */
export type PropGeometry = Pick<Prop, 'kind' | 'shape' | 'threading'>;

export function kindOf(prop: Pick<Prop, 'kind'>): PropKind {
  return KINDS[prop.kind];
}

export function pixelCountOf(prop: Pick<Prop, 'kind' | 'shape'>): number {
  return kindOf(prop).pixelCount(prop.shape);
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
