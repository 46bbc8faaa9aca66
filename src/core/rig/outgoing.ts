import { multicastGroup, portAddressOn } from '../addressing/numbering';
import { universesOfController } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import { ART_NET_PORT, encodeArtDmx, encodeArtSync, rewriteArtDmx } from '../protocols/artNet';
import { DDP_MOST_DATA_BYTES, DDP_PORT, DDP_TYPES, ddpFrame, rewriteDdp } from '../protocols/ddp';
import {
  ACN_SDT_MULTICAST_PORT,
  E131_DEFAULT_PRIORITY,
  encodeE131Data,
  encodeE131Sync,
  rewriteE131Data,
  type E131Source,
} from '../protocols/e131';
import { linkFrames, linkOf } from './links';
import type { Sent } from './sending';

/** Where packets for a device go that has no address yet: to the rig on this machine. */
export const LOOPBACK = '127.0.0.1';

/** The one that packets made here come from: its identifier is the product’s own. */
export const SOURCE: E131Source = {
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

export interface OutgoingWish {
  /** Packets show what they carry only when the one for it follows. */
  isSynced?: boolean;
  /** So many universes go to their groups where their devices listen to those; the others to each device alone. */
  mostGroups?: number;
  /** Also what goes over links that are no network, as to a rig that stands in for it. */
  withLinks?: boolean;
}

/** Synchronisation packets of E1.31 are known by a universe that carries no levels. */
const SYNC_UNIVERSE = 63_999;

/** What goes out for a display, picture after picture. */
export class Outgoing {
  /** In the order in which they go out; those that show a picture are behind all that carry it. */
  readonly packets: OutgoingPacket[] = [];
  private readonly writers: ((sent: Sent | null, frame: number, isLast: boolean) => void)[] = [];
  /** What they hold: a picture that stays is not written again. */
  private held: Sent | null = null;
  private readonly syncs: { packet: OutgoingPacket; write: (frame: number) => void }[] = [];

  /** @param sent a picture with the universes and spaces that all others have too */
  constructor(
    private readonly plan: Plan,
    sent: Sent,
    private readonly wish: OutgoingWish = {},
  ) {
    const groups = new Set<number>();
    plan.show.controllers.forEach((device, controller) => {
      const own = device.network?.ip ?? LOOPBACK;
      const link = linkOf(plan, controller);
      if (link !== 'network') {
        if (wish.withLinks) this.addLink(controller, own, link, sent);
      } else if (device.protocol === 'ddp') this.addDdp(controller, own, sent);
      else if (device.protocol === 'artnet') this.addArtNet(controller, own, sent);
      else this.addE131(controller, own, sent, groups);
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

  private universesOf(sent: Sent, controller: number): number[] {
    return [...universesOfController(this.plan, controller).keys()].filter((universe) =>
      sent.universes.has(universe),
    );
  }

  private addE131(controller: number, own: string, sent: Sent, groups: Set<number>): void {
    const listensToGroups =
      this.plan.show.controllers[controller]!.network?.casting === 'multicast' ||
      // Who has no address is reached by its groups alone, but for the rig here.
      (this.wish.mostGroups === undefined && !this.plan.show.controllers[controller]!.network);
    const most = this.wish.mostGroups ?? Infinity;
    for (const universe of this.universesOf(sent, controller)) {
      const isGroup = listensToGroups && (groups.has(universe) || groups.size < most);
      if (isGroup && groups.has(universe)) continue;
      if (isGroup) groups.add(universe);
      const payload = encodeE131Data({
        source: SOURCE,
        universe,
        priority: E131_DEFAULT_PRIORITY,
        sequence: 0,
        syncAddress: this.wish.isSynced ? SYNC_UNIVERSE : 0,
        isPreview: false,
        isTerminated: false,
        startCode: 0,
        slots: sent.universes.get(universe)!.subarray(0, 512),
      });
      this.add(
        {
          controller,
          to: isGroup ? multicastGroup(universe) : own,
          toPort: ACN_SDT_MULTICAST_PORT,
          isGroup,
          payload,
        },
        (bytes, picture, frame, isLast) =>
          rewriteE131Data(
            bytes,
            frame % 256,
            picture && picture.universes.get(universe)!.subarray(0, 512),
            isLast,
          ),
      );
    }
    if (!this.wish.isSynced) return;
    const payload = encodeE131Sync({ cid: SOURCE.cid, sequence: 0, syncAddress: SYNC_UNIVERSE });
    this.syncs.push({
      packet: { controller, to: own, toPort: ACN_SDT_MULTICAST_PORT, isGroup: false, payload },
      write: (frame) => {
        payload[44] = frame % 256;
      },
    });
  }

  private addArtNet(controller: number, own: string, sent: Sent): void {
    const device = this.plan.show.controllers[controller]!;
    for (const universe of this.universesOf(sent, controller)) {
      const portAddress = portAddressOn(device, universe);
      if (portAddress < 0 || portAddress > 32_767) continue;
      const payload = encodeArtDmx({
        sequence: 1,
        physical: 0,
        portAddress,
        slots: sent.universes.get(universe)!,
      });
      // 0 says that nobody counts, so that counting goes from 1 to 255.
      this.add({ controller, to: own, toPort: ART_NET_PORT, payload }, (bytes, picture, frame) =>
        rewriteArtDmx(bytes, 1 + (frame % 255), picture && picture.universes.get(universe)!),
      );
    }
    if (this.wish.isSynced)
      this.syncs.push({
        packet: { controller, to: own, toPort: ART_NET_PORT, isGroup: false, payload: encodeArtSync() },
        write: () => {},
      });
  }

  private addDdp(controller: number, own: string, sent: Sent): void {
    const bytes = sent.flat.get(controller);
    if (!bytes) return;
    const packets = ddpFrame(bytes, { dataType: DDP_TYPES.rgb8, sequenceOf: () => 1 });
    packets.forEach((payload, i) =>
      this.add({ controller, to: own, toPort: DDP_PORT, payload }, (packet, picture, frame) =>
        rewriteDdp(
          packet,
          1 + ((frame * packets.length + i) % 15),
          picture &&
            picture.flat.get(controller)!.subarray(i * DDP_MOST_DATA_BYTES, (i + 1) * DDP_MOST_DATA_BYTES),
        ),
      ),
    );
  }

  private addLink(controller: number, own: string, link: 'raw' | 'serial', sent: Sent): void {
    const framesOf = (picture: Sent) => linkFrames(this.plan, controller, link, picture);
    let [made, of] = [framesOf(sent), sent];
    made.forEach((frame, i) =>
      this.add({ controller, to: own, toPort: 0, payload: frame.slice() }, (payload, next) => {
        if (!next) return;
        if (next !== of) [made, of] = [framesOf(next), next];
        payload.set(made[i]!);
      }),
    );
  }
}
