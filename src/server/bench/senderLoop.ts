import dgram from 'node:dgram';
import { painted, patternById } from '@/core/patterns/registry';
import { stretchesOf, type Stretch } from '@/core/patterns/selection';
import type { Plan } from '@/core/plan/planned';
import type { SendingFigures, SentTest } from '@/core/rig/benchState';
import { Outgoing, type OutgoingPacket } from '@/core/rig/outgoing';
import { send, type SenderState, type Sent } from '@/core/rig/sending';
import { until } from './frameClock';
import { bound } from './sockets';
import { itemAt } from '@/core/units/there';
import { controllerAt } from '@/core/plan/records';

/** Target of packets for a controller. */
export interface Target {
  address: string;
  port: number;
}

export interface SenderSetting {
  /** By index of the controller; null where nothing is sent to it. Packets to groups have addresses of their own. */
  targets: readonly (Target | null)[];
  /** Universes that go to groups. */
  mostGroups: number;
  /** The address of this machine that is sent from; null for the one that the system chooses. */
  from: string | null;
  /** Links that are no network are stood in for. */
  withLinks: boolean;
  isSynced: boolean;
  rateHz: number;
  /** By index of the controller where it is lower. */
  rates: ReadonlyMap<number, number>;
}

/** A picture that begins later than this is late. */
export const LATE_MS = 5;
/** Packets go out in lots of so many, spread over part of the time of a picture, so that no buffer on the way runs over. */
const LOT = 40;
const SPREAD = 0.5;
/** The end of a stream is said three times (ANSI E1.31-2018, 6.2.6). */
const LAST_TIMES = 3;
/** Room for the packets of a whole picture: they are handed over faster than a network card sends them. */
const SEND_BUFFER_BYTES = 1024 * 1024;

/** Sends a test, picture after picture at a steady rate, until it is told to stop. */
export class SenderLoop {
  private readonly outgoing: Outgoing;
  private readonly sockets = new Map<string, dgram.Socket>();
  private readonly socketOf: (dgram.Socket | null)[] = [];
  private readonly figures = { frames: 0, packets: 0, late: 0, refused: 0, jitterSumMs: 0, jitterMostMs: 0 };
  private readonly sentTo: { packets: number; bytes: number }[];
  private since: { atMs: number; packets: number[]; bytes: number[] } = {
    atMs: performance.now(),
    packets: [],
    bytes: [],
  };
  private lastError: string | null = null;
  private isStopping = false;
  private isHandedOver = false;
  private test: SentTest;
  private stretches: Stretch[];
  private testBeganFrame = 0;
  /** The data now in the packets; a test that does not move is written into them once. */
  private held: Sent | null = null;

  constructor(
    private readonly plan: Plan,
    private readonly sender: SenderState,
    private readonly setting: SenderSetting,
    test: SentTest,
  ) {
    this.test = test;
    this.stretches = stretchesOf(plan, test.on);
    const { isSynced, mostGroups, withLinks } = setting;
    this.outgoing = new Outgoing(plan, this.picture(0), { isSynced, mostGroups, withLinks });
    this.sentTo = setting.targets.map(() => ({ packets: 0, bytes: 0 }));
  }

  setTest(test: SentTest): void {
    this.test = test;
    this.stretches = stretchesOf(this.plan, test.on);
    this.testBeganFrame = this.figures.frames;
    this.held = null;
  }

  /** Comes back when it was stopped and everything is dark. */
  async run(): Promise<void> {
    await this.open();
    const intervalMs = 1000 / this.setting.rateHz;
    let dueMs = performance.now() + intervalMs;
    while (!this.isStopping) {
      this.prepare(this.figures.frames);
      await until(dueMs);
      await this.sendPicture(this.figures.frames, dueMs, intervalMs);
      this.figures.frames += 1;
      dueMs += intervalMs;
      // Frames missed while the machine slept are not sent later.
      if (performance.now() > dueMs + 1000) dueMs = performance.now();
    }
    if (!this.isHandedOver) await this.end();
    for (const socket of this.sockets.values()) socket.close();
  }

  /** @param isHandedOver another one goes on at once: nothing is made dark between them */
  stop(isHandedOver = false): void {
    this.isStopping = true;
    this.isHandedOver = isHandedOver;
  }

  /** Figures so far, and those of the time since they were last asked for. */
  report(): SendingFigures {
    const now = performance.now();
    const seconds = Math.max(0.001, (now - this.since.atMs) / 1000);
    const { frames, packets, late, refused, jitterSumMs, jitterMostMs } = this.figures;
    const universes = this.setting.targets.map(() => 0);
    const groups = this.setting.targets.map(() => 0);
    for (const { controller, isGroup } of this.outgoing.packets) {
      universes[controller]! += 1;
      if (isGroup) groups[controller]! += 1;
    }
    const controllers = this.setting.targets.map((target, controller) => {
      const sent = itemAt(this.sentTo, controller);
      const to = target ? `${target.address}:${target.port}` : null;
      return {
        controllerId: controllerAt(this.plan, controller).id,
        to: itemAt(groups, controller) > 0 ? `${groups[controller]} groups${to ? `, ${to}` : ''}` : to,
        universes: itemAt(universes, controller),
        packetsPerS: (sent.packets - (this.since.packets[controller] ?? 0)) / seconds,
        mbits: (8 * (sent.bytes - (this.since.bytes[controller] ?? 0))) / seconds / 1e6,
      };
    });
    this.since = {
      atMs: now,
      packets: this.sentTo.map((each) => each.packets),
      bytes: this.sentTo.map((each) => each.bytes),
    };
    return {
      frames,
      packets,
      late,
      refused,
      lastError: this.lastError,
      jitterMs: { mean: frames === 0 ? 0 : jitterSumMs / frames, most: jitterMostMs },
      controllers,
    };
  }

  private picture(frame: number, test: SentTest = this.test): Sent {
    const { pattern, level, colour, step } = test;
    const wanted = painted(patternById(pattern)!, {
      plan: this.plan,
      stretches: this.stretches,
      timeS: (frame - this.testBeganFrame) / this.setting.rateHz,
      step,
      level,
      colour: colour,
    });
    return send(this.plan, this.sender, wanted);
  }

  /** Has the packets of a picture ready before it is due. */
  private prepare(frame: number): void {
    const moves = patternById(this.test.pattern)!.isMoving && this.test.step === null;
    if (!this.held || moves) this.held = this.picture(frame);
    this.outgoing.write(this.held, frame);
  }

  private isDue({ controller }: OutgoingPacket, frame: number): boolean {
    const rate = this.setting.rates.get(controller);
    if (rate === undefined || rate >= this.setting.rateHz) return true;
    const share = rate / this.setting.rateHz;
    return Math.floor((frame + 1) * share) !== Math.floor(frame * share);
  }

  private async sendPicture(frame: number, dueMs: number, intervalMs: number): Promise<void> {
    const lateMs = Math.max(0, performance.now() - dueMs);
    this.figures.jitterSumMs += lateMs;
    this.figures.jitterMostMs = Math.max(this.figures.jitterMostMs, lateMs);
    if (lateMs > LATE_MS) this.figures.late += 1;
    const { packets } = this.outgoing;
    const gapMs = (intervalMs * SPREAD * LOT) / Math.max(LOT, packets.length);
    for (let first = 0; first < packets.length; first += LOT) {
      if (first > 0) await until(dueMs + (gapMs * first) / LOT);
      const end = Math.min(packets.length, first + LOT);
      for (let i = first; i < end; i += 1) if (this.isDue(itemAt(packets, i), frame)) this.sendPacket(i);
    }
  }

  private sendPacket(index: number): void {
    const socket = this.socketOf[index];
    if (!socket) return;
    const { controller, payload } = itemAt(this.outgoing.packets, index);
    socket.send(payload);
    this.figures.packets += 1;
    const sent = itemAt(this.sentTo, controller);
    sent.packets += 1;
    sent.bytes += payload.length;
  }

  /** A socket for each target: one that is connected need not look up where a packet goes. */
  private async open(): Promise<void> {
    for (const { controller, to, toPort, isGroup } of this.outgoing.packets) {
      const target = isGroup ? { address: to, port: toPort } : this.setting.targets[controller]!;
      this.socketOf.push(target && (await this.socketTo(target, isGroup)));
    }
  }

  private async socketTo({ address, port }: Target, isGroup: boolean): Promise<dgram.Socket | null> {
    const key = `${address}:${port}`;
    const known = this.sockets.get(key);
    if (known) return known;
    const socket = dgram.createSocket('udp4');
    // Nobody there, no way there: told, and no reason to stop.
    socket.on('error', (error) => {
      this.figures.refused += 1;
      this.lastError = `${key}: ${error.message}`;
    });
    const { from } = this.setting;
    const failed = (await bound(socket, 0, from ?? '0.0.0.0')) ?? (await connected(socket, port, address));
    if (failed) {
      this.lastError = `${key}: ${failed.message}`;
      socket.close();
      return null;
    }
    if (isGroup && from) {
      socket.setMulticastInterface(from);
      socket.setMulticastLoopback(true);
    }
    try {
      socket.setSendBufferSize(SEND_BUFFER_BYTES);
    } catch {
      // The usual size has to do.
    }
    this.sockets.set(key, socket);
    return socket;
  }

  /** Everything is dark, and streams say that they end. */
  private async end(): Promise<void> {
    this.setTest({ ...this.test, pattern: 'off', step: null });
    const dark = this.picture(0);
    for (let time = 0; time < LAST_TIMES; time += 1) {
      this.outgoing.write(dark, this.figures.frames + time, time > 0);
      for (let i = 0; i < this.outgoing.packets.length; i += 1) {
        this.sendPacket(i);
        if (i % LOT === LOT - 1) await until(performance.now() + 1);
      }
      await until(performance.now() + 5);
    }
  }
}

/** @returns why there is no way to an address; null where there is */
function connected(socket: dgram.Socket, port: number, address: string): Promise<Error | null> {
  return new Promise((resolve) => {
    // The types of Node leave out that it is told an error.
    const told: (error?: Error) => void = (error) => resolve(error ?? null);
    socket.connect(port, address, told);
  });
}
