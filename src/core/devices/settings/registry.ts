import { z } from 'zod';
import { channelsPerUniverse } from './channelsPerUniverse';
import { colourOrder } from './colourOrder';
import { firstLed, lastLed, onWire, showChannel } from './counts';
import { bytes, lastUniverse } from './deviceTotals';
import { direction } from './direction';
import { deviceEndChannel, endByte, endChannel, endUniverse, startByte } from './ends';
import { firstUniverse } from './firstUniverse';
import { hiddenPixels } from './hiddenPixels';
import { pixels } from './pixels';
import type { RowId } from '../portRows';
import type { DeviceHeld, DeviceTold, PortHeld, PortTold } from './setting';
import { channel, deviceChannel, universe } from './start';
import { universes } from './universes';

/** Settings of a whole device, in the order in which they are told. */
const OF_DEVICE = [firstUniverse, lastUniverse, universes, channelsPerUniverse, bytes] as const;

/** Settings of each port, in the order in which they are told. */
const OF_PORT = [
  pixels,
  hiddenPixels,
  onWire,
  universe,
  channel,
  endUniverse,
  endChannel,
  deviceChannel,
  deviceEndChannel,
  startByte,
  endByte,
  showChannel,
  firstLed,
  lastLed,
  colourOrder,
  direction,
] as const;

type OfDevice = (typeof OF_DEVICE)[number];
type OfPort = (typeof OF_PORT)[number];
type HeldOfDevice = Extract<OfDevice, { heads: RegExp }>;
type HeldOfPort = Extract<OfPort, { heads: RegExp }>;

/** The values that are planned, by field. */
type Planned<Setting extends OfDevice | OfPort> = {
  [Each in Setting as Each['field']]: ReturnType<Each['planned']>;
};
/** The values that a device may hold, by field. */
type Held<Setting extends HeldOfDevice | HeldOfPort> = {
  [Each in Setting as Each['field']]?: z.infer<Each['values']['schema']>;
};

export type DeviceField = OfDevice['field'];
export type PortField = OfPort['field'];
type HeldDeviceField = HeldOfDevice['field'];
export type HeldPortField = HeldOfPort['field'];

/** The values that are typed into a controller for one of its ports. Null is what has no meaning for it. */
export interface PortSettings extends Planned<OfPort> {
  port: number;
  /** From 1, along the wire; and the number of parts that its port is told in. */
  part: number;
  parts: number;
  /** `A3`, or `A3, part 2`. */
  name: string;
  isTile: boolean;
  /** Its runs, or its tile. */
  of: string;
  /** Places of hidden pixels, where there are some: `before the first`, or before which pixel. */
  hiddenWhere: string | null;
}

/** The values that are typed into a controller: once for all of it, and for each port in use. */
export interface DeviceSettings extends Planned<OfDevice> {
  controllerId: string;
  ports: PortSettings[];
}

/** Values of one port, as they were found or are set; what nobody said is absent. */
export type HeldOnPort = Held<HeldOfPort> & RowId;
/** Values of a device as a whole. */
export type HeldOnDevice = Held<HeldOfDevice>;

/** A setting with its types left open, for code that goes through all of them. */
type AnyDeviceHeld = DeviceHeld<HeldDeviceField, string | number, string | number | null>;
export type AnyPortHeld = PortHeld<HeldPortField, string | number, string | number | null>;
export type AnyHeld = AnyDeviceHeld | AnyPortHeld;
type AnyDeviceSetting = AnyDeviceHeld | DeviceTold<DeviceField, string | number | null>;
type AnyPortSetting = AnyPortHeld | PortTold<PortField, string | number | null>;
export type AnySetting = AnyDeviceSetting | AnyPortSetting;

const isHeld = <Setting extends object>(setting: Setting): setting is Extract<Setting, { heads: RegExp }> =>
  'heads' in setting;

// The values of one setting go only to that one's own functions, which the compiler does not see.
export const DEVICE_SETTINGS: readonly AnyDeviceSetting[] = OF_DEVICE as never;
export const PORT_SETTINGS: readonly AnyPortSetting[] = OF_PORT as never;

/** Those that can be found on a device, compared, and set on the simulator. */
export const HELD_BY_DEVICE: readonly AnyDeviceHeld[] = DEVICE_SETTINGS.filter(isHeld);
export const HELD_BY_PORT: readonly AnyPortHeld[] = PORT_SETTINGS.filter(isHeld);

/** Schemas of single values, each of which may be absent. */
function shapeOf<Shape>(settings: readonly AnyHeld[], isSimulated: boolean): Shape {
  return Object.fromEntries(
    settings.map(({ field, values, simulatedValues }) => [
      field,
      ((isSimulated && simulatedValues) || values).schema.optional(),
    ]),
  ) as Shape;
}

type Shape<Values> = {
  [Field in keyof Values]-?: z.ZodOptional<z.ZodType<Exclude<Values[Field], undefined>>>;
};

/** Fields of a schema for values that were found. */
export const FOUND_ON_DEVICE = shapeOf<Shape<HeldOnDevice>>(HELD_BY_DEVICE, false);
export const FOUND_ON_PORT = shapeOf<Shape<Omit<HeldOnPort, 'port' | 'part'>>>(HELD_BY_PORT, false);
/** Fields of a schema for values that the simulator takes. */
export const SIMULATED_ON_DEVICE = shapeOf<Shape<HeldOnDevice>>(HELD_BY_DEVICE, true);
export const SIMULATED_ON_PORT = shapeOf<Shape<Omit<HeldOnPort, 'port' | 'part'>>>(HELD_BY_PORT, true);
