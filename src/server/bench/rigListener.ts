import dgram from 'node:dgram';
import { toldUniverse } from '@/core/addressing/numbering';
import { portName } from '@/core/catalogue/controller';
import { universesOfController } from '@/core/devices/universeSizes';
import { portRates } from '@/core/devices/portTiming';
import { portsOfController } from '@/core/plan/planIndex';
import { listensToGroups, protocolOf, universesOf } from '@/core/protocols/registry';
import type { HeardFigures } from '@/core/rig/benchState';
import { wireOf } from '@/core/rig/device';
import { Inbox } from '@/core/rig/inbox';
import { PortClock } from '@/core/rig/portClock';
import { lightOf, type Rig } from '@/core/rig/rig';
import { bound } from './sockets';
import { itemAt } from '@/core/units/there';
import { controllerAt } from '@/core/plan/records';

/** Nothing of the rig is heard from beyond this machine. */
export const RIG_ADDRESS = '127.0.0.1';
const FIRST_PORT = 47_000;
const TRIES = 2000;
/** Room for some pictures of a device with many universes. */
const BUFFER_BYTES = 1024 * 1024;
/** Universes that are heard on their groups. */
const MOST_GROUPS = 20;

interface Listening {
  socket: dgram.Socket;
  port: number;
}

/** A port of a device, and what of what came in is on its wire. */
interface SlowPort {
  controller: number;
  port: number;
  name: string;
  clock: PortClock;
  /** The frame on the wire while more has come in; null while it is all that came. */
  wire: Uint8Array | null;
}

/** The devices of a show as they listen on this machine, each with a socket of its own. */
export class RigListener {
  readonly notes: string[] = [];
  private readonly inboxes: Inbox[];
  private readonly listening: (Listening | null)[] = [];
  private readonly groups: dgram.Socket[] = [];
  private readonly slow: SlowPort[] = [];
  private frame = 0;

  private constructor(private rig: Rig) {
    const { plan } = rig;
    this.inboxes = plan.show.controllers.map((_, controller) => new Inbox(plan, controller));
    const rateOf = portRates(plan);
    plan.show.controllers.forEach((device, controller) => {
      for (const port of portsOfController(plan, controller)) {
        const rate = rateOf(port);
        if (!rate) continue;
        this.slow.push({
          controller,
          port: port.port,
          name: portName(device, port.port),
          clock: new PortClock(1000 / rate.rateHz),
          wire: null,
        });
      }
      itemAt(this.inboxes, controller).onPicture = () => this.pictureCame(controller);
    });
  }

  /** Opens a socket for each device, and up to twenty groups. What does not open is told in `notes`. */
  static async open(rig: Rig): Promise<RigListener> {
    const made = new RigListener(rig);
    const { controllers } = rig.plan.show;
    let next = FIRST_PORT;
    for (let controller = 0; controller < controllers.length; controller += 1) {
      const opened = await made.openPort(controller, next);
      made.listening.push(opened);
      if (opened) next = opened.port + 1;
    }
    await made.openGroups();
    return made;
  }

  /** Universes that are heard on their groups. */
  get groupCount(): number {
    return this.groups.length;
  }

  /** By index of the controller; null where nothing could be opened. */
  get ports(): (number | null)[] {
    return this.listening.map((each) => each?.port ?? null);
  }

  /** The display is another one, of the same devices. */
  setRig(rig: Rig): void {
    this.rig = rig;
  }

  /** The picture now, four bytes for each pixel of the plan. @param only controllers that are of interest */
  light(only?: ReadonlySet<number>): Uint8Array {
    const { plan } = this.rig;
    const now = performance.now();
    for (const slow of this.slow) if (slow.wire && slow.clock.due(now)) slow.wire = null;
    const held = new Map(
      this.slow.flatMap(({ controller, port, wire }) =>
        wire ? [[`${controller} ${port}`, wire] as const] : [],
      ),
    );
    this.frame += 1;
    return lightOf(
      this.rig,
      (device, port) =>
        held.get(`${device.controller} ${port.port}`) ??
        wireOf(plan, device, port, itemAt(this.inboxes, device.controller).sent),
      this.frame,
      only,
    );
  }

  report(): HeardFigures[] {
    return this.rig.plan.show.controllers.flatMap(({ id }, controller) => {
      const port = this.listening[controller]?.port;
      if (port === undefined) return [];
      const { packets, malformed, others, lost, pictures } = itemAt(this.inboxes, controller);
      return [
        {
          controllerId: id,
          port,
          packets,
          malformed,
          others,
          lost,
          pictures,
          slow: this.slow
            .filter((each) => each.controller === controller && each.clock.dropped > 0)
            .map(({ name, clock }) => ({
              port: name,
              shown: clock.shown,
              dropped: clock.dropped,
              frameMs: clock.frameMs,
            })),
        },
      ];
    });
  }

  close(): void {
    for (const each of this.listening) each?.socket.close();
    for (const socket of this.groups) socket.close();
  }

  private hear(controller: number, payload: Uint8Array): void {
    itemAt(this.inboxes, controller).hear(payload, performance.now());
  }

  /** Frames that go out on each port of a device: a busy wire keeps its frame. */
  private pictureCame(controller: number): void {
    const now = performance.now();
    for (const slow of this.slow) {
      if (slow.controller !== controller) continue;
      if (slow.wire && slow.clock.due(now)) slow.wire = null;
      if (slow.clock.offer(now)) slow.wire = null;
      else slow.wire ??= this.wireNow(slow);
    }
  }

  private wireNow({ controller, port }: SlowPort): Uint8Array {
    const device = itemAt(this.rig.devices, controller);
    const of = device.ports.find((each) => each.port === port);
    return of ? wireOf(this.rig.plan, device, of, itemAt(this.inboxes, controller).sent) : new Uint8Array(0);
  }

  private async openPort(controller: number, first: number): Promise<Listening | null> {
    const { name } = controllerAt(this.rig.plan, controller);
    for (let port = first; port < first + TRIES && port < 65_536; port += 1) {
      const socket = dgram.createSocket({ type: 'udp4' });
      const error = await bound(socket, port, RIG_ADDRESS);
      if (!error) {
        if (port !== first && this.notes.length < 20)
          this.notes.push(
            `Port ${first} of this machine is in use by another program; ${name} listens on ${port}.`,
          );
        this.tune(socket);
        socket.on('message', (payload, from) => {
          if (!this.answered(controller, socket, payload, from)) this.hear(controller, payload);
        });
        return { socket, port };
      }
      socket.close();
      if (error.code !== 'EADDRINUSE' && error.code !== 'EACCES') {
        this.notes.push(`${name} cannot listen on this machine: ${error.message}.`);
        return null;
      }
    }
    this.notes.push(`No port from ${first} on is free for ${name}.`);
    return null;
  }

  /** A device that is asked who it is says so. */
  private answered(
    controller: number,
    socket: dgram.Socket,
    payload: Uint8Array,
    from: { address: string; port: number },
  ): boolean {
    const { plan } = this.rig;
    const device = controllerAt(plan, controller);
    const { poll } = protocolOf(device);
    if (!poll?.isQuestion(payload)) return false;
    const state = itemAt(this.rig.devices, controller);
    if (!state.isPowered || !state.isReached) return true;
    const told = [...universesOfController(plan, controller).keys()].map(
      (universe) => toldUniverse(device, universe) + state.universeShift,
    );
    socket.send(poll.answer(device.name, told), from.port, from.address);
    return true;
  }

  private async openGroups(): Promise<void> {
    const { plan } = this.rig;
    const wanted = new Map<string, { port: number; controllers: number[] }>();
    plan.show.controllers.forEach((device, controller) => {
      const groupOf = listensToGroups(device) ? universesOf(device)?.groupOf : null;
      if (!groupOf) return;
      for (const universe of universesOfController(plan, controller).keys()) {
        const group = groupOf(toldUniverse(device, universe));
        const { controllers } = wanted.get(group) ?? { controllers: [] };
        wanted.set(group, { port: protocolOf(device).port, controllers: [...controllers, controller] });
      }
    });
    for (const [group, { port, controllers }] of [...wanted].slice(0, MOST_GROUPS)) {
      const socket = dgram.createSocket({ type: 'udp4', reuseAddr: true });
      // Bound to its group and joined on this machine alone, it hears nothing else.
      const error = await bound(socket, port, group);
      if (error) {
        this.notes.push(
          `Groups cannot be listened to here (${error.message}): all is sent to each device alone.`,
        );
        for (const each of [socket, ...this.groups.splice(0)]) each.close();
        return;
      }
      socket.addMembership(group, RIG_ADDRESS);
      this.tune(socket);
      socket.on('message', (payload) => {
        for (const controller of controllers) this.hear(controller, payload);
      });
      this.groups.push(socket);
    }
  }

  private tune(socket: dgram.Socket): void {
    socket.on('error', (error) => this.notes.push(`A socket of the simulator failed: ${error.message}.`));
    try {
      socket.setRecvBufferSize(BUFFER_BYTES);
    } catch {
      // Told below by what it is.
    }
    const got = socket.getRecvBufferSize();
    const told = 'This system caps the buffer of a socket at';
    if (got < BUFFER_BYTES && !this.notes.some((note) => note.startsWith(told)))
      this.notes.push(
        `${told} ${Math.round(got / 1024)} kB of ${BUFFER_BYTES / 1024} kB asked for: a burst of more is lost (net.core.rmem_max).`,
      );
  }
}
