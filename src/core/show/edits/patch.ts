import { z } from 'zod';
import { packingWords } from '../../catalogue/packing';
import { portName } from '../../catalogue/controller';
import { countOf } from '../../units/number';
import { idSchema } from '../../fields/fields';
import { ShowError } from '../../fields/problem';
import { patchEntrySchema, type PatchEntry, type Show } from '../schema';
import type { ShowDraft } from '../draft';
import { entryId } from '../records';
import { defineEdit, nameOf, saidOf } from './definition';
import { itemAt } from '../../units/there';

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
    draft.need('props', propId);
    draft.need('controllers', controllerId);
    const id = entryId(propId, run);
    const before = draft.find('patch', id);
    const others = draft.list('patch').filter((entry) => entry !== before);
    const onPort = others.filter((each) => each.controllerId === controllerId && each.port === port);
    const next = position === undefined ? undefined : onPort[position - 1];
    const index = next ? others.indexOf(next) : others.length;
    if (!before) return draft.add('patch', { propId, run, controllerId, port, skippedPixels: 0 }, index);
    draft.change('patch', id, { controllerId, port });
    draft.move('patch', id, index);
  },
});

/** Puts many runs on ports in the order given, each behind what is there, and takes others off. */
export const putRuns = defineEdit({
  schema: z.strictObject({
    type: z.literal('putRuns'),
    runs: z
      .array(z.strictObject({ ...runFields, controllerId: idSchema, port: patchEntrySchema.shape.port }))
      .max(50_000),
    takenOff: z.array(z.strictObject(runFields)).max(50_000).optional(),
  }),
  label: (show, { runs, takenOff = [] }) => {
    if (runs.length === 0) return `Take ${whatOf(show, takenOff)} off`;
    const ports = [...new Set(runs.map((put) => portWords(show, put)))];
    return `Put ${whatOf(show, runs)} on ${ports.length <= 3 ? ports.join(', ') : countOf(ports.length, 'port')}`;
  },
  apply: (draft, { runs, takenOff = [] }) => {
    const [props, controllers] = [idsOf(draft.list('props')), idsOf(draft.list('controllers'))];
    for (const { propId, controllerId } of runs) {
      if (!props.has(propId)) draft.need('props', propId);
      if (!controllers.has(controllerId)) draft.need('controllers', controllerId);
    }
    const moving = new Set([...runs, ...takenOff].map(({ propId, run }) => entryId(propId, run)));
    const before = new Map<string, PatchEntry>();
    draft.removeWhere('patch', (entry) => {
      const id = entryId(entry.propId, entry.run);
      if (!moving.has(id)) return false;
      before.set(id, entry);
      return true;
    });
    draft.addAll(
      'patch',
      runs.map((put) => ({ skippedPixels: 0, ...before.get(entryId(put.propId, put.run)), ...put })),
    );
  },
});

export const takeOffRun = defineEdit({
  schema: z.strictObject({ type: z.literal('takeOffRun'), ...runFields }),
  label: (show, { propId, run }) => `Take ${runWords(show, propId, run)} off its port`,
  apply: (draft, { propId, run }) => {
    needEntry(draft, propId, run);
    draft.remove('patch', entryId(propId, run));
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
    needEntry(draft, propId, run);
    draft.change('patch', entryId(propId, run), { skippedPixels });
  },
});

/** Says where a run's channels stay, what is kept free after it, and how it is packed. Null takes away what had been said. */
export const setRunAddress = defineEdit({
  schema: z.strictObject({
    type: z.literal('setRunAddress'),
    ...runFields,
    change: z
      .strictObject({
        pin: patchEntrySchema.shape.pin.nullable(),
        spareChannels: patchEntrySchema.shape.spareChannels.nullable(),
        packing: patchEntrySchema.shape.packing.nullable(),
      })
      .partial(),
  }),
  label: (show, { propId, run, change }) => {
    const words = [
      change.pin !== undefined &&
        (change.pin === null
          ? 'addresses may move'
          : `stays at universe ${change.pin.universe} channel ${change.pin.channel}`),
      change.spareChannels !== undefined &&
        (change.spareChannels === null
          ? 'nothing kept free after it'
          : `${change.spareChannels} channels kept free after it`),
      change.packing !== undefined &&
        (change.packing === null ? 'packing as its prop' : packingWords(change.packing)),
    ];
    return `${runWords(show, propId, run)}: ${words.filter(Boolean).join(', ')}`;
  },
  apply: (draft, { propId, run, change }) => {
    needEntry(draft, propId, run);
    const fields = saidOf(change);
    draft.change('patch', entryId(propId, run), fields);
  },
});

/** Says what the data wire to a run's first pixel is like. */
export const setDataLead = defineEdit({
  schema: z.strictObject({
    type: z.literal('setDataLead'),
    ...runFields,
    dataLead: patchEntrySchema.shape.dataLead.unwrap(),
  }),
  label: (show, { propId, run }) => `Data wire to ${runWords(show, propId, run)}`,
  apply: (draft, { propId, run, dataLead }) => {
    needEntry(draft, propId, run);
    const isSaid = Object.keys(dataLead).length > 0;
    draft.change('patch', entryId(propId, run), { dataLead: isSaid ? dataLead : undefined });
  },
});

const runPinSchema = z.strictObject({ ...runFields, pin: patchEntrySchema.shape.pin.unwrap() });
export type RunPin = z.infer<typeof runPinSchema>;

/** Says of many runs at once that their channels stay, and where. */
export const pinRuns = defineEdit({
  schema: z.strictObject({ type: z.literal('pinRuns'), pins: z.array(runPinSchema).min(1).max(50_000) }),
  label: (_show, { pins }) =>
    `${countOf(pins.length, 'run')} ${pins.length === 1 ? 'stays' : 'stay'} in place`,
  apply: (draft, { pins }) => {
    const pinOf = new Map(pins.map(({ propId, run, pin }) => [entryId(propId, run), pin]));
    draft.changeWhere('patch', (entry) => {
      const id = entryId(entry.propId, entry.run);
      const pin = pinOf.get(id);
      pinOf.delete(id);
      return pin ? { pin } : null;
    });
    const [missing] = pins.filter(({ propId, run }) => pinOf.has(entryId(propId, run)));
    if (missing) needEntry(draft, missing.propId, missing.run);
  },
});

/** Everything behind one port changes places with everything behind another. */
export const swapPorts = defineEdit({
  schema: z.strictObject({
    type: z.literal('swapPorts'),
    one: z.strictObject({ controllerId: idSchema, port: patchEntrySchema.shape.port }),
    other: z.strictObject({ controllerId: idSchema, port: patchEntrySchema.shape.port }),
  }),
  label: (show, { one, other }) => `Swap ${portWords(show, one)} and ${portWords(show, other)}`,
  apply: (draft, { one, other }) => {
    draft.need('controllers', one.controllerId);
    draft.need('controllers', other.controllerId);
    draft.changeWhere('patch', (entry) => {
      const is = (place: typeof one) =>
        entry.controllerId === place.controllerId && entry.port === place.port;
      return is(one) ? other : is(other) ? one : null;
    });
  },
});

function portWords(show: Show, { controllerId, port }: { controllerId: string; port: number }): string {
  const controller = show.controllers.find((each) => each.id === controllerId);
  return controller ? portName(controller, port) : `port ${port}`;
}

function idsOf(items: readonly { id: string }[]): ReadonlySet<string> {
  return new Set(items.map((item) => item.id));
}

/** The prop whose runs these all are, or how many they are. */
function whatOf(show: Show, runs: readonly { propId: string }[]): string {
  const props = new Set(runs.map(({ propId }) => propId));
  return props.size === 1 ? nameOf(show.props, itemAt(runs, 0).propId) : countOf(runs.length, 'run');
}

function needEntry(draft: ShowDraft, propId: string, run: number): void {
  if (!draft.find('patch', entryId(propId, run)))
    throw new ShowError(`${runWords(draft.show, propId, run)} is on no port.`);
}

function runWords(show: Show, propId: string, run: number): string {
  return `${nameOf(show.props, propId)} run ${run}`;
}
