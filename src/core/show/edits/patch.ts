import { z } from 'zod';
import { portName } from '../../catalogue/controller';
import { idSchema } from '../fields';
import { ShowError } from '../problem';
import { patchEntrySchema, type Show } from '../schema';
import { defineEdit, nameOf, need } from './definition';

const runFields = { propId: idSchema, run: patchEntrySchema.shape.run };

/** Puts a run on a port, from wherever it was. `position` is its place behind the port, from 1; the end if left out. */
export const putRun = defineEdit({
  schema: z.strictObject({
    type: z.literal('putRun'),
    ...runFields,
    controllerId: idSchema,
    port: patchEntrySchema.shape.port,
    position: z.int().min(1).optional(),
  }),
  label: (show, { propId, run, controllerId, port, position }) => {
    const controller = show.controllers.find((each) => each.id === controllerId);
    const where = controller ? portName(controller, port) : `port ${port}`;
    return `Put ${runWords(show, propId, run)} on ${where}${position ? `, place ${position}` : ''}`;
  },
  apply: (draft, { propId, run, controllerId, port, position }) => {
    need(draft.props, propId, 'prop');
    need(draft.controllers, controllerId, 'controller');
    const before = draft.patch.findIndex((entry) => entry.propId === propId && entry.run === run);
    const skippedPixels = before === -1 ? 0 : draft.patch[before]!.skippedPixels;
    if (before !== -1) draft.patch.splice(before, 1);
    const entry = { propId, run, controllerId, port, skippedPixels };
    const onPort = draft.patch.filter((each) => each.controllerId === controllerId && each.port === port);
    const next = position === undefined ? undefined : onPort[position - 1];
    if (next) draft.patch.splice(draft.patch.indexOf(next), 0, entry);
    else draft.patch.push(entry);
  },
});

export const takeOffRun = defineEdit({
  schema: z.strictObject({ type: z.literal('takeOffRun'), ...runFields }),
  label: (show, { propId, run }) => `Take ${runWords(show, propId, run)} off its port`,
  apply: (draft, { propId, run }) => {
    draft.patch.splice(draft.patch.indexOf(needEntry(draft, propId, run)), 1);
  },
});

export const setSkippedPixels = defineEdit({
  schema: z.strictObject({
    type: z.literal('setSkippedPixels'),
    ...runFields,
    skippedPixels: patchEntrySchema.shape.skippedPixels,
  }),
  label: (show, { propId, run, skippedPixels }) =>
    `${skippedPixels} skipped ${skippedPixels === 1 ? 'pixel' : 'pixels'} before ${runWords(show, propId, run)}`,
  apply: (draft, { propId, run, skippedPixels }) => {
    needEntry(draft, propId, run).skippedPixels = skippedPixels;
  },
});

function needEntry(draft: Show, propId: string, run: number) {
  const entry = draft.patch.find((each) => each.propId === propId && each.run === run);
  if (!entry) throw new ShowError(`${runWords(draft, propId, run)} is on no port.`);
  return entry;
}

function runWords(show: Show, propId: string, run: number): string {
  return `${nameOf(show.props, propId)} run ${run}`;
}
