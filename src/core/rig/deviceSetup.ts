import { z } from 'zod';
import { MOST_PORTS } from '../catalogue/controller';
import { deviceSettings } from '../devices/deviceSettings';
import type { DeviceState, PortState, RowState } from '../devices/deviceState';
import { inPlanNumbers } from '../devices/differences';
import type { FoundSettings } from '../devices/found';
import { MOST_PARTS, rowKey, type RowId } from '../devices/portRows';
import { basisOf, type DeviceBasis, type PortBasis } from '../devices/settings/basis';
import {
  HELD_BY_DEVICE,
  HELD_BY_PORT,
  SIMULATED_ON_DEVICE,
  SIMULATED_ON_PORT,
  type AnyHeld,
  type HeldOnDevice,
  type HeldOnPort,
} from '../devices/settings/registry';
import type { HeldSetting } from '../devices/settings/setting';
import { settingWords } from '../devices/settings/typed';
import { idSchema } from '../fields/fields';
import type { Plan } from '../plan/planned';
import { PROTOCOL_IDS, protocolOf } from '../protocols/registry';
import { changeDevice, controllerIndex } from './fault';
import type { Rig } from './rig';

type HeldValues = Omit<HeldOnPort, 'port' | 'part'>;

const portSetupSchema = z.strictObject({
  port: z.int().min(1).max(MOST_PORTS),
  part: z.int().min(2).max(MOST_PARTS).optional(),
  isOff: z.literal(true).optional(),
  ...SIMULATED_ON_PORT,
});
export type PortSetup = z.infer<typeof portSetupSchema>;

/** Settings of a device of the simulator that differ from the plan. Absent ones are as planned. */
export const deviceSetupSchema = z.strictObject({
  controllerId: idSchema,
  ...SIMULATED_ON_DEVICE,
  protocol: z.enum(PROTOCOL_IDS).optional(),
  isOutputOff: z.literal(true).optional(),
  brightnessPercent: z.int().min(0).max(100).optional(),
  limiterMa: z.int().min(1).max(200_000).optional(),
  ownTest: z.literal(true).optional(),
  /** A power cut takes what is typed here. */
  isUnsaved: z.literal(true).optional(),
  /** Values typed here are in force only after a power cut. */
  wantsRestart: z.literal(true).optional(),
  ports: z.array(portSetupSchema).max(MOST_PORTS).optional(),
});
export type DeviceSetup = z.infer<typeof deviceSetupSchema>;

/** Whether it says anything. */
export function isAsPlanned({ controllerId: _, ports = [], ...fields }: DeviceSetup): boolean {
  return (
    Object.values(fields).every((value) => value === undefined) &&
    ports.every(({ port: _port, part: _part, ...said }) =>
      Object.values(said).every((value) => value === undefined),
    )
  );
}

/** Values that were found, where they differ from the plan and the simulator takes them. */
function differing<Values extends object>(
  settings: readonly AnyHeld[],
  found: Readonly<Record<string, unknown>>,
  planned: Readonly<Record<string, unknown>>,
): Values {
  return Object.fromEntries(
    settings.flatMap(({ field, values, simulatedValues }) => {
      const read = (simulatedValues ?? values).schema.safeParse(found[field]);
      return read.success && read.data !== planned[field] ? [[field, read.data]] : [];
    }),
  ) as Values;
}

/** A setup of the simulated device from what was found on the real one. */
export function setupOfFound(plan: Plan, found: FoundSettings): DeviceSetup | null {
  const index = controllerIndex(plan, found);
  if (index === -1 || found.where !== 'controller') return null;
  const planned = deviceSettings(plan, index);
  const told = inPlanNumbers(basisOf(plan, index), found);
  const { ports, partial } = told;
  const known = new Set(ports.map(rowKey));
  const missing = planned.ports.filter((row) => !known.has(rowKey(row)));
  const ofPorts = ports.flatMap((port): PortSetup[] => {
    const want = planned.ports.find((each) => rowKey(each) === rowKey(port));
    if (!want) return [];
    const values = differing<HeldValues>(HELD_BY_PORT, port, { ...want });
    return Object.keys(values).length > 0 ? [{ ...rowId(port), ...values }] : [];
  });
  return {
    controllerId: found.controllerId,
    ...differing<HeldOnDevice>(HELD_BY_DEVICE, told, { ...planned }),
    // A list that was copied whole says of the others that they are off.
    ports: [
      ...ofPorts,
      ...(partial || ports.length === 0
        ? []
        : missing.map((row): PortSetup => ({ ...rowId(row), isOff: true }))),
    ],
  };
}

/** The display with devices that are set so. What is not there is left alone. */
export function withSetups(rig: Rig, setups: readonly DeviceSetup[]): Rig {
  return setups.reduce(
    (changed, setup) => changeDevice(changed, setup, (device) => setUp(rig.plan, device, setup)),
    rig,
  );
}

function setUp(plan: Plan, device: DeviceState, setup: DeviceSetup): Partial<DeviceState> {
  const basis = basisOf(plan, device.controller);
  const { protocol } = basis.device;
  const typed: Partial<Omit<DeviceState, 'controller' | 'afterCut'>> = {
    ...changedFields(device, withValues(device, HELD_BY_DEVICE, setup, basis)),
    ...(setup.protocol !== undefined && setup.protocol !== protocol && { isReached: false }),
    ...(setup.isOutputOff && { isOutputEnabled: false }),
    ...(setup.brightnessPercent !== undefined && { brightness: setup.brightnessPercent / 100 }),
    ...(setup.limiterMa !== undefined && { limiter: { amps: setup.limiterMa / 1000, pixelMa: 60 } }),
    ...(setup.ownTest && { ownTest: { colour: [0, 0, 255, 0] as const } }),
    ports: portsSetUp(device.ports, setup, basis),
  };
  const before = Object.fromEntries(
    Object.keys(typed).map((field) => [field, device[field as keyof typeof typed]]),
  );
  if (setup.wantsRestart) return { afterCut: { ...device.afterCut, ...typed } };
  return setup.isUnsaved ? { ...typed, afterCut: { ...device.afterCut, ...before } } : typed;
}

function portsSetUp(
  ports: readonly PortState[],
  setup: DeviceSetup,
  basis: DeviceBasis,
): readonly PortState[] {
  const said = new Map((setup.ports ?? []).map((each) => [rowKey(each), each]));
  const bases = new Map(basis.ports.map((each) => [rowKey(each.port), each]));
  return ports.map((port) => portSetUp(port, said, bases));
}

function portSetUp(
  port: PortState,
  setups: ReadonlyMap<string, PortSetup>,
  bases: ReadonlyMap<string, PortBasis>,
): PortState {
  const rowSetUp = <Row extends RowState>(row: Row, part: number): Row => {
    const key = rowKey({ port: port.port, part });
    const said = setups.get(key);
    const own = bases.get(key);
    if (!said || !own) return row;
    const held = { ...row, ...withValues<RowState, PortBasis>(row, HELD_BY_PORT, said, own) };
    // A part that is off holds no pixels.
    return said.isOff && own.port.parts > 1 ? { ...held, pixels: 0 } : held;
  };
  const held = rowSetUp(port, 1);
  const isOff = setups.get(rowKey(port))?.isOff;
  return {
    ...held,
    ...(isOff && port.moreRows.length === 0 && { isEnabled: false }),
    moreRows: port.moreRows.map((row, i) => rowSetUp(row, i + 2)),
  };
}

const rowId = ({ port, part = 1 }: RowId): RowId => (part === 1 ? { port } : { port, part });

/** A device, or a port of it, with all values that are said of it. */
function withValues<State, Basis>(
  state: State,
  settings: readonly Simulated<State, Basis>[],
  said: Readonly<Record<string, unknown>>,
  basis: Basis,
): State {
  return settings.reduce((held, { field, simulate }) => {
    const value = said[field];
    return typeof value === 'number' || typeof value === 'string' ? simulate(held, value, basis) : held;
  }, state);
}

type Simulated<State, Basis> = Pick<
  HeldSetting<string, string | number, string | number | null, Basis, State>,
  'field' | 'simulate'
>;

function changedFields(before: DeviceState, after: DeviceState): Partial<DeviceState> {
  return Object.fromEntries(
    Object.entries(after).filter(([field, value]) => before[field as keyof DeviceState] !== value),
  );
}

/** Differences of a device from the plan, in sentences. */
export function setupSentences(plan: Plan, setup: DeviceSetup): string[] {
  const index = controllerIndex(plan, setup);
  const device = plan.show.controllers[index];
  if (!device) return [];
  const planned = deviceSettings(plan, index);
  const said = (what: string, value: unknown, want: unknown) =>
    value === undefined ? [] : [`${what} ${String(value)}, planned ${want === null ? 'none' : String(want)}`];
  const held = (settings: readonly AnyHeld[], setup: object, want: object) =>
    settings.flatMap((setting) =>
      said(
        settingWords(setting, device),
        (setup as Record<string, unknown>)[setting.field],
        (want as Record<string, unknown>)[setting.field],
      ),
    );
  const own = [
    ...said(
      'protocol',
      setup.protocol && protocolOf({ protocol: setup.protocol }).name,
      protocolOf(device).name,
    ),
    ...held(HELD_BY_DEVICE, setup, planned),
    ...said('brightness in percent', setup.brightnessPercent, 100),
    ...said('limiter in mA', setup.limiterMa, null),
    ...(setup.isOutputOff ? ['its outputs are not enabled'] : []),
    ...(setup.ownTest ? ['it shows a test of its own'] : []),
    ...(setup.isUnsaved ? ['not saved: a power cut takes it'] : []),
    ...(setup.wantsRestart ? ['in force only after a restart'] : []),
  ];
  const ofPorts = (setup.ports ?? []).flatMap((port) => {
    const want = planned.ports.find((each) => rowKey(each) === rowKey(port));
    if (!want) return [];
    return [...(port.isOff ? ['off'] : []), ...held(HELD_BY_PORT, port, want)].map(
      (words) => `${want.name}: ${words}`,
    );
  });
  return [...own, ...ofPorts].map((words) => `${device.name}, ${words}.`);
}
