import type { Link } from '../catalogue/link';
import { toldUniverse } from '../addressing/numbering';
import { universesOfController } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import type { ByteCount, Source, StreamPacket, UniverseCount, WireProtocol } from '../protocols/protocol';
import { protocolOf } from '../protocols/registry';
import { linkFrames, linkOf } from './links';
import type { Sent } from './sending';
import { itemAt, valueIn } from '../units/there';
import { controllerAt } from '../plan/records';

/** Target of packets for a device without an address: the simulator on this machine. */
export const LOOPBACK = '127.0.0.1';

/** The one that packets made here come from: its identifier is the product’s own. */
export const SOURCE: Source = {
  cid: Uint8Array.from('rapid-lantern-01', (letter) => letter.charCodeAt(0)),
  name: 'Rapid Lantern',
};

/** A packet that is made once, and written anew for each picture. */
export interface OutgoingPacket {
  /** Index of the controller that it is for; of several in a group the first. */
  controller: number;
  to: string;
  toPort: number;
  /** It goes to all who listen to its group. */
  isGroup: boolean;
  payload: Uint8Array;
}

interface OutgoingWish {
  /** Packets show what they carry only when the one for it follows. */
  isSynced?: boolean;
  /** So many universes go to their groups where their devices listen to those; the others to each device alone. */
  mostGroups?: number;
  /** Also what goes over links that are no network, as to a rig that stands in for it. */
  withLinks?: boolean;
}

/** Packets for a display, frame after frame. */
export class Outgoing {
  /** In the order in which they go out; those that show a picture are behind all that carry it. */
  readonly packets: OutgoingPacket[] = [];
  private readonly writers: ((sent: Sent | null, frame: number, isLast: boolean) => void)[] = [];
  /** The data in the packets: a frame that stays is not written again. */
  private held: Sent | null = null;
  private readonly syncs: { packet: OutgoingPacket; write: (frame: number) => void }[] = [];

  /** @param sent a picture with the universes and spaces that all others have too */
  constructor(
    private readonly plan: Plan,
    sent: Sent,
    private readonly wish: OutgoingWish = {},
  ) {
    const groups = new Set<string>();
    plan.show.controllers.forEach((device, controller) => {
      const own = device.network?.ip ?? LOOPBACK;
      const link = linkOf(plan, controller);
      if (link !== 'network') {
        if (wish.withLinks) this.addLink(controller, own, link, sent);
        return;
      }
      const protocol = protocolOf(device);
      const { counts } = protocol;
      if (counts.kind === 'bytes') this.addSpace(controller, own, protocol, counts, sent);
      else this.addUniverses(controller, own, protocol, counts, sent, groups);
    });
    for (const { packet, write } of this.syncs) {
      this.packets.push(packet);
      this.writers.push((_, frame) => write(frame));
    }
  }

  /**
   * Writes a picture into the packets.
   *
   * @param frame counts pictures; sequence numbers go by it
   * @param isLast it ends the streams of E1.31
   */
  write(sent: Sent, frame: number, isLast = false): void {
    const written = sent === this.held ? null : sent;
    this.held = sent;
    for (const write of this.writers) write(written, frame, isLast);
  }

  private add(
    packet: Omit<OutgoingPacket, 'isGroup'> & { isGroup?: boolean },
    /** Without a picture it just counts on. */
    write: (payload: Uint8Array, sent: Sent | null, frame: number, isLast: boolean) => void,
  ): void {
    const { payload } = packet;
    this.packets.push({ isGroup: false, ...packet });
    this.writers.push((sent, frame, isLast) => write(payload, sent, frame, isLast));
  }

  /** Adds packets whose parts of a picture are known. */
  private addStream(
    place: Omit<OutgoingPacket, 'payload' | 'isGroup'> & { isGroup?: boolean },
    { payload, write }: StreamPacket,
    partOf: (sent: Sent) => Uint8Array,
  ): void {
    this.add({ ...place, payload }, (_, sent, frame, isLast) => write(sent && partOf(sent), frame, isLast));
  }

  private addUniverses(
    controller: number,
    own: string,
    { port, syncPacket }: WireProtocol,
    { groupOf, least, most, packetOf }: UniverseCount,
    sent: Sent,
    groups: Set<string>,
  ): void {
    const device = controllerAt(this.plan, controller);
    const { mostGroups = Infinity, isSynced = false } = this.wish;
    const listensToGroups =
      device.network?.casting === 'multicast' ||
      // A device without an address is reached by its groups alone, but for the simulator here.
      (this.wish.mostGroups === undefined && !device.network);
    for (const universe of universesOfController(this.plan, controller).keys()) {
      const slots = sent.universes.get(universe);
      const told = toldUniverse(device, universe);
      if (!slots || told < least || told > most) continue;
      const group = listensToGroups && groupOf ? groupOf(told) : null;
      const isGroup = group !== null && (groups.has(group) || groups.size < mostGroups);
      // All devices of a group hear its packets.
      if (isGroup && groups.has(group)) continue;
      if (isGroup) groups.add(group);
      this.addStream(
        { controller, to: isGroup ? group : own, toPort: port, isGroup },
        packetOf(told, slots, SOURCE, isSynced),
        (picture) => valueIn(picture.universes, universe),
      );
    }
    if (isSynced && syncPacket) {
      const { payload, write } = syncPacket(SOURCE);
      this.syncs.push({
        packet: { controller, to: own, toPort: port, isGroup: false, payload },
        write: (frame) => write(null, frame, false),
      });
    }
  }

  private addSpace(
    controller: number,
    own: string,
    { port, mostDataBytes }: WireProtocol,
    { packetsOf }: ByteCount,
    sent: Sent,
  ): void {
    const bytes = sent.flat.get(controller);
    if (!bytes) return;
    packetsOf(bytes).forEach((packet, i) =>
      this.addStream({ controller, to: own, toPort: port }, packet, (picture) =>
        valueIn(picture.flat, controller).subarray(i * mostDataBytes, (i + 1) * mostDataBytes),
      ),
    );
  }

  private addLink(controller: number, own: string, link: Exclude<Link, 'network'>, sent: Sent): void {
    const framesOf = (picture: Sent) => linkFrames(this.plan, controller, link, picture);
    let [made, of] = [framesOf(sent), sent];
    made.forEach((frame, i) =>
      this.add({ controller, to: own, toPort: 0, payload: frame.slice() }, (payload, next) => {
        if (!next) return;
        if (next !== of) [made, of] = [framesOf(next), next];
        payload.set(itemAt(made, i));
      }),
    );
  }
}
