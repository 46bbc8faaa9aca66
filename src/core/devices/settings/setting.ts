import type { Counting } from '../counting';
import type { DeviceState, RowState } from '../deviceState';
import type { DeviceBasis, PortBasis } from './basis';
import type { Values } from './values';

/** A setting as it is told: on sheets, in forms and in sentences. */
interface ToldSetting<
  Field extends string = string,
  Planned extends string | number | null = string | number | null,
  Basis = never,
> {
  field: Field;
  /** In a sentence: `start channel`. */
  words: string;
  /** A universe in it is called as the protocol calls it: `start port-address`. */
  callsUniverse?: true;
  meaning: string;
  /** Its column in a table of ports, and the unit below its head. */
  head: string;
  unit?: string;
  /** Its column is of use only where a port holds something of this one. */
  onlyWith?: 'hiddenPixels';
  /** The value that is to be typed; null where it has no meaning for the device, words where no one value is right. */
  planned: (basis: Basis) => Planned;
  /** It follows from others, and is told to devices that count so. */
  isKept: false;
}

/** The end at which a value was found. */
export type FoundAt = 'controller' | 'sender';

/** A value that is not the planned one. */
export interface Wrong<Value, Basis> {
  basis: Basis;
  planned: Value;
  /** As the plan counts it. */
  found: Value;
  /** The planned value as the screen counts it that was read. */
  toType: Value;
  where: FoundAt;
  /** `the controller`, `the sender`. */
  side: string;
  /** The same difference of universes on all ports, where there are several: a matter of counting, not of typing. */
  shift: number | null;
}

/** A setting that can be found on a device, compared with the plan, and set on the simulator. */
export interface HeldSetting<
  Field extends string = string,
  Value extends string | number = string | number,
  Planned extends string | number | null = string | number | null,
  Basis = never,
  State = never,
> extends Omit<ToldSetting<Field, Planned, Basis>, 'isKept'> {
  /** Kept by a device as a value of its own: it is typed, ticked, and typed again when it changes. */
  isKept: boolean;
  values: Values<Value>;
  /** Heads under which lists of devices call it. Its own words are one of them. */
  heads: RegExp;
  /** Held by a device into which nobody has typed it. */
  untouched?: Value;
  /** One of the two ways in which lists say where a port starts; both where that is left out. */
  startsBy?: 'universe' | 'device';
  /** The two ends need different values; null where no one value can be compared. */
  plannedAt?: (basis: Basis, where: FoundAt) => Value | null;
  /** Offset of the number on a screen that counts so. */
  shift?: (counting: Counting, basis: Basis) => number;
  /** The look with a wrong value, and the side to change. */
  whenWrong: (wrong: Wrong<Value, Basis>) => { symptom: string; mend: string };
  /** Values that the simulator takes, where it does not take all. */
  simulatedValues?: Values<Value>;
  /** The simulated device, or the port of one, with the value. */
  simulate: (state: State, value: Value, basis: Basis) => State;
}

export type DeviceTold<Field extends string, Planned extends string | number | null> = ToldSetting<
  Field,
  Planned,
  DeviceBasis
>;
export type PortTold<Field extends string, Planned extends string | number | null> = ToldSetting<
  Field,
  Planned,
  PortBasis
>;
/** A setting of a whole device. */
export type DeviceHeld<
  Field extends string,
  Value extends string | number,
  Planned extends string | number | null = Value,
> = HeldSetting<Field, Value, Planned, DeviceBasis, DeviceState>;
/** A setting of each port. */
export type PortHeld<
  Field extends string,
  Value extends string | number,
  Planned extends string | number | null = Value,
> = HeldSetting<Field, Value, Planned, PortBasis, RowState>;

/** `type 100 into the controller` */
export function typeIt<Value>({ toType, side }: Pick<Wrong<Value, unknown>, 'toType' | 'side'>): string {
  return `type ${String(toType)} into ${side}`;
}
