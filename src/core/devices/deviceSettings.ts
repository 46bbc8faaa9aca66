import { portName } from '../catalogue/controller';
import type { LaidShow, Span } from '../plan/planned';
import { portsOfController, spansOfController, spansOfRun } from '../plan/planIndex';
import { slotsPerUniverse, usableChannels } from '../catalogue/packing';

/** What is typed into a controller for one of its ports. */
export interface PortSettings {
  port: number;
  name: string;
  /** Pixels on the wire; skipped ones count where the controller is told so. */
  pixels: number;
  /** Null under DDP. */
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
  channelsPerUniverse: number;
  ports: PortSettings[];
}

/** The settings of one controller as they are planned. */
export function deviceSettings(plan: LaidShow, controller: number): DeviceSettings {
  const { show } = plan;
  const device = show.controllers[controller]!;
  const spans = spansOfController(plan, controller);
  const universes = new Set(spans.flatMap((span) => span.universe ?? []));
  const packing = device.packing ?? show.addressing.packing;
  const orderOf = new Map(show.pixelTypes.map((type) => [type.id, type.colourOrder]));
  return {
    controllerId: device.id,
    firstUniverse: universes.size > 0 ? Math.min(...universes) : null,
    universes: universes.size,
    channelsPerUniverse:
      packing.kind === 'wholePixels' ? usableChannels(packing, 3) : slotsPerUniverse(packing),
    ports: portsOfController(plan, controller).map((port) => {
      const spansOfPort = port.runs.flatMap((run) => spansOfRun(plan, run));
      const [first, last] = endsOf(spansOfPort);
      const orders = port.runs.map((run) => orderOf.get(show.props[plan.runs[run]!.prop]!.pixelTypeId)!);
      return {
        port: port.port,
        name: portName(device, port.port),
        pixels: port.places,
        universe: first?.universe ?? null,
        channel: first?.startChannel ?? null,
        endUniverse: last?.universe ?? null,
        endChannel: last ? last.startChannel + last.channelCount - 1 : null,
        colourOrder: [...new Set(orders)].join(' + '),
      };
    }),
  };
}

/** The spans with the lowest and the highest address. */
function endsOf(spans: readonly Span[]): [Span?, Span?] {
  const order = (a: Span, b: Span) =>
    (a.universe ?? 0) - (b.universe ?? 0) || a.startChannel - b.startChannel;
  let [first, last] = [spans[0], spans[0]];
  for (const span of spans) {
    if (order(span, first!) < 0) first = span;
    if (order(span, last!) >= 0) last = span;
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

/** What has to be typed into devices again when one plan takes the place of another. */
export function valuesToType(before: LaidShow, after: LaidShow): ValueToType[] {
  const values: ValueToType[] = [];
  after.show.controllers.forEach((controller, index) => {
    const was = before.show.controllers.findIndex((each) => each.id === controller.id);
    const next = deviceSettings(after, index);
    const old = was === -1 ? null : deviceSettings(before, was);
    const compare = (field: string, port: string, what: string, from: unknown, to: unknown) => {
      if (from !== to && to !== null && to !== undefined)
        values.push({
          controllerId: controller.id,
          field,
          port,
          what,
          old: from === null || from === undefined ? 'nothing' : String(from),
          new: String(to),
        });
    };
    if (old) {
      compare('firstUniverse', '', 'first universe', old.firstUniverse, next.firstUniverse);
      compare('universes', '', 'number of universes', old.universes, next.universes);
      compare(
        'channelsPerUniverse',
        '',
        'channels a universe',
        old.channelsPerUniverse,
        next.channelsPerUniverse,
      );
    }
    const fromOf = new Map(old?.ports.map((port) => [port.port, port]));
    for (const port of next.ports) {
      const from = fromOf.get(port.port);
      fromOf.delete(port.port);
      compare(`port.${port.port}.pixels`, port.name, 'pixels', from?.pixels, port.pixels);
      compare(`port.${port.port}.universe`, port.name, 'start universe', from?.universe, port.universe);
      compare(`port.${port.port}.channel`, port.name, 'start channel', from?.channel, port.channel);
      compare(
        `port.${port.port}.colourOrder`,
        port.name,
        'colour order',
        from?.colourOrder,
        port.colourOrder,
      );
    }
    for (const from of fromOf.values())
      compare(`port.${from.port}.pixels`, from.name, 'pixels', from.pixels, 0);
  });
  return values;
}
