import { z } from 'zod';
import { jointSchema } from '../../catalogue/joint';
import { idSchema } from '../../fields/fields';
import { defineEdit, nameOf, saidOf } from './definition';

export const addJoint = defineEdit({
  schema: z.strictObject({ type: z.literal('addJoint'), joint: jointSchema }),
  label: (_show, { joint }) => `Add the joint ${joint.name}`,
  apply: (draft, { joint }) => draft.add('joints', joint),
});

export const changeJoint = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeJoint'),
    jointId: idSchema,
    change: jointSchema
      .omit({ id: true, order: true })
      .partial()
      // Null says that it belongs to no prop, or stays together.
      .extend({ propId: idSchema.nullable(), opens: z.literal(true).nullable() })
      .partial(),
  }),
  label: (show, { jointId, change }) =>
    change.name
      ? `Rename ${nameOf(show.joints, jointId)} to ${change.name}`
      : `Wires of ${nameOf(show.joints, jointId)}`,
  apply: (draft, { jointId, change }) => draft.change('joints', jointId, saidOf(change)),
});

export const removeJoint = defineEdit({
  schema: z.strictObject({ type: z.literal('removeJoint'), jointId: idSchema }),
  label: (show, { jointId }) => `Remove the joint ${nameOf(show.joints, jointId)}`,
  apply: (draft, { jointId }) => draft.remove('joints', jointId),
});
