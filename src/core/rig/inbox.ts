import { universeOn } from '../addressing/numbering';
import { showSpaces } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import { decodeArtNet } from '../protocols/artNet';
import { decodeDdp } from '../protocols/ddp';
import { decodeE131 } from '../protocols/e131';
import { LinkReader, linkOf } from './links';
import type { Sent } from './sending';

/** A source that says nothing for so long is gone (E131_NETWORK_DATA_LOSS_TIMEOUT, ANSI E1.31-2018). */
const DATA_LOSS_MS = 2500;
/** So far behind the last sequence number a packet is late, and is not shown (ANSI E1.31-2018, 6.7.2). */
const MOST_BEHIND = 20;

interface Stream {
  cid: string;
  priority: number;
  sequence: number;
  heardMs: number;
}

/** What one device has heard: the newest levels of each of its universes, and what it could not use. */
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
  private isHeldByArtSync = false;
  /** The highest that came: with it a picture is whole. */
  private lastUniverse = -1;
  private readonly link: LinkReader | null;
  /** As long as nobody listens in, a picture that is whole is just counted. */
  onPicture: () => void = () => {};

  constructor(
    private readonly plan: Plan,
    private readonly controller: number,
  ) {
    const link = linkOf(plan, controller);
    this.link = link === 'network' ? null : new LinkReader(plan, controller, link);
  }

  /** @param nowMs time of arrival, on any clock */
  hear(payload: Uint8Array, nowMs = 0): void {
    this.packets += 1;
    if (this.link) return this.hearLink(this.link, payload);
    switch (this.plan.show.controllers[this.controller]!.protocol) {
      case 'e131':
        return this.hearE131(payload, nowMs);
      case 'artnet':
        return this.hearArtNet(payload);
      case 'ddp':
        return this.hearDdp(payload);
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

  private hearE131(payload: Uint8Array, nowMs: number): void {
    const packet = decodeE131(payload);
    if (!packet) {
      this.malformed += 1;
      return;
    }
    if (packet.kind === 'sync') return this.release();
    if (
      packet.kind !== 'data' ||
      packet.startCode !== 0 ||
      packet.isPreview ||
      !this.hasRoom(packet.universe)
    ) {
      this.others += 1;
      return;
    }
    const { universe, sequence, priority, slots } = packet;
    const cid = packet.source.cid.join(' ');
    const before = this.streams.get(universe);
    const stands = before && nowMs - before.heardMs <= DATA_LOSS_MS ? before : undefined;
    const isOther = stands && stands.cid !== cid;
    if (isOther && stands.priority > priority) {
      this.others += 1;
      return;
    }
    if (stands && !isOther) {
      const ahead = (sequence - stands.sequence + 256) % 256;
      if (ahead === 0 || ahead > 256 - MOST_BEHIND) {
        this.others += 1;
        return;
      }
      this.lost += ahead - 1;
    }
    if (packet.isTerminated) {
      this.streams.delete(universe);
      this.held.delete(universe);
      this.sent.universes.delete(universe);
      return;
    }
    this.streams.set(universe, { cid, priority, sequence, heardMs: nowMs });
    if (packet.syncAddress !== 0) this.held.set(universe, slots);
    else this.show(universe, slots);
  }

  private show(universe: number, slots: Uint8Array): void {
    this.sent.universes.set(universe, slots);
    this.lastUniverse = Math.max(this.lastUniverse, universe);
    if (universe === this.lastUniverse) this.whole();
  }

  /** What waits is shown. */
  private release(): void {
    if (this.held.size === 0) {
      this.others += 1;
      return;
    }
    for (const [universe, slots] of this.held) this.sent.universes.set(universe, slots);
    this.held.clear();
    this.whole();
  }

  private hearArtNet(payload: Uint8Array): void {
    const packet = decodeArtNet(payload);
    if (!packet) {
      this.malformed += 1;
      return;
    }
    if (packet.kind === 'sync') {
      this.isHeldByArtSync = true;
      return this.release();
    }
    const device = this.plan.show.controllers[this.controller]!;
    const universe = packet.kind === 'dmx' ? universeOn(device, packet.portAddress) : -1;
    if (packet.kind !== 'dmx' || !this.hasRoom(universe)) {
      this.others += 1;
      return;
    }
    const before = this.streams.get(universe);
    if (before && packet.sequence !== 0)
      this.lost += Math.min(254, missedOf(before.sequence, packet.sequence));
    this.streams.set(universe, { cid: '', priority: 0, sequence: packet.sequence, heardMs: 0 });
    if (this.isHeldByArtSync) this.held.set(universe, packet.slots);
    else this.show(universe, packet.slots);
  }

  private hearDdp(payload: Uint8Array): void {
    const packet = decodeDdp(payload);
    if (!packet) {
      this.malformed += 1;
      return;
    }
    const space = showSpaces(this.plan).flat.get(this.controller);
    if (!space || packet.isQuery || packet.isReply) {
      this.others += 1;
      return;
    }
    const bytes = this.sent.flat.get(this.controller) ?? new Uint8Array(space.channelCount);
    this.sent.flat.set(this.controller, bytes);
    // What goes beyond the device is for nobody.
    const room = bytes.length - packet.offset;
    if (room > 0) bytes.set(packet.data.subarray(0, room), packet.offset);
    if (packet.isPush) this.whole();
  }

  /** Which universes it wants is a setting of the device, and may be wrong: it hears all, up to as many as devices take. */
  private hasRoom(universe: number): boolean {
    const { universes } = this.sent;
    return universes.has(universe) || universes.size + this.held.size < MOST_UNIVERSES;
  }
}

const MOST_UNIVERSES = 4096;

/** Numbers between two of a count from 1 to 255. */
function missedOf(before: number, now: number): number {
  const ahead = (now - before + 255) % 255;
  return ahead === 0 ? 0 : ahead - 1;
}
