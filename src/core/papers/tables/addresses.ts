import { castOf, listensToGroups, protocolOf, universesOf } from '../../protocols/registry';
import { silentWords } from '../../catalogue/controllers/telling';
import { standingWords } from '../../figures/figure';
import { partsWords } from '../../protocols/protocol';
import { addressOf } from '../../answers/lookup';
import { numberingsOf } from '../../answers/numberings';
import type { Moved } from '../../devices/foresight';
import { rowKey } from '../../devices/portRows';
import type { ValueToType } from '../../devices/deviceSettings';
import {
  DEVICE_SETTINGS,
  PORT_SETTINGS,
  type DeviceSettings,
  type PortSettings,
} from '../../devices/settings/registry';
import { settingWords, unitWords } from '../../devices/settings/typed';
import { baudOf, linkOf } from '../../catalogue/link';
import type { Show } from '../../show/schema';
import type { Controller } from '../../catalogue/controller';
import { maskWords } from '../../catalogue/network';
import type { Difference } from '../../devices/differences';
import type { Plan } from '../../plan/planned';
import { capitalised } from '../../units/words';
import type { Cell, Column, Table } from '../../pages/table';
import { GIVEN_WORDS } from './network';
import { runAt } from '../../plan/records';

interface NumberingRow {
  name: string;
  note: string | undefined;
  first: string;
  last: string | null;
}

/** The first and the last pixel of a run in every numbering; no rows while it is on no port. */
export function numberingsTable(plan: Plan, index: number): Table<NumberingRow> {
  const { wire, firstPixel, pixelCount } = runAt(plan, index);
  const of = (pixel: number) => (wire && pixelCount > 0 ? numberingsOf(addressOf(plan, pixel)) : []);
  const last = new Map(of(firstPixel + pixelCount - 1).map((each) => [each.name, each.value]));
  return {
    name: 'The run in every numbering',
    forDevices: true,
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
    forDevices: true,
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

/** Values to type into a controller once, in the order in which its screens ask for them. */
interface DeviceValue {
  field: string;
  words: string;
  value: string | number | null;
  meaning: string;
}

export function deviceValuesTable(
  show: Pick<Show, 'controllerTypes'>,
  controller: Controller,
  settings: DeviceSettings,
): Table<DeviceValue> {
  return {
    name: `All of ${controller.name}`,
    forDevices: true,
    rows: [
      ...linkRows(show, controller),
      ...castRows(show, controller),
      ...DEVICE_SETTINGS.flatMap((setting) => {
        const value = settings[setting.field];
        return value === null
          ? []
          : [
              {
                field: setting.field,
                words: settingWords(setting, controller),
                value,
                meaning: setting.meaning,
              },
            ];
      }),
    ],
    keyOf: (row) => row.field,
    columns: [
      { id: 'what', head: 'Asked for', meaning: 'the setting', of: (row) => capitalised(row.words) },
      { id: 'value', head: 'Type', meaning: 'what to type', as: 'key', of: (row) => row.value },
      { id: 'meaning', head: 'Which means', meaning: 'how it is meant', of: (row) => row.meaning },
    ],
  };
}

/** The way of the pictures to a controller: over a network, down a serial line, or as raw frames. */
function linkRows(show: Pick<Show, 'controllerTypes'>, controller: Controller): DeviceValue[] {
  const { network } = controller;
  const baud = baudOf(show, controller);
  if (baud !== null)
    return [
      {
        field: 'baud',
        words: 'baud rate',
        value: baud,
        meaning: 'of its serial line, the same at both ends',
      },
    ];
  if (linkOf(show, controller) === 'own')
    return [
      {
        field: 'protocol',
        words: 'pictures',
        value: 'its own program',
        meaning: 'nothing is sent to it: the values below are set in that program',
      },
    ];
  if (linkOf(show, controller) === 'raw')
    return [
      {
        field: 'ip',
        words: 'address',
        value: 'none',
        meaning: 'straight from the sender’s gigabit port',
      },
      { field: 'protocol', words: 'protocol', value: 'raw frames', meaning: 'what it is sent' },
    ];
  const cast = castOf(controller);
  return [
    {
      field: 'ip',
      words: 'address',
      value: network ? `${network.ip} / ${maskWords(network.maskBits)}` : null,
      meaning: network ? GIVEN_WORDS[network.given] : 'not said yet: see Network',
    },
    {
      field: 'protocol',
      words: 'protocol',
      value: protocolOf(controller).name,
      meaning: cast ? `sent by ${cast}` : 'what it is sent',
    },
  ];
}

/** Listening to groups, and the look when data stops: receiving pages ask for them, each in its own words. */
function castRows(show: Pick<Show, 'controllerTypes'>, controller: Controller): DeviceValue[] {
  const silence = show.controllerTypes.find(({ id }) => id === controller.typeId)?.whenSilent;
  const isOnNetwork = linkOf(show, controller) === 'network';
  const groups = isOnNetwork && universesOf(controller)?.groupOf;
  return [
    ...(groups && controller.network
      ? [
          {
            field: 'multicast',
            words: 'multicast',
            value: listensToGroups(controller) ? 'on' : 'off',
            meaning: 'where it asks: whether it listens to the groups of its universes',
          },
        ]
      : []),
    ...(silence
      ? [
          {
            field: 'whenSilent',
            words: 'when data stops',
            value: silentWords(silence.value),
            meaning: `what it does by itself, in case its page asks (${standingWords(silence)})`,
          },
        ]
      : []),
  ];
}

/** Values to type into a controller for each of its ports, in every count that a device may use. */
export function portSettingsTable(
  controller: Controller,
  ports: readonly PortSettings[],
): Table<PortSettings> {
  const isOfUse = ({ field, onlyWith }: (typeof PORT_SETTINGS)[number]) =>
    ports.some((port) => port[field] !== null && (!onlyWith || port[onlyWith] > 0));
  return {
    name: `Ports of ${controller.name}`,
    forDevices: true,
    rows: ports,
    keyOf: rowKey,
    columns: [
      { id: 'port', head: 'Port', meaning: 'as it is called here', as: 'key', of: (port) => port.name },
      ...(ports.some(({ parts }) => parts > 1)
        ? [
            {
              id: 'of',
              head: 'Lights',
              meaning: 'the runs, or the tile, of this row',
              of: (port: PortSettings) => port.of,
            },
          ]
        : []),
      ...PORT_SETTINGS.filter(isOfUse).flatMap((setting) => {
        const { field, head, meaning } = setting;
        const unit = unitWords(setting, controller);
        const column = {
          // Columns are known by words in small letters.
          id: field.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`),
          head,
          ...(unit !== undefined && { unit }),
          meaning,
          as: 'figure' as const,
          of: (port: PortSettings): Cell =>
            field === 'hiddenPixels' && port.hiddenWhere !== null
              ? { text: String(port.hiddenPixels), note: port.hiddenWhere }
              : port[field],
        };
        return field === 'universe' ? [column, ...partsColumn(controller)] : [column];
      }),
    ],
  };
}

/** The number of the first universe of each port in three parts, for devices that ask for net, sub-net and universe one by one. */
function partsColumn(controller: Controller): Column<PortSettings>[] {
  const partsOf = universesOf(controller)?.partsOf;
  if (!partsOf) return [];
  return [
    {
      id: 'net-sub-net-universe',
      head: 'Net, sub-net, universe',
      meaning:
        'the same start in its three parts, each counted from 0, for a device that asks for them one by one',
      as: 'figure',
      of: ({ universe }) => {
        const parts = universe === null ? null : partsOf(universe);
        return parts && partsWords(parts);
      },
    },
  ];
}

/** Settings of a device that differ from the plan, with their looks. */
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
