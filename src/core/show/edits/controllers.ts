import { protocolOf } from '../../protocols/registry';
import { z } from 'zod';
import { controllerSchema, portName } from '../../catalogue/controller';
import { packingWords } from '../../catalogue/packing';
import { fieldWords } from '../fieldWords';
import { idSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { defineEdit, nameOf, saidOf } from './definition';
import { endLeads } from './power';

export const addController = defineEdit({
  schema: z.strictObject({
    type: z.literal('addController'),
    controller: controllerSchema,
    index: z.int().min(0).optional(),
  }),
  label: (_show, { controller }) => `Add the controller ${controller.name}`,
  apply: (draft, { controller, index }) => draft.add('controllers', controller, index),
});

/** Fields that are absent until they are said; the others keep a null as a value of theirs. */
const NULL_MEANS_GONE = new Set([
  'site',
  'typeId',
  'network',
  'lastUniverse',
  'newUniverse',
  'portOptions',
  'coloursAt',
  'power',
  'data',
]);

export const changeController = defineEdit({
  schema: z.strictObject({
    type: z.literal('changeController'),
    controllerId: idSchema,
    change: controllerSchema
      .omit({ id: true, order: true })
      .partial()
      // Null takes it off the drawing.
      .extend({
        site: controllerSchema.shape.site.nullable(),
        typeId: controllerSchema.shape.typeId.nullable(),
        network: controllerSchema.shape.network.nullable(),
        lastUniverse: controllerSchema.shape.lastUniverse.nullable(),
        newUniverse: controllerSchema.shape.newUniverse.nullable(),
        portOptions: controllerSchema.shape.portOptions.nullable(),
        coloursAt: controllerSchema.shape.coloursAt.nullable(),
        power: controllerSchema.shape.power.nullable(),
        data: controllerSchema.shape.data.nullable(),
      }),
  }),
  label: (show, { controllerId, change }) => {
    const words = Object.entries(change).map(([field, value]) => {
      if (field === 'network') return value === null ? 'no network address' : `address ${change.network!.ip}`;
      if (field === 'power') return 'its power';
      if (field === 'data') return 'what drives its data lines';
      if (field === 'portOptions') return 'options of its ports';
      if (field === 'site') return value === null ? 'off the site drawing' : 'place on the site drawing';
      if (field === 'packing') return change.packing ? packingWords(change.packing) : 'packing as the show';
      if (field === 'typeId')
        return value === null
          ? 'of no known kind'
          : `of the kind ${nameOf(show.controllerTypes, String(value))}`;
      if (field === 'coloursAt')
        return value === null
          ? 'colours corrected as the show says'
          : `colours corrected at the ${String(value)}`;
      if (field === 'protocol') return protocolOf({ protocol: change.protocol! }).name;
      if (field === 'newUniverse')
        return value === null ? 'universes as the show' : `new universe per ${String(value)}`;
      if (field === 'firstUniverse' && value === null) return 'universes follow on';
      if (field === 'lastUniverse' && value === null) return 'as many universes as it needs';
      const words = fieldWords(field);
      return typeof value === 'boolean' ? `${words}: ${value ? 'yes' : 'no'}` : `${words} ${String(value)}`;
    });
    return `${nameOf(show.controllers, controllerId)}: ${words.join(', ')}`;
  },
  apply: (draft, { controllerId, change }) => {
    const controller = draft.need('controllers', controllerId);
    const ports = change.ports ?? controller.ports;
    const cutOff = draft
      .list('patch')
      .find((entry) => entry.controllerId === controllerId && entry.port > ports);
    if (cutOff)
      throw new ShowError(
        `Port ${portName(controller, cutOff.port)} still feeds ${nameOf(draft.list('props'), cutOff.propId)}. Move it to a port up to ${portName(controller, ports)} before the controller gets ${ports} ports.`,
      );
    const fields = saidOf(change, (field) => NULL_MEANS_GONE.has(field));
    draft.change('controllers', controllerId, fields as { [Field in keyof typeof change]: never });
  },
});

export const moveController = defineEdit({
  schema: z.strictObject({
    type: z.literal('moveController'),
    controllerId: idSchema,
    index: z.int().min(0),
  }),
  label: (show, { controllerId }) => `Move the controller ${nameOf(show.controllers, controllerId)}`,
  apply: (draft, { controllerId, index }) => draft.move('controllers', controllerId, index),
});

export const removeController = defineEdit({
  schema: z.strictObject({ type: z.literal('removeController'), controllerId: idSchema }),
  label: (show, { controllerId }) => `Remove the controller ${nameOf(show.controllers, controllerId)}`,
  apply: (draft, { controllerId }) => {
    draft.remove('controllers', controllerId);
    draft.removeWhere('patch', (entry) => entry.controllerId === controllerId);
    // Its tasks go with it.
    draft.removeWhere('tasks', (task) => task.controllerId === controllerId);
    draft.removeWhere('feeds', ({ from }) => from.kind === 'port' && from.controllerId === controllerId);
    endLeads(draft, (end) => end.kind === 'controller' && end.controllerId === controllerId);
  },
});
