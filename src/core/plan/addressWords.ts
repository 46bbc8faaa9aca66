import { groupDigits } from '../units/number';

/** `U5 ch 301`, or `byte 1,200` of a flat space; channels count from 1, bytes from 0. */
export function addressWords(universe: number | null, channel: number): string {
  return universe === null ? `byte ${groupDigits(channel - 1)}` : `U${universe} ch ${channel}`;
}
