import { rowKey, type RowId } from '../portRows';
import { universesOf, type Protocol } from '../../protocols/registry';
import {
  DEVICE_SETTINGS,
  PORT_SETTINGS,
  type AnySetting,
  type DeviceField,
  type DeviceSettings,
  type PortField,
} from './registry';

/** A device by what it is fed. */
type Fed = { protocol: Protocol };

/** The name of a setting on a device that is fed so: `start port-address`. */
export function settingWords(setting: Pick<AnySetting, 'words' | 'callsUniverse'>, device: Fed): string {
  return inWordsOf(setting, device, setting.words);
}

/** The unit below the head of its column. */
export function unitWords(setting: AnySetting, device: Fed): string | undefined {
  return setting.unit && inWordsOf(setting, device, setting.unit);
}

function inWordsOf({ callsUniverse }: Pick<AnySetting, 'callsUniverse'>, device: Fed, words: string): string {
  const word = universesOf(device)?.word;
  if (!callsUniverse || !word) return words;
  return words.replace(/universe(s?)/, (_, isMany: string) => (isMany ? pluralOf(word) : word));
}

const pluralOf = (word: string) => (word.endsWith('s') ? `${word}es` : `${word}s`);

/** `firstUniverse`, `port.3.pixels`, or `port.3.2.pixels` for the second part of a port: the id of a setting, which never changes. */
export function settingId(field: DeviceField): string;
export function settingId(field: PortField, row: RowId): string;
export function settingId(field: string, row?: RowId): string {
  return row === undefined ? field : `port.${rowKey(row)}.${field}`;
}

/** A value that a device keeps. */
interface KeptValue {
  /** Id of the setting. */
  id: string;
  /** Port it is of; null for the whole device. */
  port: { number: number; name: string } | null;
  setting: AnySetting;
  /** Null where it has no meaning for the device. */
  value: string | number | null;
  /** Held by a device into which nobody typed it. */
  untouched: string | number | null;
}

/** All values that a device keeps, the device first and then port by port. */
export function keptOf({ ports, ...device }: DeviceSettings): KeptValue[] {
  const ofDevice = DEVICE_SETTINGS.filter(({ isKept }) => isKept).map((setting): KeptValue => ({
    id: settingId(setting.field),
    port: null,
    setting,
    value: device[setting.field],
    untouched: null,
  }));
  const kept = PORT_SETTINGS.filter(({ isKept }) => isKept);
  const ofPorts = ports.flatMap((port) =>
    kept.map((setting): KeptValue => ({
      id: settingId(setting.field, port),
      port: { number: port.port, name: port.name },
      setting,
      value: port[setting.field],
      untouched: ('untouched' in setting ? setting.untouched : null) ?? null,
    })),
  );
  return [...ofDevice, ...ofPorts];
}

/** By these it is known whether a step was done with other values. */
export function keptValues(settings: DeviceSettings): [id: string, value: string | number | null][] {
  return keptOf(settings).map(({ id, value }) => [id, value]);
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
export function valuesToTick(settings: DeviceSettings, device: Fed): ValueToTick[] {
  return keptOf(settings).flatMap(({ id, port, setting, value, untouched }) =>
    // Nobody types that there are no hidden ones.
    value === null || (value === 0 && untouched === 0)
      ? []
      : [
          {
            field: id,
            port: port?.name ?? null,
            words: settingWords(setting, device),
            value: String(value),
          },
        ],
  );
}

/** A value that was typed, and is another one now. */
export interface ChangedValue extends ValueToTick {
  was: string;
}

/** Values of a device that the plan has moved since they were ticked as typed. */
export function changedSinceTyped(
  values: readonly ValueToTick[],
  typed: (field: string) => string | null,
): ChangedValue[] {
  return values.flatMap((each) => {
    const was = typed(each.field);
    return was === null || was === each.value ? [] : [{ ...each, was }];
  });
}
