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
    change: controllerSchema.omit({ id: true }).partial(),
  }),
  label: (show, { controllerId, change }) => {
    const words = Object.entries(change).map(([field, value]) => {
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
    Object.assign(controller, change);
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
  },
});
