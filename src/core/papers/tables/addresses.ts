import { addressOf } from '../../answers/lookup';
import { numberingsOf } from '../../answers/numberings';
import type { Moved } from '../../devices/foresight';
import type { PortSettings, ValueToType } from '../../devices/deviceSettings';
import type { Controller } from '../../catalogue/controller';
import type { Difference } from '../../devices/found';
import type { Plan } from '../../plan/planned';
import type { Table } from '../table';

export interface NumberingRow {
  name: string;
  note: string | undefined;
  first: string;
  last: string | null;
}

/** The first and the last pixel of a run in every numbering; no rows while it is on no port. */
export function numberingsTable(plan: Plan, index: number): Table<NumberingRow> {
  const { wire, firstPixel, pixelCount } = plan.runs[index]!;
  const of = (pixel: number) => (wire && pixelCount > 0 ? numberingsOf(addressOf(plan, pixel)) : []);
  const last = new Map(of(firstPixel + pixelCount - 1).map((each) => [each.name, each.value]));
  return {
    name: 'The run in every numbering',
    rows: of(firstPixel).map(({ name, note, value }) => ({
      name,
      note,
      first: value,
      last: last.get(name) ?? null,
    })),
    keyOf: (row) => row.name,
    columns: [
      {
        id: 'numbering',
        head: 'Counted by',
        meaning: 'the system that the numbers belong to',
        of: (row) => row.name,
      },
      {
        id: 'first',
        head: 'First pixel',
        meaning: 'of the run, in the order of the data',
        as: 'address',
        of: (row) => row.first,
      },
      {
        id: 'last',
        head: 'Last pixel',
        meaning: 'of the run, in the order of the data',
        as: 'address',
        of: (row) => row.last,
      },
    ],
  };
}

/** Runs whose channels a change moves. */
export function movedTable(moved: readonly Moved[]): Table<Moved> {
  return {
    name: 'Runs with new addresses',
    rows: moved,
    keyOf: (each) => `${each.propId} ${each.run}`,
    columns: [
      { id: 'run', head: 'Run', meaning: 'the run that moves', of: (each) => `${each.name} ${each.run}` },
      {
        id: 'now',
        head: 'Now',
        meaning: 'its first and last channel as they are',
        as: 'address',
        of: (each) => each.old ?? 'no address',
      },
      {
        id: 'then',
        head: 'Then',
        meaning: 'its first and last channel after the change',
        as: 'address',
        of: (each) => each.new ?? 'no address',
      },
    ],
  };
}

/** Values that have to be typed into devices again. */
export function valuesTable(plan: Pick<Plan, 'show'>, values: readonly ValueToType[]): Table<ValueToType> {
  const nameOf = new Map(plan.show.controllers.map(({ id, name }) => [id, name]));
  return {
    name: 'Values to type again',
    rows: values,
    keyOf: (value) => `${value.controllerId} ${value.field}`,
    columns: [
      {
        id: 'where',
        head: 'Where',
        meaning: 'the port, or the device where it holds for all of it',
        as: 'key',
        of: (value) => value.port || (nameOf.get(value.controllerId) ?? null),
      },
      { id: 'what', head: 'What', meaning: 'the setting', of: (value) => value.what },
      { id: 'old', head: 'Old', meaning: 'what the device holds', as: 'figure', of: (value) => value.old },
      { id: 'new', head: 'New', meaning: 'what to type', as: 'figure', of: (value) => value.new },
    ],
  };
}

/** What is typed into a controller for each of its ports. */
export function portSettingsTable(
  controller: Controller,
  ports: readonly PortSettings[],
): Table<PortSettings> {
  const byte = controller.protocol === 'ddp';
  const universe = controller.protocol === 'artnet' ? 'port-address' : 'universe';
  return {
    name: `Settings of ${controller.name}`,
    rows: ports,
    keyOf: (port) => port.port,
    columns: [
      { id: 'port', head: 'Port', meaning: 'as it is called here', as: 'key', of: (port) => port.name },
      {
        id: 'pixels',
        head: 'Pixels',
        meaning: 'on the wire; skipped ones count where the controller is told so',
        as: 'figure',
        of: (port) => port.pixels,
      },
      {
        id: 'universe',
        head: 'Start',
        unit: universe,
        meaning: `the ${universe} of its first channel, as the device counts`,
        as: 'figure',
        of: (port) => port.universe,
      },
      {
        id: 'channel',
        head: 'Start',
        unit: byte ? 'byte, from 1' : 'channel',
        meaning: byte ? 'its first byte in the count of the device' : 'its first channel in that universe',
        as: 'figure',
        of: (port) => port.channel,
      },
      {
        id: 'end-universe',
        head: 'End',
        unit: universe,
        meaning: `the ${universe} of its last channel, as the device counts`,
        as: 'figure',
        of: (port) => port.endUniverse,
      },
      {
        id: 'end-channel',
        head: 'End',
        unit: byte ? 'byte, from 1' : 'channel',
        meaning: byte ? 'its last byte in the count of the device' : 'its last channel in that universe',
        as: 'figure',
        of: (port) => port.endChannel,
      },
      {
        id: 'colour-order',
        head: 'Colour order',
        meaning: 'of the chips behind it',
        of: (port) => port.colourOrder,
      },
    ],
  };
}

/** Where a device holds another value than is planned, with what that looks like. */
export function differencesTable(controllerName: string, list: readonly Difference[]): Table<Difference> {
  return {
    name: `Differences on ${controllerName}`,
    rows: list,
    keyOf: (each, index) => `${each.port} ${each.what} ${index}`,
    columns: [
      {
        id: 'where',
        head: 'Where',
        meaning: 'the port, or all of the device',
        as: 'key',
        of: (each) => each.port || 'all of it',
      },
      { id: 'what', head: 'What', meaning: 'the setting', of: (each) => each.what },
      {
        id: 'planned',
        head: 'Planned',
        meaning: 'what the plan says',
        as: 'figure',
        of: (each) => each.planned,
      },
      {
        id: 'found',
        head: 'Found',
        meaning: 'what the device or the sender holds',
        as: 'figure',
        of: (each) => ({ text: String(each.found), mood: 'bad' }),
      },
      {
        id: 'symptom',
        head: 'Seen on the display',
        meaning: 'what that looks like',
        of: (each) => each.symptom,
      },
      { id: 'mend', head: 'Change', meaning: 'what to type, and where', of: (each) => each.mend },
    ],
  };
}
