import { portsOfController } from '../plan/planIndex';
import type { Plan } from '../plan/planned';
import { noise, plannedChain, showChain, type Chain } from './chain';
import type { DeviceState, OwnTest, PortState } from '../devices/deviceState';
import { plannedDevice, wireOf } from './device';
import { PLANNED_SENDER, send, type SenderState, type Sent } from './sending';
import { itemAt } from '../units/there';

/** A display with its devices and its sender, as they are: as planned, but for what is the matter. */
export interface Rig {
  plan: Plan;
  sender: SenderState;
  devices: readonly DeviceState[];
  chains: readonly Chain[];
  /** Pixels that show what others show, whatever is theirs: data that was put on several outputs. */
  copies: readonly PixelCopies[];
}

/** Indices in the table of the plan. */
interface PixelCopies {
  controller: number;
  from: Int32Array;
  to: Int32Array;
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
    copies: [],
  };
}

/** The display after its power was cut and came back: what was not saved is gone, what waited for a restart is in force. */
export function afterPowerCut(rig: Rig): Rig {
  return { ...rig, devices: rig.devices.map((device) => ({ ...device, ...device.afterCut })) };
}

/** The part to look at: all chains, or those of some controllers. */
type Only = ReadonlySet<number> | undefined;

/**
 * The light of the display under a picture that is sent: four bytes for each pixel of the plan.
 *
 * @param wanted the picture, four bytes for each pixel
 * @param frame counts pictures: what flickers does so from one to the next
 */
export function lightOfSent(rig: Rig, wanted: Uint8Array, frame = 0, only?: Only): Uint8Array {
  const sent = send(rig.plan, rig.sender, wanted, only);
  return lightOfReceived(rig, () => sent, frame, only);
}

/** The same of a picture that moves: a device whose link is slow still has an older one. @param wantedAt the picture at a time, in s */
export function lightOfMoving(
  rig: Rig,
  wantedAt: (timeS: number) => Uint8Array,
  timeS: number,
  frame = 0,
  only?: Only,
): Uint8Array {
  const sentAt = new Map<number, Sent>();
  return lightOfReceived(
    rig,
    (controller) => {
      const { holdHz } = itemAt(rig.devices, controller);
      const at = holdHz === null ? timeS : Math.floor(timeS * holdHz) / holdHz;
      let sent = sentAt.get(at);
      if (!sent) sentAt.set(at, (sent = send(rig.plan, rig.sender, wantedAt(at), only)));
      return sent;
    },
    frame,
    only,
  );
}

/** The picture of the display from packets. @param sentTo packets that each controller heard, by its index */
export function lightOfReceived(
  rig: Rig,
  sentTo: (controller: number) => Sent,
  frame = 0,
  only?: Only,
): Uint8Array {
  return lightOf(
    rig,
    (device, port) => wireOf(rig.plan, device, port, sentTo(device.controller)),
    frame,
    only,
  );
}

/** The picture of a device's own test; the other devices show nothing. */
export function lightOfOwnTest(rig: Rig, controller: number, ownTest: OwnTest, frame = 0): Uint8Array {
  const nothing = { universes: new Map(), flat: new Map() };
  return lightOf(
    rig,
    (device, port) => wireOf(rig.plan, { ...device, ownTest }, port, nothing),
    frame,
    new Set([controller]),
    true,
  );
}

/** The picture of bytes on the wires of its ports. */
export function lightOf(
  { plan, devices, chains, copies }: Rig,
  wire: (device: DeviceState, port: PortState) => Uint8Array,
  frame: number,
  only?: Only,
  isOwnTest = false,
): Uint8Array {
  const light = new Uint8Array(4 * plan.pixelCount);
  for (const device of devices) {
    if (only && !only.has(device.controller)) continue;
    const own = chains.filter((chain) => chain.controller === device.controller);
    const wires = wiresOfDevice(plan, device, own, wire, frame, isOwnTest);
    own.forEach((chain, i) => {
      const bytes = wires[i];
      if (bytes) showChain(chain, bytes, light, frame);
    });
  }
  for (const { controller, from, to } of copies)
    if (!only || only.has(controller))
      from.forEach((source, i) => light.copyWithin(4 * to[i]!, 4 * source, 4 * source + 4));
  return light;
}

/**
 * The data that a device puts on the wires of some of its chains, in their order; null where a chain is on no port of it.
 *
 * @param wire what it would put there of what came in
 */
export function wiresOfDevice(
  plan: Plan,
  device: DeviceState,
  own: readonly Chain[],
  wire: (device: DeviceState, port: PortState) => Uint8Array,
  frame: number,
  isOwnTest = false,
): (Uint8Array | null)[] {
  const wires = own.map((chain) => {
    const port = device.ports.find((each) => each.port === chain.port);
    if (!port) return null;
    // Another sender’s picture comes in turn with ours.
    const isRivals = device.rival && !isOwnTest && !device.ownTest && device.isReached && frame % 2 === 1;
    const bytes = isRivals
      ? wireOf(plan, { ...device, ownTest: { colour: device.rival! } }, port, NOTHING)
      : wire(device, port);
    return port.chatter > 0 ? withChatter(bytes, port, frame) : bytes;
  });
  const scale = limiterScale(device, wires);
  return scale < 1 ? wires.map((bytes) => bytes && bytes.map((byte) => Math.floor(byte * scale))) : wires;
}

const NOTHING: Sent = { universes: new Map(), flat: new Map() };

/** Messages of another program on the pin: the first lights take them for theirs. */
function withChatter(wire: Uint8Array, { port, chatter }: PortState, frame: number): Uint8Array {
  const made = Uint8Array.from(wire);
  const end = Math.min(made.length, 3 * chatter);
  for (let i = 0; i < end; i += 1) made[i] = noise(frame, i, port);
  return made;
}

/** The frame behind a limiter: it adds up bytes times a figure, and knows nothing of wires. */
function limiterScale({ limiter }: DeviceState, wires: readonly (Uint8Array | null)[]): number {
  if (!limiter) return 1;
  let sum = 0;
  for (const wire of wires) if (wire) for (const byte of wire) sum += byte;
  const amps = ((sum / (3 * 255)) * limiter.pixelMa) / 1000;
  return amps > limiter.amps ? limiter.amps / amps : 1;
}
