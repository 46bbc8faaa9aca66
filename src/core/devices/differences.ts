import type { Controller } from '../catalogue/controller';
import type { LaidShow } from '../plan/planned';
import type { Counting } from './counting';
import { rowKey, rowName, type RowId } from './portRows';
import { deviceSettings } from './deviceSettings';
import type { FoundPort, FoundSettings } from './found';
import { sentUniverses } from './sent';
import { basisOf, type DeviceBasis, type PortBasis } from './settings/basis';
import {
  HELD_BY_DEVICE,
  HELD_BY_PORT,
  type DeviceSettings,
  type HeldPortField,
  type PortSettings,
} from './settings/registry';
import type { HeldSetting } from './settings/setting';
import { settingId, settingWords } from './settings/typed';
import { itemAt, valueIn } from '../units/there';
import { controllerAt } from '../plan/records';

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

/** Values common to every comparison of one device. */
interface Comparison {
  plan: LaidShow;
  /** Index of the controller in the show. */
  index: number;
  device: Controller;
  basis: DeviceBasis;
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
  const device = controllerAt(plan, index);
  const of: Comparison = { plan, index, device, basis: basisOf(plan, index), found, planned, side };
  return [...deviceDifferences(of), ...universeDifferences(of), ...portDifferences(of)];
}

/** The parts of a setting that a comparison needs. */
type Comparable<Basis> = Omit<
  HeldSetting<string, string | number, string | number | null, Basis>,
  'simulate' | 'values' | 'simulatedValues'
>;

/** One difference of a value that can be compared; null where there is none. */
function compared<Basis>(
  of: Comparison,
  setting: Comparable<Basis>,
  basis: Basis,
  raw: string | number | undefined,
  shift: number | null,
): Pick<Difference, 'what' | 'planned' | 'found' | 'symptom' | 'mend'> | null {
  if (raw === undefined) return null;
  const {
    found: { where, counting = {} },
    side,
  } = of;
  const planned = setting.plannedAt ? setting.plannedAt(basis, where) : setting.planned(basis);
  // Words stand where one value cannot be compared, as with gaps among the universes.
  if (planned === null || typeof planned !== typeof raw) return null;
  const more = setting.shift?.(counting, basis) ?? 0;
  const found = typeof raw === 'number' ? raw - more : raw;
  if (found === planned) return null;
  const toType = typeof planned === 'number' ? planned + more : planned;
  return {
    what: settingWords(setting, of.device),
    planned: String(toType),
    found: String(raw),
    ...setting.whenWrong({ basis, planned, found, toType, where, side, shift }),
  };
}

function deviceDifferences(of: Comparison): Difference[] {
  return HELD_BY_DEVICE.flatMap((setting) => {
    const difference = compared(of, setting, of.basis, of.found[setting.field], null);
    return difference ? [{ field: settingId(setting.field), port: '', ...difference }] : [];
  });
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

/** Values of one port, in the numbers of the plan. */
function portAsTold(port: FoundPort, basis: PortBasis | undefined, counting: Counting): FoundPort {
  if (!basis) return port;
  return Object.fromEntries(
    Object.entries(port).map(([field, value]) => {
      const more = HELD_BY_PORT.find((setting) => setting.field === field)?.shift?.(counting, basis);
      return [field, more === undefined || typeof value !== 'number' ? value : value - more];
    }),
  ) as FoundPort;
}

/** Found values in the numbers of the plan, however the screen that was read counts. */
export function inPlanNumbers(basis: DeviceBasis, found: FoundSettings): FoundSettings {
  const { counting = {} } = found;
  const bases = new Map(basis.ports.map((each) => [rowKey(each.port), each]));
  const whole = HELD_BY_DEVICE.flatMap(({ field, shift }): [string, number][] => {
    const value = found[field];
    return typeof value === 'number' && shift ? [[field, value - shift(counting, basis)]] : [];
  });
  return {
    ...found,
    ...Object.fromEntries(whole),
    ports: found.ports.map((port) => portAsTold(port, bases.get(rowKey(port)), counting)),
  };
}

function portDifferences(of: Comparison): Difference[] {
  const { basis, found, planned, side, device } = of;
  const list: Difference[] = [];
  const wanted = new Map(planned.ports.map((port) => [rowKey(port), port]));
  const bases = new Map(basis.ports.map((each) => [rowKey(each.port), each]));
  const ports = inPlanNumbers(basis, found).ports;
  const exchanged = exchanges(planned.ports, ports);
  const shift = commonShift(wanted, ports);
  for (const [i, port] of ports.entries()) {
    const key = rowKey(port);
    const want = wanted.get(key);
    const name = rowName(device, want ?? port);
    if (!want) {
      if ((port.pixels ?? 0) > 0)
        list.push({
          field: settingId('pixels', port),
          port: name,
          what: 'pixels',
          planned: '0',
          found: String(port.pixels),
          symptom: 'this port listens to channels that another prop uses, and lights along with it',
          mend: `switch the port off on ${side}`,
        });
      continue;
    }
    const other = exchanged.get(key);
    if (other !== undefined) {
      // Said once for the two of them.
      if (isBefore(port, other))
        list.push({
          field: settingId('universe', port),
          port: `${name}, ${rowName(device, other)}`,
          what: 'ports',
          planned: `${placeWords(want)} on ${name}`,
          found: `exchanged: it is on ${rowName(device, other)}`,
          symptom: `what is meant for ${name} is seen on ${rowName(device, other)}, and the other way round`,
          mend: `exchange the two on ${side}, or the plugs`,
        });
      list.push(...onePort(of, valueIn(bases, key), without(itemAt(found.ports, i), PLACES), null));
      continue;
    }
    list.push(...onePort(of, valueIn(bases, key), itemAt(found.ports, i), shift));
  }
  for (const want of found.partial || ports.length === 0 ? [] : planned.ports)
    if (!ports.some((port) => rowKey(port) === rowKey(want)))
      list.push({
        field: settingId('pixels', want),
        port: want.name,
        what: 'port',
        planned: want.pixels === null ? 'in use' : `${want.pixels} pixels`,
        found: 'not listed',
        symptom: 'this port stays dark if it is really off',
        mend: `look at it on ${side}, or switch it on there`,
      });
  return list;
}

/** @param raw as it was read, to be shown in the numbers of its own screen */
function onePort(
  of: Comparison,
  basis: PortBasis,
  raw: Partial<FoundPort>,
  shift: number | null,
): Difference[] {
  const { device, port } = basis;
  return HELD_BY_PORT.flatMap((setting) => {
    const difference = compared(of, setting, basis, raw[setting.field], shift);
    return difference
      ? [{ field: settingId(setting.field, port), port: rowName(device, port), ...difference }]
      : [];
  });
}

/** Settings by which a port is told where it starts. */
const PLACES = HELD_BY_PORT.filter(({ startsBy }) => startsBy !== undefined).map(({ field }) => field);

function without(port: FoundPort, fields: readonly HeldPortField[]): Partial<FoundPort> {
  return Object.fromEntries(
    Object.entries(port).filter(([field]) => !fields.includes(field as HeldPortField)),
  );
}

function placeWords({ universe, channel }: PortSettings): string {
  return universe === null ? 'its start' : `U${universe} ch ${channel}`;
}

/** In the order of ports, and along their wires. */
const isBefore = (a: RowId, b: RowId) =>
  a.port < b.port || (a.port === b.port && (a.part ?? 1) < (b.part ?? 1));

/** Rows of which each starts where the other is to start. */
function exchanges(planned: readonly PortSettings[], found: readonly FoundPort[]): Map<string, RowId> {
  const pairs = new Map<string, RowId>();
  const wanted = new Map(planned.map((port) => [rowKey(port), port]));
  const isAt = (port: FoundPort, want: PortSettings) => {
    const said = PLACES.filter((field) => port[field] !== undefined && want[field] !== null);
    return said.length > 0 && said.every((field) => port[field] === want[field]);
  };
  for (const port of found) {
    const want = wanted.get(rowKey(port));
    if (!want || isAt(port, want) || pairs.has(rowKey(port))) continue;
    for (const other of found) {
      const wantOther = wanted.get(rowKey(other));
      if (!wantOther || !isBefore(port, other) || pairs.has(rowKey(other)) || isAt(other, wantOther))
        continue;
      if (isAt(port, wantOther) && isAt(other, want)) {
        pairs.set(rowKey(port), wantOther);
        pairs.set(rowKey(other), want);
        break;
      }
    }
  }
  return pairs;
}

/** The same difference of universes on all ports, where there are several: a matter of counting, not of typing. */
function commonShift(planned: ReadonlyMap<string, PortSettings>, found: readonly FoundPort[]): number | null {
  const shifts = found.flatMap((port) => {
    const want = planned.get(rowKey(port));
    return want && want.universe !== null && port.universe !== undefined
      ? [port.universe - want.universe]
      : [];
  });
  const first = shifts[0];
  return shifts.length > 1 && first !== 0 && shifts.every((shift) => shift === first) ? first! : null;
}
