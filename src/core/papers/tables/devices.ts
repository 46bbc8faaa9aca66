import type { FoundSettings } from '../../devices/found';
import { PORT_SETTINGS } from '../../devices/settings/registry';
import { capitalised } from '../../units/words';
import type { Column, Table } from '../../pages/table';

interface SocketRow {
  port: string;
  behind: string | null;
  /** Its place on the box. */
  socket: string | null;
  /** The pin in its three names. */
  label: string | null;
  software: string | null;
  header: string | null;
}

/** Place of each output socket, and the name of the pin behind it: three different things. */
export function socketsTable(name: string, rows: readonly SocketRow[]): Table<SocketRow> {
  const column = (
    id: keyof SocketRow,
    head: string,
    unit: string | null,
    meaning: string,
  ): Column<SocketRow> => ({
    id,
    head,
    ...(unit && { unit }),
    meaning,
    of: (row) => row[id],
  });
  return {
    name: `Sockets and pins of ${name}`,
    rows,
    keyOf: ({ port }) => port,
    columns: [
      { ...column('port', 'Port', null, 'as it is called here'), as: 'key' },
      column('behind', 'Behind it', null, 'the runs that it feeds'),
      column('socket', 'Socket', 'where it sits', 'where one finds it on the board or the box'),
      column('label', 'Pin', 'printed', 'what is printed beside the pin'),
      column('software', 'Pin', 'in software', 'the number that is typed into its screen'),
      column('header', 'Pin', 'of the header', 'its position on the header, counted from pin 1'),
    ],
  };
}

interface OutputRow {
  port: string;
  ledType: string;
  pin: string | null;
  length: number;
  colourOrder: string | null;
  skipped: number;
}

/** The outputs of a small board, in the order in which such boards usually ask. */
export function outputsTable(name: string, rows: readonly OutputRow[]): Table<OutputRow> {
  return {
    name: `Outputs of ${name}, as small boards ask`,
    forDevices: true,
    rows,
    keyOf: ({ port }) => port,
    columns: [
      { id: 'port', head: 'Port', as: 'key', meaning: 'as it is called here', of: ({ port }) => port },
      {
        id: 'type',
        head: 'LED type',
        meaning: 'the chip on the lights; a list of types has those with white apart',
        of: ({ ledType }) => ledType,
      },
      {
        id: 'pin',
        head: 'Data pin',
        unit: 'in software',
        as: 'figure',
        meaning: 'the number in software, not what is printed beside it',
        of: ({ pin }) => pin,
      },
      {
        id: 'length',
        head: 'Length',
        as: 'figure',
        meaning: 'LEDs on this output',
        of: ({ length }) => length,
      },
      {
        id: 'order',
        head: 'Colour order',
        as: 'figure',
        meaning: 'to set on the device',
        of: ({ colourOrder }) => colourOrder,
      },
      {
        id: 'skip',
        head: 'Skip first',
        as: 'figure',
        meaning: 'LEDs at the beginning that stay dark; not asked by all',
        of: ({ skipped }) => skipped,
      },
    ],
  };
}

interface HeldRow {
  where: string;
  what: string;
  value: string;
}

/** Settings found on a device, or in the sender for it. */
export function heldTable(name: string, found: FoundSettings): Table<HeldRow> {
  const rows: HeldRow[] = [
    ...(['firstUniverse', 'universes', 'channelsPerUniverse'] as const).flatMap((field) =>
      found[field] === undefined
        ? []
        : [{ where: 'all of it', what: FIELD_WORDS[field], value: String(found[field]) }],
    ),
    ...found.ports.flatMap(({ port, part, ...values }) =>
      Object.entries(values).map(([field, value]) => ({
        where: part === undefined ? `port ${port}` : `port ${port}, part ${part}`,
        what: PORT_SETTINGS.find((setting) => setting.field === field)?.words ?? field,
        value: String(value),
      })),
    ),
    ...(found.universeList ?? []).map(({ universe, channels }) => ({
      where: `universe ${universe}`,
      what: 'channels',
      value: channels === undefined ? 'not said' : String(channels),
    })),
  ];
  return {
    name: `What ${name} was found to hold`,
    rows,
    keyOf: (_, index) => index,
    columns: [
      { id: 'where', head: 'Where', meaning: 'the port or universe', as: 'key', of: ({ where }) => where },
      { id: 'what', head: 'What', meaning: 'the setting', of: ({ what }) => capitalised(what) },
      { id: 'value', head: 'Held', meaning: 'as it was read off', as: 'figure', of: ({ value }) => value },
    ],
  };
}

const FIELD_WORDS = {
  firstUniverse: 'first universe',
  universes: 'number of universes',
  channelsPerUniverse: 'channels a universe',
};
