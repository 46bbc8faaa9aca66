import { formatLength, type Lengths } from './length';
import { groupDigits } from './number';

/** The unit or the counted thing of a number, which decides how it is written. */
export type Unit =
  | 'number'
  | 'pixels'
  | 'channels'
  | 'universes'
  | 'universe'
  | 'bits'
  | 'bytes'
  | 'mm'
  | 'us'
  | 'mhz'
  | 'perSecond'
  | 'percent'
  | 'amps'
  | 'watts'
  | 'volts'
  | 'mbits'
  | 'baud';

const rounded = (value: number, digits: number): string => {
  const [whole, rest] = String(Number(value.toFixed(digits))).split('.');
  return groupDigits(Number(whole)) + (rest ? `.${rest}` : '');
};

const WRITTEN: Record<Unit, (value: number, lengths: Lengths) => string> = {
  number: (value) => rounded(value, 3),
  pixels: (value) => `${rounded(value, 2)} px`,
  channels: (value) => `${rounded(value, 2)} ch`,
  universes: (value) => `${groupDigits(value)} ${value === 1 ? 'universe' : 'universes'}`,
  universe: (value) => `U${value}`,
  bits: (value) => `${rounded(value, 1)} bit`,
  bytes: (value) => `${rounded(value, 0)} bytes`,
  mm: (value, lengths) => (value < 0 ? `−${formatLength(-value, lengths)}` : formatLength(value, lengths)),
  us: (value) => (value < 1000 ? `${rounded(value, 2)} µs` : `${rounded(value / 1000, 2)} ms`),
  mhz: (value) => `${rounded(value, 2)} MHz`,
  perSecond: (value) => `${rounded(value, 1)} a second`,
  percent: (value) => `${rounded(value, 1)} %`,
  amps: (value) => `${rounded(value, 2)} A`,
  watts: (value) => `${rounded(value, 0)} W`,
  volts: (value) => `${rounded(value, 2)} V`,
  mbits: (value) => `${rounded(value, 2)} Mbit/s`,
  baud: (value) => `${groupDigits(value)} baud`,
};

/** A number with its unit, as it stands in a sentence. Infinity is said in words. */
export function quantity(value: number, unit: Unit, lengths: Lengths): string {
  return Number.isFinite(value) ? WRITTEN[unit](value, lengths) : 'no limit';
}
