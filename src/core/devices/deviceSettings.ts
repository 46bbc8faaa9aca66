import type { LaidShow } from '../plan/planned';
import { partWords, rowKey, rowName, type PortRow } from './portRows';
import { listOf } from '../units/words';
import { basisOf, type PortBasis } from './settings/basis';
import { DEVICE_SETTINGS, PORT_SETTINGS, type DeviceSettings, type PortSettings } from './settings/registry';
import { keptOf, settingId, settingWords } from './settings/typed';
import { itemAt } from '../units/there';

/** The settings of one controller as they are planned. */
export function deviceSettings(plan: LaidShow, controller: number): DeviceSettings {
  let settings = known.get(plan);
  if (!settings) known.set(plan, (settings = []));
  return (settings[controller] ??= settingsOf(plan, controller));
}

/** Plans are compared with one another again and again. */
const known = new WeakMap<LaidShow, DeviceSettings[]>();

function settingsOf(plan: LaidShow, controller: number): DeviceSettings {
  const basis = basisOf(plan, controller);
  return {
    controllerId: basis.device.id,
    ...valuesOf<Omit<DeviceSettings, 'controllerId' | 'ports'>>(
      DEVICE_SETTINGS.map(({ field, planned }) => [field, planned(basis)]),
    ),
    ports: basis.ports.map(portSettings),
  };
}

function portSettings(basis: PortBasis): PortSettings {
  const { plan, device, port, hiddenPixels } = basis;
  return {
    port: port.port,
    part: port.part,
    parts: port.parts,
    isTile: port.isTile,
    name: rowName(device, port),
    of: partWords(plan, port),
    hiddenWhere: hiddenPixels > 0 ? hiddenWords(plan, port) : null,
    ...valuesOf<Omit<PortSettings, 'port' | 'part' | 'parts' | 'name' | 'isTile' | 'of' | 'hiddenWhere'>>(
      PORT_SETTINGS.map(({ field, planned }) => [field, planned(basis)]),
    ),
  };
}

/** The registry has each field once, with values of its own type. */
const valuesOf = <Values>(entries: readonly (readonly [string, string | number | null])[]) =>
  Object.fromEntries(entries) as Values;

/** Places of the hidden pixels on the wire: before which pixel of the port, and how many there where that is not all of them. */
function hiddenWords(plan: LaidShow, port: PortRow): string {
  let lit = 0;
  const places: { count: number; where: string }[] = [];
  for (const { hidden, pixels } of port.stretches) {
    if (hidden > 0)
      places.push({ count: hidden, where: lit === 0 ? 'before the first' : `after pixel ${lit}` });
    lit += pixels;
  }
  return places.length === 1
    ? itemAt(places, 0).where
    : listOf(places.map(({ count, where }) => `${count} ${where}`));
}

/** A value that a device holds, as it was and as it is to be. */
export interface ValueToType {
  controllerId: string;
  /** Id of the setting: `firstUniverse`, `port.3.pixels`. */
  field: string;
  /** `A3`, or empty for the whole device. */
  port: string;
  what: string;
  old: string;
  new: string;
}

/** All that has to be typed into devices again when one plan takes the place of another. */
export function valuesToType(before: LaidShow, after: LaidShow): ValueToType[] {
  const indexBefore = new Map(before.show.controllers.map(({ id }, index) => [id, index]));
  return after.show.controllers.flatMap((device, index) => {
    const was = indexBefore.get(device.id);
    const old = was === undefined ? null : deviceSettings(before, was);
    const next = deviceSettings(after, index);
    const held = new Map(old && keptOf(old).map(({ id, value }) => [id, value]));
    const values = keptOf(next).flatMap(({ id, port, setting, value, untouched }): ValueToType[] => {
      // A device that is new is typed port by port.
      if (!old && !port) return [];
      const from = held.has(id) ? held.get(id)! : untouched;
      if (from === value || value === null) return [];
      return [
        {
          controllerId: device.id,
          field: id,
          port: port?.name ?? '',
          what: settingWords(setting, device),
          old: String(from ?? 'nothing'),
          new: String(value),
        },
      ];
    });
    const left = new Set(next.ports.map(rowKey));
    const gone = (old?.ports ?? []).flatMap((row): ValueToType[] =>
      left.has(rowKey(row)) || !row.pixels
        ? []
        : [
            {
              controllerId: device.id,
              field: settingId('pixels', row),
              port: row.name,
              what: 'pixels',
              old: String(row.pixels),
              new: '0',
            },
          ],
    );
    return [...values, ...gone];
  });
}
