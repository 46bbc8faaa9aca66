import { colourPlan } from '../devices/colourOrders';
import { showSpaces, universesOfController } from '../devices/universeSizes';
import { spansOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { runAt } from '../plan/records';

/** Settings of the sender that differ from the plan; the keys are indices of controllers. */
export interface SenderState {
  /** It sends nothing to these: off in its list, or to another address. */
  silentTo: ReadonlySet<number>;
  /** Channels that it fills in each universe. */
  universeChannels: ReadonlyMap<number, number>;
  /** Its universes are so many higher. */
  universeShift: ReadonlyMap<number, number>;
  /** Its channels begin so many further on. */
  channelShift: ReadonlyMap<number, number>;
  /** Colour orders by index of a run. */
  colourOrders: ReadonlyMap<number, string>;
  /** Share left of each of its bytes of red, green, blue and white, 0 to 1. */
  gains: readonly [number, number, number, number];
  /** Indices of pixels that its picture does not reach. */
  undrawn: readonly Int32Array[];
}

export const PLANNED_SENDER: SenderState = {
  silentTo: new Set(),
  universeChannels: new Map(),
  universeShift: new Map(),
  channelShift: new Map(),
  colourOrders: new Map(),
  gains: [1, 1, 1, 1],
  undrawn: [],
};

/** Data on the network: universes by the count of the show, and the flat spaces of controllers by index. */
export interface Sent {
  universes: Map<number, Uint8Array>;
  flat: Map<number, Uint8Array>;
}

const LETTERS = 'RGBW';

/**
 * Turns a picture into what the sender sends.
 *
 * @param wanted four bytes for each pixel of the plan: red, green, blue, white
 * @param only indices of the controllers that are of interest; all where that is left out
 */
export function send(plan: Plan, sender: SenderState, wanted: Uint8Array, only?: ReadonlySet<number>): Sent {
  const sent: Sent = { universes: new Map(), flat: new Map() };
  const drawn = withoutUndrawn(sender, wanted);
  plan.show.controllers.forEach((_, controller) => {
    if (sender.silentTo.has(controller) || (only && !only.has(controller))) return;
    const own = asPlanned(plan, sender, drawn, controller);
    const channels = sender.universeChannels.get(controller);
    const shift = sender.universeShift.get(controller) ?? 0;
    const begin = sender.channelShift.get(controller) ?? 0;
    const isOther = channels !== undefined || shift !== 0 || begin !== 0;
    for (const [at, bytes] of own.flat) sent.flat.set(at, begin === 0 ? bytes : moved(bytes, begin));
    const universes = isOther ? countedOtherwise(own.universes, channels, shift, begin) : own.universes;
    for (const [universe, bytes] of universes)
      sent.universes.set(universe, merged(sent.universes.get(universe), bytes));
  });
  return sent;
}

function withoutUndrawn({ undrawn }: SenderState, wanted: Uint8Array): Uint8Array {
  if (undrawn.length === 0) return wanted;
  const made = Uint8Array.from(wanted);
  for (const pixels of undrawn) for (const pixel of pixels) made.fill(0, 4 * pixel, 4 * pixel + 4);
  return made;
}

/** Two controllers may share a universe; each of them fills its own channels. */
function merged(before: Uint8Array | undefined, bytes: Uint8Array): Uint8Array {
  if (!before) return bytes;
  const made = new Uint8Array(Math.max(before.length, bytes.length));
  made.set(before);
  bytes.forEach((byte, i) => {
    if (byte !== 0) made[i] = byte;
  });
  return made;
}

function moved(bytes: Uint8Array, by: number): Uint8Array {
  const made = new Uint8Array(bytes.length);
  if (by >= 0) made.set(bytes.subarray(0, Math.max(0, bytes.length - by)), by);
  else made.set(bytes.subarray(-by));
  return made;
}

function asPlanned(plan: Plan, sender: SenderState, wanted: Uint8Array, controller: number): Sent {
  const universes = new Map<number, Uint8Array>();
  const flat = new Map<number, Uint8Array>();
  for (const [universe, channels] of universesOfController(plan, controller))
    universes.set(universe, new Uint8Array(channels));
  const space = showSpaces(plan).flat.get(controller);
  if (space) flat.set(controller, new Uint8Array(space.channelCount));
  const { gains } = sender;
  const isWhole = gains.every((gain) => gain === 1);
  for (const span of spansOfController(plan, controller)) {
    const run = runAt(plan, span.run);
    const bytes = span.universe === null ? flat.get(controller) : universes.get(span.universe);
    if (!bytes) continue;
    const order = sender.colourOrders.get(span.run) ?? colourPlan(plan, span.run).sender;
    const step = run.channelsPerPixel;
    const letters = Int8Array.from({ length: step }, (_, i) => LETTERS.indexOf(order[i] ?? ''));
    // Skipped pixels that take channels are sent dark.
    const first = Math.max(0, -span.runChannel);
    let at = span.startChannel - 1 + first;
    let part = (span.runChannel + first) % step;
    let from = 4 * (run.firstPixel + Math.floor((span.runChannel + first) / step));
    const end = span.startChannel - 1 + span.channelCount;
    for (; at < end; at += 1) {
      const letter = letters[part]!;
      if (letter >= 0)
        bytes[at] = isWhole ? wanted[from + letter]! : Math.round(wanted[from + letter]! * gains[letter]!);
      part += 1;
      if (part === step) {
        part = 0;
        from += 4;
      }
    }
  }
  return { universes, flat };
}

/** The same channels, one after another, cut into universes of another size, from another one on or further on. */
function countedOtherwise(
  universes: ReadonlyMap<number, Uint8Array>,
  channels: number | undefined,
  shift: number,
  begin: number,
): Map<number, Uint8Array> {
  const made = new Map<number, Uint8Array>();
  const set = (universe: number, channel: number, size: number, byte: number) => {
    let bytes = made.get(universe);
    if (!bytes) made.set(universe, (bytes = new Uint8Array(size)));
    if (channel >= 0 && channel < bytes.length) bytes[channel] = byte;
  };
  let [first, counted] = [0, begin];
  let before = -2;
  for (const [universe, bytes] of universes) {
    // A stretch of universes that follow one another is counted through.
    if (universe !== before + 1) [first, counted] = [universe, begin];
    before = universe;
    const size = channels ?? bytes.length;
    for (const byte of bytes) {
      const at = Math.floor(counted / size);
      set(first + shift + at, counted - at * size, size, byte);
      counted += 1;
    }
  }
  return made;
}
