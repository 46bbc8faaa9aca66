import { z } from 'zod';
import { universeOn } from '../addressing/numbering';
import { PROTOCOL_NAMES, PROTOCOLS } from '../catalogue/controller';
import { deviceSettings } from '../devices/deviceSettings';
import { inPlanNumbers } from '../devices/differences';
import type { FoundSettings } from '../devices/found';
import { DIRECTIONS } from '../devices/settings';
import { idSchema } from '../fields/fields';
import type { Plan } from '../plan/planned';
import type { DeviceState, PortState } from './device';
import { changeDevice, controllerIndex } from './fault';
import type { Rig } from './rig';

const order = z
  .string()
  .regex(/^[RGBW]{1,4}$/, 'letters of R, G, B and W, as GRB')
  .refine((letters) => new Set(letters).size === letters.length, 'each letter once');

const portSetupSchema = z.strictObject({
  port: z.int().min(1).max(256),
  isOff: z.literal(true).optional(),
  pixels: z.int().min(0).max(100_000).optional(),
  hiddenPixels: z.int().min(0).max(10_000).optional(),
  /** As the device counts: the port-address under Art-Net. */
  universe: z.int().min(0).max(63_999).optional(),
  channel: z.int().min(1).max(512).optional(),
  colourOrder: order.optional(),
  direction: z.enum(DIRECTIONS).optional(),
});
export type PortSetup = z.infer<typeof portSetupSchema>;

/** What a device of the rig holds otherwise than planned. What is absent is as planned. */
export const deviceSetupSchema = z.strictObject({
  controllerId: idSchema,
  /** As the device counts. */
  firstUniverse: z.int().min(0).max(63_999).optional(),
  channelsPerUniverse: z.int().min(1).max(512).optional(),
  protocol: z.enum(PROTOCOLS).optional(),
  isOutputOff: z.literal(true).optional(),
  brightnessPercent: z.int().min(0).max(100).optional(),
  limiterMa: z.int().min(1).max(200_000).optional(),
  ownTest: z.literal(true).optional(),
  /** A power cut takes what is typed here. */
  isUnsaved: z.literal(true).optional(),
  /** What is typed here is in force only after a power cut. */
  wantsRestart: z.literal(true).optional(),
  ports: z.array(portSetupSchema).max(256).optional(),
});
export type DeviceSetup = z.infer<typeof deviceSetupSchema>;

/** Whether it says anything. */
export function isAsPlanned({ controllerId: _, ports = [], ...fields }: DeviceSetup): boolean {
  return (
    Object.values(fields).every((value) => value === undefined) &&
    ports.every(({ port: _port, ...said }) => Object.values(said).every((value) => value === undefined))
  );
}

/** What was found on a device, as the setup of its twin on the rig. */
export function setupOfFound(plan: Plan, found: FoundSettings): DeviceSetup | null {
  const index = controllerIndex(plan, found);
  if (index === -1 || found.where !== 'controller') return null;
  const planned = deviceSettings(plan, index);
  const { firstUniverse, channelsPerUniverse, ports, partial } = inPlanNumbers(planned, found);
  const known = new Set(ports.map(({ port }) => port));
  const isFound = planned.ports.filter(({ port }) => !known.has(port));
  const made: DeviceSetup = {
    controllerId: found.controllerId,
    ...(firstUniverse !== undefined && firstUniverse !== planned.firstUniverse && { firstUniverse }),
    ...(channelsPerUniverse !== undefined &&
      channelsPerUniverse !== planned.channelsPerUniverse && { channelsPerUniverse }),
    ports: [
      ...ports.flatMap((port): PortSetup[] => {
        const want = planned.ports.find((each) => each.port === port.port);
        if (!want) return [];
        const read = order.safeParse(port.colourOrder);
        const isMoved =
          (port.universe !== undefined && port.universe !== want.universe) ||
          (port.channel !== undefined && port.channel !== want.channel);
        return [
          {
            port: port.port,
            ...(port.pixels !== undefined && port.pixels !== want.pixels && { pixels: port.pixels }),
            ...(port.hiddenPixels !== undefined &&
              port.hiddenPixels !== want.hiddenPixels && { hiddenPixels: port.hiddenPixels }),
            ...(isMoved && {
              universe: port.universe ?? want.universe ?? 1,
              channel: Math.max(1, port.channel ?? want.channel ?? 1),
            }),
            ...(read.success && read.data !== want.colourOrder && { colourOrder: read.data }),
            ...(port.direction && port.direction !== want.direction && { direction: port.direction }),
          },
        ];
      }),
      // A list that was copied whole says of the others that they are off.
      ...(partial || ports.length === 0 ? [] : isFound.map(({ port }): PortSetup => ({ port, isOff: true }))),
    ].filter(({ port: _, ...said }) => Object.keys(said).length > 0),
  };
  return made;
}

/** The display with devices that are set so. What is not there is left alone. */
export function withSetups(rig: Rig, setups: readonly DeviceSetup[]): Rig {
  return setups.reduce(
    (changed, setup) => changeDevice(changed, setup, (device) => setUp(rig.plan, device, setup)),
    rig,
  );
}

function setUp(plan: Plan, device: DeviceState, setup: DeviceSetup): Partial<DeviceState> {
  const planned = deviceSettings(plan, device.controller);
  const { protocol } = plan.show.controllers[device.controller]!;
  const typed: Partial<Omit<DeviceState, 'controller' | 'afterCut'>> = {
    ...(setup.firstUniverse !== undefined &&
      planned.firstUniverse !== null && { universeShift: setup.firstUniverse - planned.firstUniverse }),
    ...(setup.channelsPerUniverse !== undefined && { universeChannels: setup.channelsPerUniverse }),
    ...(setup.protocol !== undefined && setup.protocol !== protocol && { isReached: false }),
    ...(setup.isOutputOff && { isOutputEnabled: false }),
    ...(setup.brightnessPercent !== undefined && { brightness: setup.brightnessPercent / 100 }),
    ...(setup.limiterMa !== undefined && { limiter: { amps: setup.limiterMa / 1000, pixelMa: 60 } }),
    ...(setup.ownTest && { ownTest: { colour: [0, 0, 255, 0] as const } }),
    ports: device.ports.map((port) => {
      const said = setup.ports?.find((each) => each.port === port.port);
      return said ? portSetUp(plan, device, port, said) : port;
    }),
  };
  const before = Object.fromEntries(
    Object.keys(typed).map((field) => [field, device[field as keyof typeof typed]]),
  ) as typeof typed;
  if (setup.wantsRestart) return { afterCut: { ...device.afterCut, ...typed } };
  return setup.isUnsaved ? { ...typed, afterCut: { ...device.afterCut, ...before } } : typed;
}

function portSetUp(plan: Plan, device: DeviceState, port: PortState, said: PortSetup): PortState {
  const controller = plan.show.controllers[device.controller]!;
  const planned = deviceSettings(plan, device.controller).ports.find((each) => each.port === port.port);
  const isMoved = said.universe !== undefined || said.channel !== undefined;
  const universe = said.universe ?? planned?.universe ?? null;
  return {
    ...port,
    ...(said.isOff && { isEnabled: false }),
    ...(said.pixels !== undefined && { pixels: said.pixels }),
    ...(said.direction !== undefined && { direction: said.direction }),
    ...(isMoved && {
      start: {
        universe:
          universe === null || controller.protocol !== 'artnet' ? universe : universeOn(controller, universe),
        channel: said.channel ?? planned?.channel ?? 1,
      },
    }),
    segments: port.segments.map((segment, i) => ({
      ...segment,
      ...(i === 0 && said.hiddenPixels !== undefined && { hidden: said.hiddenPixels }),
      ...(said.colourOrder !== undefined && { colourOrder: said.colourOrder }),
    })),
  };
}

/** What a device holds otherwise than planned, in sentences. */
export function setupSentences(plan: Plan, setup: DeviceSetup): string[] {
  const index = controllerIndex(plan, setup);
  const device = plan.show.controllers[index];
  if (!device) return [];
  const planned = deviceSettings(plan, index);
  const said = (what: string, value: unknown, want: unknown) =>
    value === undefined ? [] : [`${what} ${String(value)}, planned ${want === null ? 'none' : String(want)}`];
  const own = [
    ...said('protocol', setup.protocol && PROTOCOL_NAMES[setup.protocol], PROTOCOL_NAMES[device.protocol]),
    ...said('first universe', setup.firstUniverse, planned.firstUniverse),
    ...said('channels a universe', setup.channelsPerUniverse, planned.channelsPerUniverse),
    ...said('brightness in percent', setup.brightnessPercent, 100),
    ...said('limiter in mA', setup.limiterMa, null),
    ...(setup.isOutputOff ? ['its outputs are not enabled'] : []),
    ...(setup.ownTest ? ['it shows a test of its own'] : []),
    ...(setup.isUnsaved ? ['not saved: a power cut takes it'] : []),
    ...(setup.wantsRestart ? ['in force only after a restart'] : []),
  ];
  const ofPorts = (setup.ports ?? []).flatMap((port) => {
    const want = planned.ports.find((each) => each.port === port.port);
    if (!want) return [];
    return [
      ...(port.isOff ? ['off'] : []),
      ...said('pixels', port.pixels, want.pixels),
      ...said('hidden pixels', port.hiddenPixels, want.hiddenPixels),
      ...said('start universe', port.universe, want.universe),
      ...said('start channel', port.channel, want.channel),
      ...said('colour order', port.colourOrder, want.colourOrder),
      ...said('direction', port.direction, want.direction),
    ].map((words) => `${want.name}: ${words}`);
  });
  return [...own, ...ofPorts].map((words) => `${device.name}, ${words}.`);
}
