/**
 * The settings of a device: one list for what is planned, what is found and what is typed again, so that a setting has one id, one
 * name and one meaning everywhere.
 */

/** What is typed into a controller for one of its ports. Null is what has no meaning for it. */
export interface PortSettings {
  port: number;
  name: string;
  /** As the device is to be told: without the hidden pixels where it puts those on the wire by itself, with them where not. */
  pixels: number;
  /** Dark pixels that it puts on the wire by itself, told apart from the others. */
  hiddenPixels: number;
  /** Where there are hidden ones: `before the first`, or before which light. */
  hiddenWhere: string | null;
  /** All pixels on the wire, dark ones included. */
  onWire: number;
  /** As the device counts: the port-address under Art-Net. Null under DDP. */
  universe: number | null;
  /** In that universe, from 1. */
  channel: number | null;
  endUniverse: number | null;
  endChannel: number | null;
  /** Counted on over the universes of the device, from 1. */
  deviceChannel: number | null;
  deviceEndChannel: number | null;
  /** In the flat space of the device, from 0, under DDP. */
  startByte: number | null;
  endByte: number | null;
  /** Counted over the show, by the one rule of the show. */
  showChannel: number | null;
  /** As its own screens count, over all its ports, hidden ones included. */
  firstLed: number;
  lastLed: number;
  /** Several joined by + where its chips differ, which one setting cannot tell. */
  colourOrder: string;
  direction: Direction;
}

export const DIRECTIONS = ['forward', 'reversed'] as const;
export type Direction = (typeof DIRECTIONS)[number];

/** What is typed into a controller: once for all of it, and for each port in use. */
export interface DeviceSettings {
  controllerId: string;
  firstUniverse: number | null;
  lastUniverse: number | null;
  /** How many, where they follow one another; otherwise which: `1–3 and 6–8`. Null under DDP. */
  universes: number | string | null;
  /** Words where they differ from universe to universe; null under DDP. */
  channelsPerUniverse: number | string | null;
  /** Of its flat space; null where it listens to universes. */
  bytes: number | null;
  ports: PortSettings[];
}

export type DeviceField = Exclude<keyof DeviceSettings, 'controllerId' | 'ports'>;
export type PortField = Exclude<keyof PortSettings, 'port' | 'name' | 'hiddenWhere'>;

/** What a setting is, for tables, forms and sentences. */
export interface Setting<Field extends string> {
  field: Field;
  /** In a sentence: `start channel`. */
  words: string;
  /** Under Art-Net, where a universe is called by its port-address. */
  artNetWords?: string;
  meaning: string;
  /** Kept by a device as a value of its own; the others follow from those, and are told for devices that count so. */
  isKept: boolean;
}

export const DEVICE_SETTINGS: readonly Setting<DeviceField>[] = [
  {
    field: 'firstUniverse',
    words: 'first universe',
    artNetWords: 'first port-address',
    meaning: 'that it listens to, as the device counts',
    isKept: true,
  },
  {
    field: 'lastUniverse',
    words: 'last universe',
    artNetWords: 'last port-address',
    meaning: 'that it listens to, as the device counts',
    isKept: false,
  },
  {
    field: 'universes',
    words: 'number of universes',
    artNetWords: 'number of port-addresses',
    meaning: 'that it listens to; which ones, where they do not follow one another',
    isKept: true,
  },
  {
    field: 'channelsPerUniverse',
    words: 'channels a universe',
    meaning: 'that it counts before it goes on to the next: the same number at both ends',
    isKept: true,
  },
  { field: 'bytes', words: 'bytes', meaning: 'of a picture, in its one flat space', isKept: false },
];

export const PORT_SETTINGS: readonly Setting<PortField>[] = [
  {
    field: 'pixels',
    words: 'pixels',
    meaning: 'to type as its count; hidden ones are in it only where the device does not add them itself',
    isKept: true,
  },
  {
    field: 'hiddenPixels',
    words: 'hidden pixels',
    meaning: 'dark ones that the device puts on the wire by itself, typed apart',
    isKept: true,
  },
  { field: 'onWire', words: 'pixels on the wire', meaning: 'lit and dark ones together', isKept: false },
  {
    field: 'universe',
    words: 'start universe',
    artNetWords: 'start port-address',
    meaning: 'of its first channel, as the device counts',
    isKept: true,
  },
  { field: 'channel', words: 'start channel', meaning: 'in that universe, from 1', isKept: true },
  {
    field: 'endUniverse',
    words: 'end universe',
    artNetWords: 'end port-address',
    meaning: 'of its last channel, as the device counts',
    isKept: false,
  },
  {
    field: 'endChannel',
    words: 'end channel',
    meaning: 'in that universe, the last one in use',
    isKept: false,
  },
  {
    field: 'deviceChannel',
    words: 'start over the device',
    meaning: 'for devices that count their channels on over all their universes, from 1',
    isKept: false,
  },
  {
    field: 'deviceEndChannel',
    words: 'end over the device',
    meaning: 'its last channel in that count',
    isKept: false,
  },
  {
    field: 'startByte',
    words: 'start byte',
    meaning: 'in the flat space of the device, from 0',
    isKept: false,
  },
  { field: 'endByte', words: 'end byte', meaning: 'the last one in use, from 0', isKept: false },
  {
    field: 'showChannel',
    words: 'show channel',
    meaning: 'of its first channel, over the show',
    isKept: false,
  },
  {
    field: 'firstLed',
    words: 'first LED',
    meaning: 'as its own screens count, hidden ones included',
    isKept: false,
  },
  { field: 'lastLed', words: 'last LED', meaning: 'the last one included', isKept: false },
  { field: 'colourOrder', words: 'colour order', meaning: 'to set on the device', isKept: true },
  {
    field: 'direction',
    words: 'direction',
    meaning: 'forward: the threading is in the plan, and nothing is turned here',
    isKept: true,
  },
];

/** What a setting is called on a device that is fed so. */
export function settingWords(setting: Setting<string>, protocol: string): string {
  return (protocol === 'artnet' && setting.artNetWords) || setting.words;
}

/** What a device keeps of its settings, by id: by these it is known whether a step was done with other values. */
export function keptValues({
  ports,
  ...device
}: DeviceSettings): [id: string, value: string | number | null][] {
  const kept = <Field extends string>(list: readonly Setting<Field>[]) => list.filter((each) => each.isKept);
  return [
    ...kept(DEVICE_SETTINGS).map(({ field }): [string, string | number | null] => [
      settingId(field),
      device[field],
    ]),
    ...ports.flatMap((port) =>
      kept(PORT_SETTINGS).map(({ field }): [string, string | number | null] => [
        settingId(field, port.port),
        port[field],
      ]),
    ),
  ];
}

/** A value that a device keeps, as it is typed and ticked. */
export interface ValueToTick {
  /** Id of the setting. */
  field: string;
  /** Port it is of, `A3`; null for the whole device. */
  port: string | null;
  words: string;
  value: string;
}

/** All that is typed into a device, setting after setting, the device first and then port by port. What has no meaning for it is left out. */
export function valuesToTick(settings: DeviceSettings, protocol: string): ValueToTick[] {
  const kept = <Field extends string>(list: readonly Setting<Field>[]) => list.filter((each) => each.isKept);
  const device = kept(DEVICE_SETTINGS).flatMap((setting) => {
    const value = settings[setting.field];
    return value === null
      ? []
      : [
          {
            field: settingId(setting.field),
            port: null,
            words: settingWords(setting, protocol),
            value: String(value),
          },
        ];
  });
  const ports = settings.ports.flatMap((port) =>
    kept(PORT_SETTINGS).flatMap((setting) => {
      const value = port[setting.field];
      // None hidden is what a device holds that was never told of any.
      if (value === null || (setting.field === 'hiddenPixels' && value === 0)) return [];
      return [
        {
          field: settingId(setting.field, port.port),
          port: port.name,
          words: settingWords(setting, protocol),
          value: String(value),
        },
      ];
    }),
  );
  return [...device, ...ports];
}

/** `firstUniverse`, or `port.3.pixels`: the id of a setting, which never changes. */
export function settingId(field: DeviceField): string;
export function settingId(field: PortField, port: number): string;
export function settingId(field: string, port?: number): string {
  return port === undefined ? field : `port.${port}.${field}`;
}
