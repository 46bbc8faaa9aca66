import { chipOrders } from '../devices/colourOrders';
import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { plannedDevice, wireOf, type DeviceState, type OwnTest } from './device';
import { PLANNED_SENDER, send, type SenderState, type Sent } from './sending';

/** The lights behind a port as they are wired, in the order of the data. */
export interface Chain {
  controller: number;
  port: number;
  /** Index of each in the table of the plan; -1 for one that is in no plan, or that nobody sees. */
  pixel: Int32Array;
  /** The colours of each chip: index into `orders`. */
  order: Uint8Array;
  orders: readonly string[];
  /** What is the matter with each; 0 where nothing. */
  state: Uint8Array;
}

/** A chip is dark and lets data pass, or stops it, or data does not get to it. */
export const DARK = 1;
export const BLOCKING = 2;
export const BROKEN_BEFORE = 3;
/** Its lights are random: no common ground, or a level that is too low. */
export const FLICKERING = 4;
/** Half of its light is left. */
export const DIMMED = 5;

/** A display with its devices and its sender, as they are: as planned, but for what is the matter. */
export interface Rig {
  plan: Plan;
  sender: SenderState;
  devices: readonly DeviceState[];
  chains: readonly Chain[];
}

/** Everything as planned. */
export function plannedRig(plan: Plan): Rig {
  return {
    plan,
    sender: PLANNED_SENDER,
    devices: plan.show.controllers.map((_, controller) => plannedDevice(plan, controller)),
    chains: plan.show.controllers.flatMap((_, controller) =>
      portsOfController(plan, controller).map(({ port, runs }) => plannedChain(plan, controller, port, runs)),
    ),
  };
}

function plannedChain(plan: Plan, controller: number, port: number, runs: readonly number[]): Chain {
  const orders = [...new Set(runs.map((run) => chipOrders(plan, plan.runs[run]!.prop)[0]!))];
  const pixel: number[] = [];
  const order: number[] = [];
  for (const index of runs) {
    const run = plan.runs[index]!;
    const own = orders.indexOf(chipOrders(plan, run.prop)[0]!);
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
  };
}

const LETTERS = 'RGBW';

/** What a chain shows of the bytes on its wire; written over the light of the show. @param seed of what flickers */
function showChain(
  { pixel, order, orders, state }: Chain,
  wire: Uint8Array,
  light: Uint8Array,
  seed: number,
): void {
  const letters = orders.map((each) => [...each].map((letter) => LETTERS.indexOf(letter)));
  let at = 0;
  for (let i = 0; i < pixel.length; i += 1) {
    if (state[i] === BROKEN_BEFORE) return;
    const own = letters[order[i]!]!;
    const target = pixel[i]!;
    // What is not sent to it leaves a chip as it was: dark.
    if (at + own.length > wire.length) return;
    if (target >= 0 && state[i] !== DARK && state[i] !== BLOCKING)
      own.forEach((letter, j) => {
        const byte = wire[at + j]!;
        light[4 * target + letter] =
          state[i] === FLICKERING ? noise(seed, target, letter) : state[i] === DIMMED ? byte >> 1 : byte;
      });
    at += own.length;
    if (state[i] === BLOCKING) return;
  }
}

/** A byte by seed, pixel and colour, the same each time it is asked for. */
function noise(seed: number, pixel: number, letter: number): number {
  let hash = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(pixel + 1, 0xc2b2ae35) ^ (letter << 24);
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d);
  return (hash ^ (hash >>> 13)) & 0xff;
}

/** What is looked at: all chains, or those of some controllers. */
type Only = ReadonlySet<number> | undefined;

/**
 * What the display shows of a picture that is sent: four bytes for each pixel of the plan.
 *
 * @param wanted the picture, four bytes for each pixel
 * @param frame counts pictures: what flickers does so from one to the next
 */
export function lightOfSent(rig: Rig, wanted: Uint8Array, frame = 0, only?: Only): Uint8Array {
  return lightOfReceived(rig, send(rig.plan, rig.sender, wanted, only), frame, only);
}

/** What the display shows of what came in over the network. */
export function lightOfReceived(rig: Rig, sent: Sent, frame = 0, only?: Only): Uint8Array {
  return lightOf(rig, (device, port) => wireOf(rig.plan, device, port, sent), frame, only);
}

/** What the display shows when a device is told to show a test of its own; the others show nothing. */
export function lightOfOwnTest(rig: Rig, controller: number, ownTest: OwnTest, frame = 0): Uint8Array {
  const nothing = { universes: new Map(), flat: new Map() };
  return lightOf(
    rig,
    (device, port) => wireOf(rig.plan, { ...device, ownTest }, port, nothing),
    frame,
    new Set([controller]),
  );
}

function lightOf(
  { plan, devices, chains }: Rig,
  wire: (device: DeviceState, port: DeviceState['ports'][number]) => Uint8Array,
  frame: number,
  only: Only,
): Uint8Array {
  const light = new Uint8Array(4 * plan.pixelCount);
  for (const chain of chains) {
    if (only && !only.has(chain.controller)) continue;
    const device = devices[chain.controller]!;
    const port = device.ports.find((each) => each.port === chain.port);
    if (port) showChain(chain, wire(device, port), light, frame);
  }
  return light;
}
