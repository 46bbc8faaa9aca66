import { z } from 'zod';
import { valueIn } from '../units/there';

/** A size of conductor as it is bought. */
export interface WireSize {
  id: string;
  words: string;
  /** Resistance of one conductor at 20 °C, in milliohm a metre. */
  milliohmPerM: number;
  /** In open air, at low voltage, on short leads. Local codes decide. */
  amps: number;
}

const awg = (number: number, milliohmPerM: number, amps: number): WireSize => ({
  id: `awg${number}`,
  words: `AWG\u00a0${number}`,
  milliohmPerM,
  amps,
});
const square = (mm2: string, flexible: number, solid: number, amps: number): WireSize[] => [
  { id: `mm2-${mm2}`, words: `${mm2}\u00a0mm²`, milliohmPerM: flexible, amps },
  { id: `mm2-${mm2}-solid`, words: `${mm2}\u00a0mm² solid`, milliohmPerM: solid, amps },
];

/** From the thinnest to the thickest. Copper by AWG and by IEC 60228, classes 5 (flexible, the usual one) and 1. */
export const WIRE_SIZES: readonly WireSize[] = [
  awg(24, 84.2, 2),
  awg(22, 53, 3),
  awg(20, 33.3, 5),
  ...square('0.75', 26, 24.5, 6),
  awg(18, 20.9, 7.5),
  ...square('1', 19.5, 18.1, 8),
  awg(16, 13.2, 10),
  ...square('1.5', 13.3, 12.1, 11),
  awg(14, 8.29, 15),
  ...square('2.5', 7.98, 7.41, 16),
  awg(12, 5.21, 20),
  ...square('4', 4.95, 4.61, 23),
  awg(10, 3.28, 30),
];

export const wireIdSchema = z.enum(WIRE_SIZES.map((size) => size.id));

const BY_ID = new Map(WIRE_SIZES.map((size) => [size.id, size]));

export function wireSize(id: string): WireSize {
  return valueIn(BY_ID, id);
}

/** A short piece of this size in open air carries more. */
const SHORT_AWG12 = { mostMm: 600, amps: 30 };

/** Limit of a piece of a size and length, in amps. */
export function ampacityOf(id: string, lengthMm: number): number {
  const { amps } = wireSize(id);
  return id === 'awg12' && lengthMm <= SHORT_AWG12.mostMm ? SHORT_AWG12.amps : amps;
}

/** One conductor of a length, in ohm. */
export function ohmOf(id: string, lengthMm: number): number {
  return (wireSize(id).milliohmPerM * lengthMm) / 1e6;
}
