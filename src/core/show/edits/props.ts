import { z } from 'zod';
import { packingWords } from '../../catalogue/packing';
import { propExtrasSchema, type PixelRange } from '../../props/extras';
import { kindOf, propSchema, type Prop } from '../../props/registry';
import { formatLength } from '../../units/length';
import { idSchema, nameSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { zodProblems } from '../../fields/zodProblems';
import type { ShowDraft } from '../draft';
import { defineEdit, nameOf, saidOf } from './definition';
import { endLeads } from './power';

export const addProp = defineEdit({
  schema: z.strictObject({ type: z.literal('addProp'), prop: propSchema, index: z.int().min(0).optional() }),
  label: (_show, { prop }) => `Add ${prop.name}`,
  apply: (draft, { prop, index }) => draft.add('props', prop, index),
});

export const removeProp = defineEdit({
  schema: z.strictObject({ type: z.literal('removeProp'), propId: idSchema }),
  label: (show, { propId }) => `Remove ${nameOf(show.props, propId)}`,
  apply: (draft, { propId }) => {
    draft.remove('props', propId);
    draft.removeWhere('patch', (entry) => entry.propId === propId);
    draft.removeWhere('cuts', (cut) => cut.propId === propId);
    draft.removeWhere('joints', (joint) => joint.propId === propId);
    endLeads(draft, (end) => end.kind !== 'controller' && end.propId === propId);
  },
});

export const changeProp = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeProp'),
    propId: idSchema,
    change: z
      .strictObject({
        name: nameSchema,
        placeId: idSchema,
        pixelTypeId: idSchema,
        // Null takes away what had been said.
        ranges: propExtrasSchema.shape.ranges.nullable(),
        batches: propExtrasSchema.shape.batches.nullable(),
        packing: propExtrasSchema.shape.packing.nullable(),
        newUniverse: propExtrasSchema.shape.newUniverse.nullable(),
        stock: propExtrasSchema.shape.stock.nullable(),
        frameClearanceMm: propExtrasSchema.shape.frameClearanceMm.nullable(),
        site: propExtrasSchema.shape.site.nullable(),
      })
      .partial(),
  }),
  label: (show, { propId, change }) => {
    const words = [
      change.name !== undefined && `rename to ${change.name}`,
      change.placeId !== undefined && `move to ${nameOf(show.places, change.placeId)}`,
      change.ranges !== undefined && `ranges${listWords(change.ranges)}`,
      change.batches !== undefined && `batches${listWords(change.batches)}`,
      change.packing !== undefined &&
        (change.packing === null ? 'packing as its controller' : packingWords(change.packing)),
      change.newUniverse !== undefined &&
        (change.newUniverse === null
          ? 'universes as its controller'
          : `new universe per ${change.newUniverse}`),
      change.stock !== undefined && (change.stock === null ? 'no stock' : `made from ${change.stock.kind}`),
      change.frameClearanceMm !== undefined &&
        (change.frameClearanceMm === null
          ? 'no frame clearance'
          : `frame clearance ${formatLength(change.frameClearanceMm, show.lengths)}`),
      change.site !== undefined &&
        (change.site === null ? 'off the site drawing' : 'place on the site drawing'),
      change.pixelTypeId !== undefined && `pixel type ${nameOf(show.pixelTypes, change.pixelTypeId)}`,
      clearedBy(
        show.props.find((prop) => prop.id === propId),
        change.pixelTypeId,
      )?.words,
    ];
    return `${nameOf(show.props, propId)}: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { propId, change }) => {
    const cleared = clearedBy(draft.need('props', propId), change.pixelTypeId);
    // A null in the change removes the field.
    draft.change('props', propId, saidOf(change));
    if (cleared) replacePart(draft, propId, 'shape', cleared.shape);
  },
});

/** The part of a prop's shape that belonged to its type of pixel and goes with it. */
function clearedBy(prop: Prop | undefined, pixelTypeId: string | undefined) {
  if (!prop || pixelTypeId === undefined || pixelTypeId === prop.pixelTypeId) return null;
  return kindOf(prop).onOtherPixels?.(prop.shape) ?? null;
}

function listWords(ranges: readonly PixelRange[] | null): string {
  return ranges === null || ranges.length === 0
    ? ' cleared'
    : ` ${ranges
        .slice(0, 3)
        .map((range) => range.name)
        .join(', ')}${ranges.length > 3 ? ', …' : ''}`;
}

/** Sets what is measured about a prop. Its kind stays. */
export const setShape = defineEdit({
  schema: z.strictObject({ type: z.literal('setShape'), propId: idSchema, shape: z.unknown() }),
  label: (show, { propId, shape }) => {
    const prop = show.props.find((each) => each.id === propId);
    if (!prop) return `Measure ${propId}`;
    const changed = kindOf(prop).shapeSchema.safeParse(shape);
    const words = changed.success ? kindOf(prop).summary(changed.data) : 'new measures';
    const before = kindOf(prop).summary(prop.shape);
    return before === words ? `${prop.name}: new measures` : `${prop.name}: ${before} to ${words}`;
  },
  apply: (draft, { propId, shape }) => replacePart(draft, propId, 'shape', shape),
});

export const setThreading = defineEdit({
  schema: z.strictObject({ type: z.literal('setThreading'), propId: idSchema, threading: z.unknown() }),
  label: (show, { propId, threading }) => {
    const prop = show.props.find((each) => each.id === propId);
    if (!prop) return `Thread ${propId}`;
    const changed = kindOf(prop).threadingSchema.safeParse(threading);
    return `Thread ${prop.name}: ${changed.success ? kindOf(prop).threadingWords(changed.data) : 'anew'}`;
  },
  apply: (draft, { propId, threading }) => replacePart(draft, propId, 'threading', threading),
});

/** Moves a prop in the list; with a place, to that place on site as well. */
export const moveProp = defineEdit({
  schema: z.strictObject({
    type: z.literal('moveProp'),
    propId: idSchema,
    index: z.int().min(0),
    placeId: idSchema.optional(),
  }),
  label: (show, { propId }) => `Move ${nameOf(show.props, propId)} in the list`,
  apply: (draft, { propId, index, placeId }) => {
    draft.move('props', propId, index);
    if (placeId !== undefined) draft.change('props', propId, { placeId });
  },
});

/** The part must suit the kind of the prop, which the schema of the edit cannot know. */
function replacePart(draft: ShowDraft, propId: string, part: 'shape' | 'threading', value: unknown): void {
  const prop = draft.need('props', propId);
  const kind = kindOf(prop);
  const parsed = (part === 'shape' ? kind.shapeSchema : kind.threadingSchema).safeParse(value);
  if (!parsed.success)
    throw new ShowError(
      zodProblems(parsed.error, value).map(({ path, message }) => ({
        path,
        message: `${prop.name}: ${message}`,
      })),
    );
  if (part === 'shape') {
    const why = kind.impossible?.(parsed.data, draft.show.lengths) ?? null;
    // A prop that could not be built before may be put right step by step.
    if (why !== null && !kind.impossible?.(prop.shape, draft.show.lengths))
      throw new ShowError(`${prop.name}: ${why}`);
  }
  draft.change('props', propId, { [part]: parsed.data });
}
