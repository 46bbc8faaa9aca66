import { toldUniverse } from '../addressing/numbering';
import { portName } from '../catalogue/controller';
import type { LaidShow, Span } from '../plan/planned';
import { portsOfController, spansOfRun } from '../plan/planIndex';
import { channelsToType, universesOfController } from './universeSizes';

/** What is typed into a controller for one of its ports. */
export interface PortSettings {
  port: number;
  name: string;
  /** Pixels on the wire; skipped ones count where the controller is told so. */
  pixels: number;
  /** As the device counts: the port-address under Art-Net. Null under DDP. */
  universe: number | null;
  /** From 1; a byte of the flat space, from 1, under DDP. */
  channel: number | null;
  endUniverse: number | null;
  endChannel: number | null;
  colourOrder: string;
}

/** What is typed into a controller: once for all of it, and for each port in use. */
export interface DeviceSettings {
  controllerId: string;
  firstUniverse: number | null;
  universes: number;
  /** Words where they differ from universe to universe; null under DDP. */
  channelsPerUniverse: number | string | null;
  ports: PortSettings[];
}

/** The settings of one controller as they are planned. */
export function deviceSettings(plan: LaidShow, controller: number): DeviceSettings {
  let settings = known.get(plan);
  if (!settings) known.set(plan, (settings = []));
  return (settings[controller] ??= settingsOf(plan, controller));
}

/** Plans are compared with one another again and again. */
const known = new WeakMap<LaidShow, DeviceSettings[]>();

function settingsOf(plan: LaidShow, controller: number): DeviceSettings {
  const { show } = plan;
  const device = show.controllers[controller]!;
  const told = (universe: number) => toldUniverse(device, universe);
  const sizes = new Map(
    [...universesOfController(plan, controller)].map(([universe, size]) => [told(universe), size]),
  );
  const orderOf = new Map(show.pixelTypes.map((type) => [type.id, type.colourOrder]));
  return {
    controllerId: device.id,
    firstUniverse: [...sizes.keys()][0] ?? null,
    universes: sizes.size,
    channelsPerUniverse: channelsToType(sizes),
    ports: portsOfController(plan, controller).map((port) => {
      const [first, last] = endsOf(plan, port.runs);
      const orders = new Set(
        port.runs.map((run) => orderOf.get(show.props[plan.runs[run]!.prop]!.pixelTypeId)!),
      );
      return {
        port: port.port,
        name: portName(device, port.port),
        pixels: port.places,
        universe: typeof first?.universe === 'number' ? told(first.universe) : null,
        channel: first?.startChannel ?? null,
        endUniverse: typeof last?.universe === 'number' ? told(last.universe) : null,
        endChannel: last ? last.startChannel + last.channelCount - 1 : null,
        colourOrder: [...orders].join(' + '),
      };
    }),
  };
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

/** The settings of a device and of a port that are compared, with what a builder calls them. */
const DEVICE_VALUES = [
  ['firstUniverse', 'first universe'],
  ['universes', 'number of universes'],
  ['channelsPerUniverse', 'channels a universe'],
] as const;
const PORT_VALUES = [
  ['pixels', 'pixels'],
  ['universe', 'start universe'],
  ['channel', 'start channel'],
  ['colourOrder', 'colour order'],
] as const;

/** What has to be typed into devices again when one plan takes the place of another. */
export function valuesToType(before: LaidShow, after: LaidShow): ValueToType[] {
  const values: ValueToType[] = [];
  const indexBefore = new Map(before.show.controllers.map(({ id }, index) => [id, index]));
  after.show.controllers.forEach(({ id: controllerId, protocol }, index) => {
    // What the device itself calls it.
    const named = (what: string) =>
      protocol === 'artnet' ? what.replace(/(first|start) universe/, '$1 port-address') : what;
    const was = indexBefore.get(controllerId);
    const next = deviceSettings(after, index);
    const old = was === undefined ? null : deviceSettings(before, was);
    const add = (field: string, port: string, what: string, from: unknown, to: unknown) =>
      values.push({
        controllerId,
        field,
        port,
        what: named(what),
        old: String(from ?? 'nothing'),
        new: String(to),
      });
    if (old)
      for (const [field, what] of DEVICE_VALUES)
        if (old[field] !== next[field] && next[field] !== null) add(field, '', what, old[field], next[field]);
    const fromOf = new Map(old?.ports.map((port) => [port.port, port]));
    for (const port of next.ports) {
      const from = fromOf.get(port.port);
      fromOf.delete(port.port);
      for (const [field, what] of PORT_VALUES)
        if (from?.[field] !== port[field] && port[field] !== null)
          add(`port.${port.port}.${field}`, port.name, what, from?.[field], port[field]);
    }
    for (const { port, name, pixels } of fromOf.values())
      if (pixels !== 0) add(`port.${port}.pixels`, name, 'pixels', pixels, 0);
  });
  return values;
}
