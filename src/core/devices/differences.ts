import { exchangeWords, sameColours } from '../colours/order';
import { portName } from '../catalogue/controller';
import { portsOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';
import { countOf } from '../units/number';
import { colourPlan } from './colourOrders';
import { deviceSettings } from './deviceSettings';
import type { Counting, FoundPort, FoundSettings } from './found';
import { sentUniverses } from './sent';
import {
  DEVICE_SETTINGS,
  PORT_SETTINGS,
  settingId,
  settingWords,
  type DeviceField,
  type DeviceSettings,
  type PortField,
  type PortSettings,
} from './settings';

/** A disagreement between plan and device, what it looks like on the display, and which side to change. */
export interface Difference {
  /** Id of the setting: `port.3.pixels`. */
  field: string;
  /** `A3`, or empty for the whole device. */
  port: string;
  what: string;
  planned: string;
  found: string;
  symptom: string;
  mend: string;
}

/** What is common to every comparison of one device. */
interface Comparison {
  plan: LaidShow;
  /** Index of the controller in the show. */
  index: number;
  found: FoundSettings;
  planned: DeviceSettings;
  /** `the controller`, `the sender`. */
  side: string;
}

/** Compares what was found with what is planned. */
export function differences(plan: LaidShow, found: FoundSettings): Difference[] {
  const index = plan.show.controllers.findIndex((each) => each.id === found.controllerId);
  if (index === -1) return [];
  const planned = deviceSettings(plan, index);
  const side = found.where === 'controller' ? 'the controller' : 'the sender';
  const of: Comparison = { plan, index, found, planned, side };
  return [...deviceDifferences(of), ...universeDifferences(of), ...portDifferences(of)];
}

function deviceSetting(field: DeviceField, { plan, index }: Comparison): string {
  const setting = DEVICE_SETTINGS.find((each) => each.field === field)!;
  return settingWords(setting, plan.show.controllers[index]!.protocol);
}

function portSetting(field: PortField, { plan, index }: Comparison): string {
  const setting = PORT_SETTINGS.find((each) => each.field === field)!;
  return settingWords(setting, plan.show.controllers[index]!.protocol);
}

function deviceDifferences(of: Comparison): Difference[] {
  const { found, planned, side } = of;
  const list: Difference[] = [];
  const add = (field: DeviceField, want: number, is: number, symptom: string) =>
    list.push({
      field: settingId(field),
      port: '',
      what: deviceSetting(field, of),
      planned: String(want),
      found: String(is),
      symptom,
      mend: `set ${side} to ${want}`,
    });
  const first = found.firstUniverse;
  if (first !== undefined && planned.firstUniverse !== null) {
    const is = universeAsTold(first, found.counting);
    if (is !== planned.firstUniverse)
      add(
        'firstUniverse',
        planned.firstUniverse + (found.counting?.universesShifted ?? 0),
        first,
        Math.abs(is - planned.firstUniverse) === 1
          ? 'every port shows what the universe beside its own is sent: one side may count universes from 0, the other from 1'
          : 'the device listens to what others are sent, or to nothing, and stays dark',
      );
  }
  // Where there are gaps, one number cannot be compared.
  if (found.universes !== undefined && typeof planned.universes === 'number')
    if (found.universes < planned.universes)
      add(
        'universes',
        planned.universes,
        found.universes,
        `everything from its ${ordinal(found.universes + 1)} universe on stays dark`,
      );
    else if (found.universes > planned.universes)
      add(
        'universes',
        planned.universes,
        found.universes,
        `${countOf(found.universes - planned.universes, 'universe')} left over: nothing is seen of it until something else is sent there, and it may join as a listener what is meant for another device`,
      );
  const size = found.channelsPerUniverse;
  if (
    size !== undefined &&
    typeof planned.channelsPerUniverse === 'number' &&
    size !== planned.channelsPerUniverse
  )
    add(
      'channelsPerUniverse',
      planned.channelsPerUniverse,
      size,
      typeof planned.universes === 'number' && planned.universes < 2
        ? 'nothing is seen while all of it fits one universe; with a second one colours rotate there'
        : 'colours rotate from the second universe on, and the picture creeps sideways, worse towards the end',
    );
  return list;
}

/** Universes that a sender lists, or that it does not. */
function universeDifferences({ plan, index, found, side }: Comparison): Difference[] {
  const { universeList = [], counting } = found;
  if (universeList.length === 0) return [];
  const wanted = new Map(
    sentUniverses(plan, index).flatMap((each) => (each.universe === null ? [] : [[each.universe, each]])),
  );
  const list: Difference[] = [];
  const seen = new Set<number>();
  for (const { universe: listed, channels } of universeList) {
    const universe = universeAsTold(listed, counting);
    seen.add(universe);
    const want = wanted.get(universe);
    const row = (what: string, planned: string, is: string, symptom: string, mend: string): Difference => ({
      field: `universe.${universe}.${what === 'universe' ? 'sent' : 'channels'}`,
      port: '',
      what,
      planned,
      found: is,
      symptom,
      mend,
    });
    if (!want)
      list.push(
        row(
          'universe',
          'not sent',
          `${listed} is sent`,
          'left over: it loads the network, and drives whatever listens to it',
          `take ${listed} out of ${side}`,
        ),
      );
    else if (channels !== undefined && channels !== want.channels)
      list.push(
        row(
          `channels of universe ${listed}`,
          String(want.channels),
          String(channels),
          channels < want.channels
            ? 'the last pixels of this universe stay dark, and what follows is out of step'
            : 'colours rotate from the next universe on',
          `set it to ${want.channels} on ${side}`,
        ),
      );
  }
  if (!found.partial)
    for (const universe of wanted.keys())
      if (!seen.has(universe))
        list.push({
          field: `universe.${universe}.sent`,
          port: '',
          what: 'universe',
          planned: `${universe} is sent`,
          found: 'not listed',
          symptom: 'everything in this universe stays dark',
          mend: `add it to ${side}`,
        });
  return list;
}

/** The number of a universe as the plan tells it, from one that a screen counts its own way. */
function universeAsTold(universe: number, counting: Counting | undefined): number {
  return universe - (counting?.universesShifted ?? 0);
}

function channelAsTold(channel: number, counting: Counting | undefined): number {
  return counting?.channelsFrom === 0 ? channel + 1 : channel;
}

/** A port as it was found, in the numbers of the plan. */
function portAsTold(
  port: FoundPort,
  want: PortSettings | undefined,
  counting: Counting | undefined,
): FoundPort {
  return {
    ...port,
    ...(port.universe !== undefined && { universe: universeAsTold(port.universe, counting) }),
    ...(port.channel !== undefined && { channel: channelAsTold(port.channel, counting) }),
    ...(port.deviceChannel !== undefined && { deviceChannel: channelAsTold(port.deviceChannel, counting) }),
    ...(port.pixels !== undefined &&
      counting?.hiddenCounted && { pixels: port.pixels - (want?.hiddenPixels ?? 0) }),
  };
}

/** What was found, in the numbers of the plan, however the screen that was read counts. */
export function inPlanNumbers(planned: DeviceSettings, found: FoundSettings): FoundSettings {
  const { counting, firstUniverse } = found;
  return {
    ...found,
    ...(firstUniverse !== undefined && { firstUniverse: universeAsTold(firstUniverse, counting) }),
    ports: found.ports.map((port) =>
      portAsTold(
        port,
        planned.ports.find((each) => each.port === port.port),
        counting,
      ),
    ),
  };
}

function portDifferences(of: Comparison): Difference[] {
  const { plan, index, found, planned, side } = of;
  const device = plan.show.controllers[index]!;
  const list: Difference[] = [];
  const wanted = new Map(planned.ports.map((port) => [port.port, port]));
  const ports = found.ports.map((port) => portAsTold(port, wanted.get(port.port), found.counting));
  const exchanged = exchanges(planned.ports, ports);
  const shift = commonShift(wanted, ports);
  for (const [i, port] of ports.entries()) {
    const want = wanted.get(port.port);
    const name = portName(device, port.port);
    if (!want) {
      if ((port.pixels ?? 0) > 0)
        list.push({
          field: settingId('pixels', port.port),
          port: name,
          what: 'pixels',
          planned: '0',
          found: String(port.pixels),
          symptom: 'this port listens to channels that another prop uses, and lights along with it',
          mend: `switch the port off on ${side}`,
        });
      continue;
    }
    const other = exchanged.get(port.port);
    if (other !== undefined) {
      // Said once for the two of them.
      if (port.port < other)
        list.push({
          field: settingId('universe', port.port),
          port: `${name}, ${portName(device, other)}`,
          what: 'ports',
          planned: `${placeWords(want)} on ${name}`,
          found: `exchanged: it is on ${portName(device, other)}`,
          symptom: `what is meant for ${name} is seen on ${portName(device, other)}, and the other way round`,
          mend: `exchange the two on ${side}, or the plugs`,
        });
      list.push(...onePort(of, want, { ...port, ...placeOf(want) }, found.ports[i]!, null));
      continue;
    }
    list.push(...onePort(of, want, port, found.ports[i]!, shift));
  }
  for (const want of found.partial || ports.length === 0 ? [] : planned.ports)
    if (!ports.some((port) => port.port === want.port))
      list.push({
        field: settingId('pixels', want.port),
        port: want.name,
        what: 'port',
        planned: `${want.pixels} pixels`,
        found: 'not listed',
        symptom: 'this port stays dark if it is really off',
        mend: `look at it on ${side}, or switch it on there`,
      });
  return list;
}

/** @param raw as it was read, to be shown in the words of its own screen */
function onePort(
  of: Comparison,
  want: PortSettings,
  port: FoundPort,
  raw: FoundPort,
  shift: number | null,
): Difference[] {
  const { plan, index, found, side } = of;
  const list: Difference[] = [];
  const add = (field: PortField, is: string, symptom: string, mend: string, planned = String(want[field])) =>
    list.push({
      field: settingId(field, want.port),
      port: want.name,
      what: portSetting(field, of),
      planned,
      found: is,
      symptom,
      mend,
    });
  // What is to be typed stands in the numbers of the screen that it is typed into.
  const onScreen = (told: number, counted: number | undefined, asTold: number | undefined) =>
    told + ((counted ?? 0) - (asTold ?? 0));
  const runs = portsOfController(plan, index).find((each) => each.port === want.port)!.runs;
  if (port.pixels !== undefined && port.pixels !== want.pixels)
    add(
      'pixels',
      String(raw.pixels),
      port.pixels < want.pixels
        ? `the last ${countOf(want.pixels - port.pixels, 'pixel')} ${want.pixels - port.pixels === 1 ? 'stays' : 'stay'} dark`
        : want.hiddenPixels > 0 && port.pixels === want.onWire
          ? 'nothing, where this count includes the hidden pixels: then say so above; otherwise channels of the next prop are taken along'
          : 'channels of the next prop are taken along, and everything after it on this device is out of step',
      `type ${onScreen(want.pixels, raw.pixels, port.pixels)} into ${side}`,
    );
  if (port.hiddenPixels !== undefined && port.hiddenPixels !== want.hiddenPixels)
    add(
      'hiddenPixels',
      String(port.hiddenPixels),
      port.hiddenPixels < want.hiddenPixels
        ? 'the hidden pixel lights, and the picture starts too early by as many'
        : 'lit pixels stay dark at the beginning, and the picture starts too late by as many',
      `type ${want.hiddenPixels} into ${side}`,
    );
  if (port.universe !== undefined && want.universe !== null && port.universe !== want.universe)
    add(
      'universe',
      String(raw.universe),
      shift !== null
        ? `every port is ${Math.abs(shift)} out: one side counts universes from 0, the other from 1`
        : 'the port shows what another prop is sent, or stays dark',
      shift !== null
        ? `set the numbering of universes once on ${side}, or the Art-Net offset here, instead of every port`
        : `type ${onScreen(want.universe, raw.universe, port.universe)} into ${side}`,
    );
  const channels = plan.runs[runs[0]!]!.channelsPerPixel;
  const shifted = (off: number) =>
    off % channels === 0
      ? `the picture is shifted by ${countOf(off / channels, 'pixel')}`
      : 'colours rotate: red shows as green or blue, and an end pixel is half lit';
  if (port.channel !== undefined && want.channel !== null && port.channel !== want.channel)
    add(
      'channel',
      String(raw.channel),
      shifted(Math.abs(port.channel - want.channel)),
      `type ${onScreen(want.channel, raw.channel, port.channel)} into ${side}`,
    );
  if (
    port.deviceChannel !== undefined &&
    want.deviceChannel !== null &&
    port.deviceChannel !== want.deviceChannel
  )
    add(
      'deviceChannel',
      String(raw.deviceChannel),
      shifted(Math.abs(port.deviceChannel - want.deviceChannel)),
      `type ${onScreen(want.deviceChannel, raw.deviceChannel, port.deviceChannel)} into ${side}`,
    );
  if (port.direction !== undefined && port.direction !== want.direction)
    add(
      'direction',
      port.direction,
      'the picture runs through this port from its far end',
      `set it to ${want.direction} on ${side}`,
    );
  if (port.colourOrder !== undefined) {
    const orders = runs.map((run) => colourPlan(plan, run));
    const { chips, controller, sender } = orders[0]!;
    const wanted = found.where === 'controller' ? controller : sender;
    const isOne = chips.length === 1 && orders.every((each) => each.chips[0] === chips[0]);
    if (isOne && port.colourOrder !== wanted) {
      const [atController, atSender] =
        found.where === 'controller' ? [port.colourOrder, sender] : [controller, port.colourOrder];
      const other = found.where === 'controller' ? 'the sender' : 'the controller';
      add(
        'colourOrder',
        port.colourOrder,
        sameColours(port.colourOrder, wanted)
          ? exchangeWords(chips[0]!, atController, atSender) || `nothing while ${other} is as planned`
          : port.colourOrder.length < wanted.length
            ? 'RGB on RGBW pixels: the pattern repeats every 3 lights, and a quarter stays dark'
            : 'RGBW on RGB pixels: the pattern repeats every 4 lights',
        `set ${wanted} on ${side}; ${other} is to be at ${found.where === 'controller' ? sender : controller}`,
        wanted,
      );
    }
  }
  return list;
}

const PLACE_FIELDS = ['universe', 'channel', 'deviceChannel'] as const;

/** Where a port starts, of the fields that place it. */
function placeOf(port: PortSettings): Partial<Pick<FoundPort, (typeof PLACE_FIELDS)[number]>> {
  return Object.fromEntries(
    PLACE_FIELDS.flatMap((field) => (port[field] === null ? [] : [[field, port[field]]])),
  );
}

function placeWords({ universe, channel }: PortSettings): string {
  return universe === null ? 'its start' : `U${universe} ch ${channel}`;
}

/** Ports of which each starts where the other is to start. */
function exchanges(planned: readonly PortSettings[], found: readonly FoundPort[]): Map<number, number> {
  const pairs = new Map<number, number>();
  const wanted = new Map(planned.map((port) => [port.port, port]));
  const isAt = (port: FoundPort, want: PortSettings) => {
    const said = PLACE_FIELDS.filter((field) => port[field] !== undefined && want[field] !== null);
    return said.length > 0 && said.every((field) => port[field] === want[field]);
  };
  for (const port of found) {
    const want = wanted.get(port.port);
    if (!want || isAt(port, want) || pairs.has(port.port)) continue;
    for (const other of found) {
      const wantOther = wanted.get(other.port);
      if (!wantOther || other.port <= port.port || pairs.has(other.port) || isAt(other, wantOther)) continue;
      if (isAt(port, wantOther) && isAt(other, want)) {
        pairs.set(port.port, other.port);
        pairs.set(other.port, port.port);
        break;
      }
    }
  }
  return pairs;
}

/** The same difference of universes on all ports, where there are several: a matter of counting, not of typing. */
function commonShift(planned: ReadonlyMap<number, PortSettings>, found: readonly FoundPort[]): number | null {
  const shifts = found.flatMap((port) => {
    const want = planned.get(port.port);
    return want && want.universe !== null && port.universe !== undefined
      ? [port.universe - want.universe]
      : [];
  });
  const first = shifts[0];
  return shifts.length > 1 && first !== 0 && shifts.every((shift) => shift === first) ? first! : null;
}

function ordinal(number: number): string {
  const ends = ['th', 'st', 'nd', 'rd'];
  const rest = number % 100;
  return `${number}${ends[(rest - 20) % 10] ?? ends[rest] ?? 'th'}`;
}
