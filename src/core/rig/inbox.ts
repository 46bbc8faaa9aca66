import { universeOfTold } from '../addressing/numbering';
import { showSpaces } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import type { Heard, WireProtocol } from '../protocols/protocol';
import { protocolOf } from '../protocols/registry';
import { LinkReader, linkOf } from './links';
import type { Sent } from './sending';
import { controllerAt } from '../plan/records';

/** A source that says nothing for so long is gone (E131_NETWORK_DATA_LOSS_TIMEOUT, ANSI E1.31-2018). */
const DATA_LOSS_MS = 2500;
/** So far behind the last sequence number a packet is late, and is not shown (ANSI E1.31-2018, 6.7.2). */
const MOST_BEHIND = 20;

interface Stream {
  source: string;
  priority: number;
  /** Null where its sender does not count. */
  sequence: number | null;
  heardMs: number;
}

/** Packets that one device has heard: the newest levels of each of its universes, and those it could not use. */
export class Inbox {
  readonly sent: Sent = { universes: new Map(), flat: new Map() };
  packets = 0;
  /** Not well formed. */
  malformed = 0;
  /** Well formed, and for nobody here: previews, other universes, lower priority, late ones. */
  others = 0;
  /** Packets that are missing by their sequence numbers. */
  lost = 0;
  /** Whole pictures. */
  pictures = 0;

  private readonly streams = new Map<number, Stream>();
  /** Levels that wait to be shown together. */
  private readonly held = new Map<number, Uint8Array>();
  /** All that comes waits to be shown. */
  private isHolding = false;
  /** The highest that came: with it a picture is whole. */
  private lastUniverse = -1;
  private readonly link: LinkReader | null;
  private readonly protocol: WireProtocol;
  /** As long as nobody listens in, a picture that is whole is just counted. */
  onPicture: () => void = () => {};

  constructor(
    private readonly plan: Plan,
    private readonly controller: number,
  ) {
    const link = linkOf(plan, controller);
    this.link = link === 'network' ? null : new LinkReader(plan, controller, link);
    this.protocol = protocolOf(controllerAt(plan, controller));
  }

  /** @param nowMs time of arrival, on any clock */
  hear(payload: Uint8Array, nowMs = 0): void {
    this.packets += 1;
    if (this.link) return this.hearLink(this.link, payload);
    const heard = this.protocol.hear(payload);
    switch (heard?.kind) {
      case undefined:
        this.malformed += 1;
        return;
      case 'other':
        this.others += 1;
        return;
      case 'show':
        this.isHolding = this.protocol.holdsOnceShown;
        return this.release();
      case 'universe':
        return this.hearUniverse(heard, nowMs);
      case 'bytes':
        return this.hearBytes(heard);
    }
  }

  private whole(): void {
    this.pictures += 1;
    this.onPicture();
  }

  private hearLink(link: LinkReader, payload: Uint8Array): void {
    const isWhole = link.push(payload, this.sent);
    if (isWhole === null) this.malformed += 1;
    else if (isWhole) this.whole();
  }

  private hearUniverse(heard: Extract<Heard, { kind: 'universe' }>, nowMs: number): void {
    const { told, sequence, priority, source, slots } = heard;
    const universe = universeOfTold(controllerAt(this.plan, this.controller), told);
    if (!this.hasRoom(universe)) {
      this.others += 1;
      return;
    }
    const before = this.streams.get(universe);
    const stands = before && nowMs - before.heardMs <= DATA_LOSS_MS ? before : undefined;
    if (stands && stands.source !== source) {
      if (stands.priority > priority) {
        this.others += 1;
        return;
      }
    } else if (stands && !this.isNext(stands.sequence, sequence)) {
      this.others += 1;
      return;
    }
    if (heard.isLast) {
      this.streams.delete(universe);
      this.held.delete(universe);
      this.sent.universes.delete(universe);
      return;
    }
    this.streams.set(universe, { source, priority, sequence, heardMs: nowMs });
    if (heard.isHeld || this.isHolding) this.held.set(universe, slots);
    else this.show(universe, slots);
  }

  /** Whether a packet is to be shown by its number; those that are missing before it are counted. */
  private isNext(before: number | null, now: number | null): boolean {
    if (before === null || now === null) return true;
    const { first, last, dropsLate } = this.protocol.sequence;
    const numbers = last - first + 1;
    const ahead = (now - before + numbers) % numbers;
    if (dropsLate && (ahead === 0 || ahead > numbers - MOST_BEHIND)) return false;
    this.lost += Math.max(0, ahead - 1);
    return true;
  }

  private show(universe: number, slots: Uint8Array): void {
    this.sent.universes.set(universe, slots);
    this.lastUniverse = Math.max(this.lastUniverse, universe);
    if (universe === this.lastUniverse) this.whole();
  }

  /** Waiting levels are shown. */
  private release(): void {
    if (this.held.size === 0) {
      this.others += 1;
      return;
    }
    for (const [universe, slots] of this.held) this.sent.universes.set(universe, slots);
    this.held.clear();
    this.whole();
  }

  private hearBytes({ offset, data, isLast }: Extract<Heard, { kind: 'bytes' }>): void {
    const space = showSpaces(this.plan).flat.get(this.controller);
    if (!space) {
      this.others += 1;
      return;
    }
    const bytes = this.sent.flat.get(this.controller) ?? new Uint8Array(space.channelCount);
    this.sent.flat.set(this.controller, bytes);
    // Bytes beyond the device are for nobody.
    const room = bytes.length - offset;
    if (room > 0) bytes.set(data.subarray(0, room), offset);
    if (isLast) this.whole();
  }

  /** Which universes it wants is a setting of the device, and may be wrong: it hears all, up to as many as devices take. */
  private hasRoom(universe: number): boolean {
    const { universes } = this.sent;
    return universes.has(universe) || universes.size + this.held.size < MOST_UNIVERSES;
  }
}

const MOST_UNIVERSES = 4096;
