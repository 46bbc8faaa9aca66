import { toldUniverse } from '../addressing/numbering';
import { portName } from '../catalogue/controller';
import type { LaidShow, Span } from '../plan/planned';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import type { PlannedPort } from '../patch/plug';
import { listOf } from '../units/words';
import { colourPlan } from './colourOrders';
import { takesRawFrames } from './rawFrames';
import {
  DEVICE_SETTINGS,
  PORT_SETTINGS,
  settingId,
  settingWords,
  type DeviceSettings,
  type PortSettings,
} from './settings';
import { channelsToType, universesOfController } from './universeSizes';

/** The settings of one controller as they are planned. */
export function deviceSettings(plan: LaidShow, controller: number): DeviceSettings {
  let settings = known.get(plan);
  if (!settings) known.set(plan, (settings = []));
  return (settings[controller] ??= settingsOf(plan, controller));
}

/** Plans are compared with one another again and again. */
const known = new WeakMap<LaidShow, DeviceSettings[]>();

function settingsOf(plan: LaidShow, controller: number): DeviceSettings {
  const device = plan.show.controllers[controller]!;
  // What is fed raw frames is told no universes; its channels keep their places in the count of the show.
  const isRaw = takesRawFrames(plan.show, device);
  const sizes = isRaw ? new Map<number, number>() : universesOfController(plan, controller);
  /** Channels of the device before each of its universes, where it counts on over all of them. */
  const before = new Map<number, number>();
  let channels = 0;
  for (const [universe, size] of sizes) {
    before.set(universe, channels);
    channels += size;
  }
  const told = [...sizes].map(([universe, size]) => [toldUniverse(device, universe), size] as const);
  const ports = portsOfController(plan, controller).map((port) => portSettings(plan, port, before));
  return {
    controllerId: device.id,
    firstUniverse: told[0]?.[0] ?? null,
    lastUniverse: told.at(-1)?.[0] ?? null,
    universes: device.protocol === 'ddp' || isRaw ? null : stretchesOf(told.map(([universe]) => universe)),
    channelsPerUniverse: channelsToType(new Map(told), device.protocol === 'artnet' ? 'port-address ' : 'U'),
    bytes: device.protocol === 'ddp' ? Math.max(0, ...ports.map((port) => (port.endByte ?? -1) + 1)) : null,
    ports,
  };
}

function portSettings(
  plan: LaidShow,
  port: PlannedPort,
  channelsBefore: ReadonlyMap<number, number>,
): PortSettings {
  const device = plan.show.controllers[port.controller]!;
  const [first, last] = endsOf(plan, port.runs);
  const isRaw = takesRawFrames(plan.show, device);
  const inUniverses = typeof first?.universe === 'number' && !isRaw;
  const universeOf = (span: Span | undefined) =>
    typeof span?.universe === 'number' && inUniverses ? toldUniverse(device, span.universe) : null;
  const endOf = (span: Span) => span.startChannel + span.channelCount - 1;
  const overDevice = (span: Span, channel: number) => channelsBefore.get(span.universe!)! + channel;
  const hidden = device.skippedPixelsTakeChannels ? 0 : port.places - port.pixels;
  const firstLed = plan.runs[port.runs[0]!]!.wire!.placesBeforePort + device.firstLedIndex;
  return {
    port: port.port,
    name: portName(device, port.port),
    pixels: port.places - hidden,
    hiddenPixels: hidden,
    hiddenWhere: hidden > 0 ? hiddenWords(plan, port) : null,
    onWire: port.places,
    universe: universeOf(first),
    channel: inUniverses ? first.startChannel : null,
    endUniverse: universeOf(last),
    endChannel: inUniverses ? endOf(last!) : null,
    deviceChannel: inUniverses ? overDevice(first, first.startChannel) : null,
    deviceEndChannel: inUniverses ? overDevice(last!, endOf(last!)) : null,
    startByte: first?.universe === null ? first.startChannel - 1 : null,
    endByte: last?.universe === null ? endOf(last) - 1 : null,
    showChannel: first?.startShowChannel ?? null,
    firstLed,
    lastLed: firstLed + port.places - 1,
    colourOrder: [
      ...new Set(
        port.runs.flatMap((run) => {
          const { chips, controller, correctedAt } = colourPlan(plan, run);
          // Chips that differ within a run can be told only where the controller is told.
          return correctedAt === 'controller' ? chips : [controller];
        }),
      ),
    ].join(' + '),
    direction: 'forward',
  };
}

/** Where on the wire the hidden pixels are: before which light of the port, and how many there where that is not all of them. */
function hiddenWords(plan: LaidShow, port: PlannedPort): string {
  let lit = 0;
  const places: { count: number; where: string }[] = [];
  for (const index of port.runs) {
    const run = plan.runs[index]!;
    const { skippedPixels } = run.wire!;
    if (skippedPixels > 0)
      places.push({ count: skippedPixels, where: lit === 0 ? 'before the first' : `after pixel ${lit}` });
    lit += run.pixelCount;
  }
  return places.length === 1
    ? places[0]!.where
    : listOf(places.map(({ count, where }) => `${count} ${where}`));
}

/** How many numbers, where they follow one another; `1–3 and 6–8` where not. */
function stretchesOf(numbers: readonly number[]): number | string {
  const stretches: [number, number][] = [];
  for (const number of numbers) {
    const last = stretches.at(-1);
    if (last && last[1] === number - 1) last[1] = number;
    else stretches.push([number, number]);
  }
  if (stretches.length < 2) return numbers.length;
  return listOf(stretches.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)));
}

/** The spans of some runs with the lowest and the highest address. */
function endsOf(plan: LaidShow, runs: readonly number[]): [Span?, Span?] {
  const order = (a: Span, b: Span) =>
    (a.universe ?? 0) - (b.universe ?? 0) || a.startChannel - b.startChannel;
  let first: Span | undefined;
  let last: Span | undefined;
  for (const run of runs)
    for (const span of spansOfRun(plan, run)) {
      if (!first || order(span, first) < 0) first = span;
      if (!last || order(span, last) >= 0) last = span;
    }
  return [first, last];
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

const DEVICE_VALUES = DEVICE_SETTINGS.filter((setting) => setting.isKept);
const PORT_VALUES = PORT_SETTINGS.filter((setting) => setting.isKept);

/** What a device holds that nobody has typed anything into. */
const UNTOUCHED: Partial<Record<keyof PortSettings, unknown>> = { hiddenPixels: 0, direction: 'forward' };

/** What has to be typed into devices again when one plan takes the place of another. */
export function valuesToType(before: LaidShow, after: LaidShow): ValueToType[] {
  const values: ValueToType[] = [];
  const indexBefore = new Map(before.show.controllers.map(({ id }, index) => [id, index]));
  after.show.controllers.forEach(({ id: controllerId, protocol }, index) => {
    const was = indexBefore.get(controllerId);
    const next = deviceSettings(after, index);
    const old = was === undefined ? null : deviceSettings(before, was);
    const add = (field: string, port: string, what: string, from: unknown, to: unknown) =>
      values.push({ controllerId, field, port, what, old: String(from ?? 'nothing'), new: String(to) });
    if (old)
      for (const setting of DEVICE_VALUES) {
        const { field } = setting;
        if (old[field] !== next[field] && next[field] !== null)
          add(settingId(field), '', settingWords(setting, protocol), old[field], next[field]);
      }
    const fromOf = new Map(old?.ports.map((port) => [port.port, port]));
    for (const port of next.ports) {
      const from = fromOf.get(port.port);
      fromOf.delete(port.port);
      for (const setting of PORT_VALUES) {
        const { field } = setting;
        const held = from ? from[field] : (UNTOUCHED[field] ?? null);
        if (held !== port[field] && port[field] !== null)
          add(settingId(field, port.port), port.name, settingWords(setting, protocol), held, port[field]);
      }
    }
    for (const { port, name, pixels } of fromOf.values())
      if (pixels !== 0) add(settingId('pixels', port), name, 'pixels', pixels, 0);
  });
  return values;
}
