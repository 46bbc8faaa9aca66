import type { Electric } from '../catalogue/electric';
import { lightAt } from '../power/shown';
import { chipOrders } from '../devices/colourOrders';
import type { Plan } from '../plan/planned';
import { itemAt } from '../units/there';
import { runAt } from '../plan/records';

/** The lights behind a port as they are wired, in the order of the data. */
export interface Chain {
  controller: number;
  port: number;
  /** Index of each in the table of the plan; -1 for one that is in no plan, or that nobody sees. */
  pixel: Int32Array;
  /** The colours of each chip: index into `orders`. */
  order: Uint8Array;
  orders: readonly string[];
  /** The fault of each; 0 where it is sound. */
  state: Uint8Array;
  /** Volts of its pixels; null where all get enough. */
  volts: ChainVolts | null;
  /** Its supply gives out where more than this share of its light is on: it is dark in every other picture. */
  sagsAbove: number | null;
}

/** Volts at each place of a chain: full while it is dark, and so much at full white. */
interface ChainVolts {
  electric: Electric;
  darkV: number;
  fullV: Float64Array;
}

/** A chip is dark and lets data pass, or stops it, or data does not get to it. */
export const DARK = 1;
export const BLOCKING = 2;
export const BROKEN_BEFORE = 3;
/** Its lights are random: no common ground, or a level that is too low. */
export const FLICKERING = 4;
/** It gets too few volts. */
export const STARVED = 5;
/** Random, and it stays so: bits of another length, or of another program. */
export const GARBLED = 6;
/** A pixel of another batch: its green and blue are weaker. */
export const TINTED = 7;
/** Only its highest bits are shown. */
export const COARSE = 8;
/** Some of them light by themselves. */
export const NOISY = 9;

/** No volts reach it: it is dark. What it would pass on is for those behind it, which have none either. */
export const UNPOWERED = 10;

/** Shares of red, green, blue and white in another batch. */
const TINT = [1, 0.82, 0.7, 1];
const COARSE_BITS = 0xc0;
/** One in so many lights by itself. */
const NOISY_ONE_IN = 8;

/** The lights of a port as planned. */
export function plannedChain(plan: Plan, controller: number, port: number, runs: readonly number[]): Chain {
  const orders = [...new Set(runs.map((run) => itemAt(chipOrders(plan, runAt(plan, run).prop), 0)))];
  const pixel: number[] = [];
  const order: number[] = [];
  for (const index of runs) {
    const run = runAt(plan, index);
    const own = orders.indexOf(itemAt(chipOrders(plan, run.prop), 0));
    for (let i = 0; i < run.wire!.skippedPixels; i += 1) {
      pixel.push(-1);
      order.push(own);
    }
    for (let i = 0; i < run.pixelCount; i += 1) {
      pixel.push(run.firstPixel + i);
      order.push(own);
    }
  }
  return {
    controller,
    port,
    pixel: Int32Array.from(pixel),
    order: Uint8Array.from(order),
    orders,
    state: new Uint8Array(pixel.length),
    volts: null,
    sagsAbove: null,
  };
}

const LETTERS = 'RGBW';
const { imul } = Math;

/** The picture of a chain with the bytes on its wire; written over the light of the show. @param seed of flicker */
export function showChain(chain: Chain, wire: Uint8Array, light: Uint8Array, seed: number): void {
  const { pixel } = chain;
  const own = new Uint8Array(4 * pixel.length);
  const reached = lightPlaces(chain, wire, own, seed);
  for (let i = 0; i < reached; i += 1) {
    const to = 4 * pixel[i]!;
    if (to >= 0) for (let j = 0; j < 4; j += 1) light[to + j] = own[4 * i + j]!;
  }
}

/**
 * The light of places of a chain. As long as nothing is wrong with them, it does not matter where each hangs.
 *
 * @param light four bytes for each place of the chain, dark before
 * @param places those that are asked for; all where that is left out
 * @returns how many places something is sent to; what is not sent to leaves a chip as it was
 */
export function lightPlaces(
  chain: Chain,
  wire: Uint8Array,
  light: Uint8Array,
  seed: number,
  places: Int32Array | null = null,
): number {
  const { pixel, order, orders, state, volts, sagsAbove } = chain;
  const share = volts || sagsAbove !== null ? meanOf(wire) / 255 : 0;
  if (sagsAbove !== null && share > sagsAbove && seed % 2 === 1) return 0;
  const letters = orders.map((each) => [...each].map((letter) => LETTERS.indexOf(letter)));
  const begins = beginsOf(chain);
  let reached = stopOf(state);
  while (reached > 0 && begins[reached]! > wire.length) reached -= 1;
  const asked = places ? places.length : reached;
  for (let k = 0; k < asked; k += 1) {
    const i = places ? places[k]! : k;
    const how = state[i]!;
    if (i >= reached || how === DARK || how === BLOCKING || how === UNPOWERED) continue;
    const own = itemAt(letters, order[i]!);
    const at = begins[i]!;
    for (let j = 0; j < own.length; j += 1) {
      const byte = wire[at + j]!;
      light[4 * i + itemAt(own, j)] =
        how === 0
          ? byte
          : shownOf(
              byte,
              how,
              seed,
              pixel[i]!,
              itemAt(own, j),
              how === STARVED && volts ? starvedShare(volts, i, itemAt(own, j), share) : 1,
            );
    }
  }
  return reached;
}

const beginnings = new WeakMap<readonly string[], WeakMap<Uint8Array, Int32Array>>();

/** Index of the first byte of each place on the wire; one more for the end. */
function beginsOf({ order, orders }: Chain): Int32Array {
  let byOrder = beginnings.get(orders);
  if (!byOrder) beginnings.set(orders, (byOrder = new WeakMap()));
  let known = byOrder.get(order);
  if (!known) {
    known = new Int32Array(order.length + 1);
    for (let i = 0; i < order.length; i += 1) known[i + 1] = known[i]! + itemAt(orders, order[i]!).length;
    byOrder.set(order, known);
  }
  return known;
}

const sound = new WeakMap<Uint8Array, boolean>();

/** Nothing is the matter with any of its lights. */
export function isSound({ state }: Chain): boolean {
  let known = sound.get(state);
  if (known === undefined) sound.set(state, (known = state.every((each) => each === 0)));
  return known;
}

const stops = new WeakMap<Uint8Array, number>();

/** Number of places before the first that stops the data. */
function stopOf(state: Uint8Array): number {
  let known = stops.get(state);
  if (known === undefined) {
    const at = state.findIndex((each) => each === BROKEN_BEFORE || each === BLOCKING);
    known = at === -1 ? state.length : state[at] === BLOCKING ? at + 1 : at;
    stops.set(state, known);
  }
  return known;
}

/** @param left of its light by its volts */
function shownOf(
  byte: number,
  state: number,
  seed: number,
  pixel: number,
  letter: number,
  left: number,
): number {
  switch (state) {
    case FLICKERING:
      return noise(seed, pixel, letter);
    case GARBLED:
      return noise(0, pixel, letter);
    case STARVED:
      return Math.round(byte * left);
    case TINTED:
      return Math.round(byte * itemAt(TINT, letter));
    case COARSE:
      return byte & COARSE_BITS;
    case NOISY:
      return noise(seed, pixel, 7) % NOISY_ONE_IN === 0 ? noise(seed, pixel, letter) : byte;
    default:
      return byte;
  }
}

/** The volts of a place fall from dark to full white as the current of the whole chain grows; a colour goes out below its knee. */
function starvedShare({ electric, darkV, fullV }: ChainVolts, place: number, letter: number, share: number) {
  const volts = darkV - (darkV - (fullV[place] ?? darkV)) * share;
  return lightAt(electric, LETTERS[letter] as 'R' | 'G' | 'B' | 'W', volts);
}

function meanOf(bytes: Uint8Array): number {
  let sum = 0;
  for (const byte of bytes) sum += byte;
  return bytes.length === 0 ? 0 : sum / bytes.length;
}

/** A byte by seed, pixel and colour, the same each time it is asked for. */
export function noise(seed: number, pixel: number, letter: number): number {
  let hash = imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ imul(pixel + 1, 0xc2b2ae35) ^ (letter << 24);
  hash = imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  return (hash ^ (hash >>> 13)) & 0xff;
}
