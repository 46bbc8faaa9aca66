import { z } from 'zod';
import { controllerSchema, portName } from '../../catalogue/controller';
import { packingWords } from '../../addressing/packing';
import { idSchema } from '../fields';
import { ShowError } from '../problem';
import { defineEdit, insertAt, moveTo, nameOf, need } from './definition';

export const addController = defineEdit({
  schema: z.strictObject({
    type: z.literal('addController'),
    controller: controllerSchema,
    index: z.int().min(0).optional(),
  }),
  label: (_show, { controller }) => `Add the controller ${controller.name}`,
  apply: (draft, { controller, index }) => insertAt(draft.controllers, controller, index),
});

/** Fields that are absent until they are said; the others keep a null as a value of theirs. */
const NULL_MEANS_GONE = new Set(['site', 'typeId', 'network', 'lastUniverse', 'newUniverse', 'portOptions']);

const FIELD_WORDS: Record<string, string> = {
  mostPixelsPerPort: 'most pixels per port',
  firstUniverse: 'first universe',
  artNetOffset: 'Art-Net offset',
  firstLedIndex: 'first LED index',
  skippedPixelsTakeChannels: 'skipped pixels take channels',
};

export const changeController = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeController'),
    controllerId: idSchema,
    change: controllerSchema
      .omit({ id: true })
      .partial()
      // Null takes it off the drawing.
      .extend({
        site: controllerSchema.shape.site.nullable(),
        typeId: controllerSchema.shape.typeId.nullable(),
        network: controllerSchema.shape.network.nullable(),
        lastUniverse: controllerSchema.shape.lastUniverse.nullable(),
        newUniverse: controllerSchema.shape.newUniverse.nullable(),
        portOptions: controllerSchema.shape.portOptions.nullable(),
      }),
  }),
  label: (show, { controllerId, change }) => {
    const words = Object.entries(change).map(([field, value]) => {
      if (field === 'network') return value === null ? 'no network address' : `address ${change.network!.ip}`;
      if (field === 'portOptions') return 'options of its ports';
      if (field === 'site') return value === null ? 'off the site drawing' : 'place on the site drawing';
      if (field === 'packing') return change.packing ? packingWords(change.packing) : 'packing as the show';
      if (value === null) return `${FIELD_WORDS[field] ?? field} follows on`;
      if (typeof value === 'boolean') return `${FIELD_WORDS[field] ?? field}: ${value ? 'yes' : 'no'}`;
      return `${FIELD_WORDS[field] ?? field} ${String(value)}`;
    });
    return `${nameOf(show.controllers, controllerId)}: ${words.join(', ')}`;
  },
  apply: (draft, { controllerId, change }) => {
    const controller = need(draft.controllers, controllerId, 'controller');
    const ports = change.ports ?? controller.ports;
    const cutOff = draft.patch.find((entry) => entry.controllerId === controllerId && entry.port > ports);
    if (cutOff)
      throw new ShowError(
        `Port ${portName(controller, cutOff.port)} still feeds ${nameOf(draft.props, cutOff.propId)}. Move it to a port up to ${portName(controller, ports)} before the controller gets ${ports} ports.`,
      );
    for (const [field, value] of Object.entries(change)) {
      if (value === null && NULL_MEANS_GONE.has(field)) delete (controller as Record<string, unknown>)[field];
      else (controller as Record<string, unknown>)[field] = value;
    }
  },
});

export const moveController = defineEdit({
  schema: z.strictObject({
    type: z.literal('moveController'),
    controllerId: idSchema,
    index: z.int().min(0),
  }),
  label: (show, { controllerId }) => `Move the controller ${nameOf(show.controllers, controllerId)}`,
  apply: (draft, { controllerId, index }) =>
    moveTo(draft.controllers, need(draft.controllers, controllerId, 'controller'), index),
});

export const removeController = defineEdit({
  schema: z.strictObject({ type: z.literal('removeController'), controllerId: idSchema }),
  label: (show, { controllerId }) => `Remove the controller ${nameOf(show.controllers, controllerId)}`,
  apply: (draft, { controllerId }) => {
    const controller = need(draft.controllers, controllerId, 'controller');
    draft.controllers.splice(draft.controllers.indexOf(controller), 1);
    draft.patch = draft.patch.filter((entry) => entry.controllerId !== controllerId);
    // Notes about a device go with it.
    for (const list of ['tasks', 'deviceStates', 'found'] as const) {
      const kept = draft[list]?.filter((note) => note.controllerId !== controllerId);
      if (kept) (draft as Record<typeof list, unknown>)[list] = kept;
    }
  },
});
