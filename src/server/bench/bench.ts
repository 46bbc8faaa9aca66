import 'server-only';
import os from 'node:os';
import { Worker } from 'node:worker_threads';
import {
  HELD_FOR_MS,
  SENDING_MINUTES,
  type BenchRequest,
  type BenchState,
  type SendWish,
  type SentTest,
} from '@/core/rig/benchState';
import { rigSetup } from '@/core/rig/rigFacts';
import { currentFacts, Facts } from '@/core/show/facts';
import { protocolOf } from '@/core/protocols/registry';
import { dataFolder } from '../dataFolder';
import { shows } from '../repository';
import type { RigAsks, SenderAsks } from './asks';
import { BenchAsks, BenchRefuses } from './benchErrors';
import { pollDevice } from './poll';
import { RIG_ADDRESS } from './rigListener';
import { ThreadCalls } from './threadCalls';
import { placeInProcess } from '../process';

interface Sending {
  test: SentTest;
  wish: SendWish;
  by: string | null;
  endsAtMs: number;
  timer: ReturnType<typeof setTimeout>;
  /** Ends a test that is held and not heard of any more; null for one that is not held. */
  lost: ReturnType<typeof setTimeout> | null;
}

interface Opened {
  showId: string;
  rig: ThreadCalls<RigAsks>;
  sender: ThreadCalls<SenderAsks>;
  listening: { ports: (number | null)[]; groups: number; notes: string[] };
  sending: Sending | null;
  /** The safe level of the show as it was when it was last asked for. */
  safe: Promise<{ percent: number; heldBackBy: string | null } | null> | null;
  stopListening: () => void;
  /** Waits for changes that come one after another. */
  reload: ReturnType<typeof setTimeout> | null;
  seenMs: number;
  /** The differences of its simulator from the plan, as text. */
  setup: string;
  watch: ReturnType<typeof setInterval>;
}

/** Addresses are those of the show, however it is sent. */
const ANY_WISH: SendWish = { to: 'devices', rateHz: 20, isSynced: false, minutes: SENDING_MINUTES.usual };

const RELOAD_AFTER_MS = 250;
/** A rig that nobody looks at, and that nothing is sent to, is closed. */
const UNSEEN_MS = 30_000;
/** Up to here nobody is asked: it is what tests begin with. */
const LOW_LEVEL = 0.3;

/** The one rig of this process, and what is sent. */
class Bench {
  private opened: Opened | null = null;
  /** Addresses beyond this machine that were agreed to since the start. */
  private readonly confirmed = new Set<string>();
  /** Requests are done one after another. */
  private last: Promise<unknown> = Promise.resolve();

  async state(showId: string): Promise<BenchState> {
    const { opened } = this;
    if (opened?.showId !== showId)
      return {
        isOpen: false,
        takenBy: opened ? shows().get(opened.showId).show.name : null,
        notes: [],
        sending: null,
        heard: [],
      };
    opened.seenMs = Date.now();
    const { sending } = opened;
    const [{ heard, notes }, figures] = await Promise.all([
      opened.rig.ask('report', null),
      sending ? opened.sender.ask('report', null) : null,
    ]);
    return {
      isOpen: true,
      takenBy: null,
      notes,
      sending: sending && {
        test: sending.test,
        wish: sending.wish,
        by: sending.by,
        isHeld: sending.lost !== null,
        leftMs: Math.max(0, sending.endsAtMs - Date.now()),
        figures,
      },
      heard,
    };
  }

  /**
   * @param isPhone whether a phone asks: where it is sent beyond this machine is agreed to at the laptop
   * @throws BenchAsks where something has to be agreed to first, BenchRefuses where it cannot be done, NoSuchShow
   */
  act(showId: string, asked: BenchRequest, isPhone = false): Promise<unknown> {
    const request = isPhone ? withoutAgreement(asked) : asked;
    const next = this.last
      .then(() => this.acted(showId, request))
      .catch((error: unknown) => {
        throw isPhone && error instanceof BenchAsks && error.question.about === 'addresses'
          ? new BenchRefuses(
              'Nobody has agreed at the laptop yet that phones may send to the devices: say it there once, under Phones.',
            )
          : error;
      });
    this.last = next.catch(() => {});
    return next;
  }

  /** The picture of a prop or of the whole show now. Null while the simulator is not open for the show. */
  async frame(showId: string, propId: string | null): Promise<Uint8Array | null> {
    const { opened } = this;
    return opened?.showId === showId ? opened.rig.ask('frame', { propId }) : null;
  }

  private async acted(showId: string, request: BenchRequest): Promise<unknown> {
    switch (request.do) {
      case 'open':
        await this.open(showId, request.takeOver ?? false);
        return null;
      case 'send':
        return this.send(showId, request);
      case 'change': {
        const opened = this.own(showId);
        if (!opened?.sending) throw new BenchRefuses('Nothing is being sent: send a test first.');
        await this.askLevel(opened, request.test, request.isBrightMeant);
        opened.sending.test = request.test;
        await opened.sender.ask('change', request.test);
        return null;
      }
      case 'hold': {
        const sending = this.own(showId)?.sending;
        if (sending?.by !== request.by) throw new BenchRefuses('This test has ended.');
        this.holdOn(showId, sending);
        return null;
      }
      case 'agree': {
        const opened = await this.open(showId, false);
        this.agreeTo(await this.addressesOf(opened, ANY_WISH), request.confirmed ?? []);
        return null;
      }
      case 'stop':
        await this.stop(showId);
        return null;
      case 'close':
        await this.stop(showId);
        if (this.opened?.showId === showId) this.close();
        return null;
      case 'poll':
        return this.poll(showId, request);
    }
  }

  private own(showId: string): Opened | null {
    return this.opened?.showId === showId ? this.opened : null;
  }

  private async open(showId: string, takeOver: boolean): Promise<Opened> {
    const known = this.own(showId);
    if (known) return known;
    // There is a show of this id.
    shows().get(showId);
    if (this.opened) {
      const showName = shows().get(this.opened.showId).show.name;
      if (!takeOver)
        throw new BenchAsks(`The simulator stands in for “${showName}” at the moment.`, {
          about: 'takeOver',
          showName,
        });
      await this.stop(this.opened.showId);
      this.close();
    }
    const workerData = { folder: dataFolder() };
    const rig = new ThreadCalls<RigAsks>(
      new Worker(new URL('./rig.thread.ts', import.meta.url), { workerData }),
      () => this.lost(rig),
    );
    const sender = new ThreadCalls<SenderAsks>(
      new Worker(new URL('./sender.thread.ts', import.meta.url), { workerData }),
      () => this.lost(sender),
    );
    try {
      const listening = await rig.ask('open', { showId });
      const stopListening = shows().listen(showId, null, (event) =>
        event.is === 'removed' ? this.close() : this.changed(event.is),
      );
      this.opened = {
        showId,
        rig,
        sender,
        listening,
        sending: null,
        safe: null,
        stopListening,
        reload: null,
        seenMs: Date.now(),
        setup: setupOf(showId),
        watch: setInterval(() => this.closeUnseen(), UNSEEN_MS / 2).unref(),
      };
      return this.opened;
    } catch (error) {
      rig.end();
      sender.end();
      throw error;
    }
  }

  private async send(showId: string, request: Extract<BenchRequest, { do: 'send' }>): Promise<null> {
    const { test, wish } = request;
    const opened = await this.open(showId, false);
    if (wish.to === 'devices') this.agreeTo(await this.addressesOf(opened, wish), request.confirmed ?? []);
    await this.askLevel(opened, test, request.isBrightMeant);
    // Devices that are not sent to any more must not stay lit.
    if (opened.sending && opened.sending.wish.to !== wish.to) await opened.sender.ask('stop', null);
    this.clear(opened);
    const endsAtMs = Date.now() + wish.minutes * 60_000;
    const timer = setTimeout(() => void this.act(showId, { do: 'stop' }), wish.minutes * 60_000);
    timer.unref();
    opened.sending = { test, wish, by: request.by ?? null, endsAtMs, timer, lost: null };
    if (request.isHeld) this.holdOn(showId, opened.sending);
    await this.start(opened);
    return null;
  }

  /** Targets of a test. @throws BenchRefuses where no device has an address */
  private async addressesOf({ showId, sender }: Opened, wish: SendWish) {
    const { addresses } = await sender.ask('look', { showId, wish });
    if (addresses.length === 0)
      throw new BenchRefuses('No device has an address yet: say them on Patch, on the sheet Network.');
    return addresses;
  }

  /** The sender is still there: the test goes on for another few seconds. */
  private holdOn(showId: string, sending: Sending): void {
    if (sending.lost) clearTimeout(sending.lost);
    sending.lost = setTimeout(() => {
      if (this.own(showId)?.sending === sending) void this.act(showId, { do: 'stop' });
    }, HELD_FOR_MS);
    sending.lost.unref();
  }

  private async start({ showId, sender, sending, listening }: Opened): Promise<void> {
    if (!sending) return;
    const { test, wish } = sending;
    const toRig = wish.to === 'rig';
    await sender.ask('start', {
      showId,
      test,
      wish,
      rig: toRig ? { ports: listening.ports, groups: listening.groups } : null,
      from: toRig ? RIG_ADDRESS : ownAddress(showId),
    });
  }

  /** Beyond this machine nothing goes to an address that nobody has read. */
  private agreeTo(addresses: readonly { address: string; words: string }[], agreed: readonly string[]): void {
    const open = this.unread(addresses).filter(({ address }) => !agreed.includes(address));
    if (open.length > 0)
      throw new BenchAsks('These addresses are beyond this machine: read once where it goes.', {
        about: 'addresses',
        addresses: open,
      });
    for (const { address } of addresses) this.confirmed.add(address);
  }

  private unread<To extends { address: string }>(addresses: readonly To[]): To[] {
    return addresses.filter(({ address }) => !this.confirmed.has(address) && !address.startsWith('127.'));
  }

  private async askLevel(opened: Opened, { level, pattern }: SentTest, isMeant = false): Promise<void> {
    if (level <= LOW_LEVEL || pattern === 'off' || isMeant) return;
    const safe = await (opened.safe ??= opened.sender.ask('safeLevel', { showId: opened.showId }));
    if (safe?.heldBackBy && 100 * level > safe.percent)
      throw new BenchAsks(
        `By the plan its supplies and leads carry ${safe.percent} % of white; then ${safe.heldBackBy} is too much.`,
        { about: 'level', percent: safe.percent, heldBackBy: safe.heldBackBy },
      );
  }

  private async poll(showId: string, request: Extract<BenchRequest, { do: 'poll' }>) {
    const opened = await this.open(showId, false);
    const { controllers } = shows().get(showId).show;
    const index = controllers.findIndex(({ id }) => id === request.controllerId);
    const device = controllers[index];
    if (!device) throw new BenchRefuses(`There is no controller “${request.controllerId}”.`);
    const { name, port: devicePort, poll } = protocolOf(device);
    if (!poll)
      throw new BenchRefuses(
        `${device.name} speaks ${name}, which has no question that asks a device who it is.`,
      );
    if (request.to === 'rig') {
      const port = opened.listening.ports[index];
      return { reply: port ? await pollDevice(poll, RIG_ADDRESS, port, RIG_ADDRESS) : null };
    }
    if (!device.network) throw new BenchRefuses(`${device.name} has no address yet: say it on Patch.`);
    const { ip } = device.network;
    this.agreeTo(
      [{ address: ip, words: `${device.name}: one question, who it is` }],
      request.confirmed ?? [],
    );
    return { reply: await pollDevice(poll, ip, devicePort, ownAddress(showId)) };
  }

  private async stop(showId: string): Promise<void> {
    const opened = this.own(showId);
    if (!opened?.sending) return;
    this.clear(opened);
    await opened.sender.ask('stop', null);
  }

  private clear(opened: Opened): void {
    if (opened.sending) clearTimeout(opened.sending.timer);
    if (opened.sending?.lost) clearTimeout(opened.sending.lost);
    opened.sending = null;
  }

  /** The show, or what is the matter with its rig, is another one. */
  private changed(is: 'changed' | 'noted'): void {
    const { opened } = this;
    if (!opened) return;
    const setup = setupOf(opened.showId);
    // Most of what is noted is no matter of the rig.
    if (is === 'noted' && setup === opened.setup) return;
    opened.setup = setup;
    opened.safe = null;
    if (opened.reload) clearTimeout(opened.reload);
    opened.reload = setTimeout(() => {
      this.last = this.last.then(() => this.reloaded(opened)).catch(() => {});
    }, RELOAD_AFTER_MS);
  }

  private async reloaded(opened: Opened): Promise<void> {
    if (this.opened !== opened) return;
    opened.listening = await opened.rig.ask('open', { showId: opened.showId });
    // Pixels that the show no longer has would stay lit.
    if (opened.sending?.wish.to === 'devices') {
      await opened.sender.ask('stop', null);
      const { wish } = opened.sending;
      const { addresses } = await opened.sender.ask('look', { showId: opened.showId, wish });
      // An address that came with the change was read by nobody: the test ends, and is asked about when it is sent again.
      if (addresses.length === 0 || this.unread(addresses).length > 0) this.clear(opened);
    }
    await this.start(opened);
  }

  private closeUnseen(): void {
    if (this.opened && !this.opened.sending && Date.now() - this.opened.seenMs > UNSEEN_MS) this.close();
  }

  private close(): void {
    const { opened } = this;
    if (!opened) return;
    this.opened = null;
    clearInterval(opened.watch);
    this.clear(opened);
    if (opened.reload) clearTimeout(opened.reload);
    opened.stopListening();
    opened.rig.end();
    opened.sender.end();
  }

  private lost(thread: object): void {
    if (this.opened && (this.opened.rig === thread || this.opened.sender === thread)) this.close();
  }
}

/** An agreement claimed by a phone does not count. */
function withoutAgreement(request: BenchRequest): BenchRequest {
  return 'confirmed' in request ? { ...request, confirmed: [] } : request;
}

const setupOf = (showId: string) =>
  JSON.stringify(rigSetup(new Facts(currentFacts(shows().factsOf(showId)))));

/** The address of this machine that the show says the sender has; null where this machine has another. */
function ownAddress(showId: string): string | null {
  const ip = shows().get(showId).show.sender?.ip;
  const own = Object.values(os.networkInterfaces()).flat();
  return ip !== undefined && own.some((each) => each?.address === ip) ? ip : null;
}

const place = placeInProcess<Bench>('bench');

/** The bench of this process. */
export function bench(): Bench {
  return (place.kept ??= new Bench());
}
