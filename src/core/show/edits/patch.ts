import { z } from 'zod';
import { packingWords } from '../../addressing/packing';
import { portName } from '../../catalogue/controller';
import { countOf } from '../../units/number';
import { idSchema } from '../fields';
import { ShowError } from '../problem';
import { patchEntrySchema, type PatchEntry, type Show } from '../schema';
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
    const kept = before === -1 ? { skippedPixels: 0 } : draft.patch[before]!;
    if (before !== -1) draft.patch.splice(before, 1);
    const entry = { ...kept, propId, run, controllerId, port };
    const onPort = draft.patch.filter((each) => each.controllerId === controllerId && each.port === port);
    const next = position === undefined ? undefined : onPort[position - 1];
    if (next) draft.patch.splice(draft.patch.indexOf(next), 0, entry);
    else draft.patch.push(entry);
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
    const [props, controllers] = [idsOf(draft.props), idsOf(draft.controllers)];
    for (const { propId, controllerId } of runs) {
      if (!props.has(propId)) need(draft.props, propId, 'prop');
      if (!controllers.has(controllerId)) need(draft.controllers, controllerId, 'controller');
    }
    const moving = new Set([...runs, ...takenOff].map(({ propId, run }) => `${propId} ${run}`));
    const before = new Map<string, PatchEntry>();
    const staying = draft.patch.filter((entry) => {
      const key = `${entry.propId} ${entry.run}`;
      if (!moving.has(key)) return true;
      before.set(key, entry);
      return false;
    });
    draft.patch = [
      ...staying,
      ...runs.map((put) => ({ skippedPixels: 0, ...before.get(`${put.propId} ${put.run}`), ...put })),
    ];
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
    const entry = needEntry(draft, propId, run) as Record<string, unknown>;
    for (const [field, value] of Object.entries(change)) {
      if (value === null) delete entry[field];
      else entry[field] = value;
    }
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
    const pinOf = new Map(pins.map(({ propId, run, pin }) => [`${propId} ${run}`, pin]));
    for (const entry of draft.patch) {
      const key = `${entry.propId} ${entry.run}`;
      const pin = pinOf.get(key);
      if (!pin) continue;
      entry.pin = pin;
      pinOf.delete(key);
    }
    const [missing] = pins.filter(({ propId, run }) => pinOf.has(`${propId} ${run}`));
    if (missing) throw new ShowError(`${runWords(draft, missing.propId, missing.run)} is on no port.`);
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
    need(draft.controllers, one.controllerId, 'controller');
    need(draft.controllers, other.controllerId, 'controller');
    for (const entry of draft.patch) {
      const is = (place: typeof one) =>
        entry.controllerId === place.controllerId && entry.port === place.port;
      const to = is(one) ? other : is(other) ? one : null;
      if (to) Object.assign(entry, { controllerId: to.controllerId, port: to.port });
    }
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
  return props.size === 1 ? nameOf(show.props, runs[0]!.propId) : countOf(runs.length, 'run');
}

function needEntry(draft: Show, propId: string, run: number) {
  const entry = draft.patch.find((each) => each.propId === propId && each.run === run);
  if (!entry) throw new ShowError(`${runWords(draft, propId, run)} is on no port.`);
  return entry;
}

function runWords(show: Show, propId: string, run: number): string {
  return `${nameOf(show.props, propId)} run ${run}`;
}
