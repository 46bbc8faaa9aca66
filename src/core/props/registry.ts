import { z } from 'zod';
import { idSchema, nameSchema } from '../show/fields';
import { thread, type Threaded } from '../threading/thread';
import { grid } from './grid';
import type { PropKind } from './kind';
import { line } from './line';
import { ring } from './ring';

const propBase = { id: idSchema, name: nameSchema, placeId: idSchema, pixelTypeId: idSchema };

/** Every kind of prop. The show file accepts just these; the interface offers just these. */
const lineProp = z.strictObject({
  ...propBase,
  kind: z.literal(line.kind),
  shape: line.shapeSchema,
  threading: line.threadingSchema,
});
const gridProp = z.strictObject({
  ...propBase,
  kind: z.literal(grid.kind),
  shape: grid.shapeSchema,
  threading: grid.threadingSchema,
});

const ringProp = z.strictObject({
  ...propBase,
  kind: z.literal(ring.kind),
  shape: ring.shapeSchema,
  threading: ring.threadingSchema,
});

export const propSchema = z.discriminatedUnion('kind', [lineProp, gridProp, ringProp]);
export type Prop = z.infer<typeof propSchema>;
export type PropKindName = Prop['kind'];

const KINDS: Record<PropKindName, PropKind> = {
  line: line as unknown as PropKind,
  grid: grid as unknown as PropKind,
  ring: ring as unknown as PropKind,
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

/** A prop's pixels in data order. Cost and memory are in proportion to its pixels. */
export function threadProp(prop: PropGeometry): Threaded {
  const kind = kindOf(prop);
  return thread(
    kind.points(prop.shape),
    kind.strands(prop.shape, prop.threading),
    prop.threading.runs,
    kind.strandsAreJoined,
  );
}
