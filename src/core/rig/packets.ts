import { multicastGroup, portAddressOn, universeOn } from '../addressing/numbering';
import { takesRawFrames } from '../devices/rawFrames';
import { showSpaces, universesOfController } from '../devices/universeSizes';
import type { Plan } from '../plan/planned';
import { ART_NET_PORT, decodeArtNet, encodeArtDmx } from '../protocols/artNet';
import { DDP_PORT, DDP_TYPES, ddpFrame, decodeDdp } from '../protocols/ddp';
import {
  ACN_SDT_MULTICAST_PORT,
  decodeE131,
  E131_DEFAULT_PRIORITY,
  encodeE131Data,
  type E131Source,
} from '../protocols/e131';
import type { Datagram } from '../protocols/ethernet';
import type { Sent } from './sending';

/** Where packets for a device go that has no address yet: to the rig on this machine. */
const LOOPBACK = '127.0.0.1';

/** The one that packets made here come from: its identifier is the product’s own. */
export const SOURCE: E131Source = {
  cid: Uint8Array.from('rapid-lantern-01', (letter) => letter.charCodeAt(0)),
  name: 'Rapid Lantern',
};

/** A datagram, but for who sends it. */
export type Packet = Omit<Datagram, 'from' | 'fromPort'>;

/**
 * What goes over the network for one picture: universes to their groups or devices, flat spaces in packets. What is fed raw frames gets none.
 *
 * @param frame counts pictures; sequence numbers go by it
 */
export function packetsOf(plan: Plan, sent: Sent, frame: number): Packet[] {
  const packets: Packet[] = [];
  /** Universes that went to their group already: all who listen hear it. */
  const grouped = new Set<number>();
  plan.show.controllers.forEach((device, controller) => {
    if (takesRawFrames(plan.show, device)) return;
    const unicast = device.network?.casting === 'unicast' ? device.network.ip : null;
    const own = device.network?.ip ?? LOOPBACK;
    if (device.protocol === 'ddp') {
      const bytes = sent.flat.get(controller);
      if (!bytes) return;
      const perFrame = Math.max(1, Math.ceil(bytes.length / 1440));
      const sequenceOf = (packet: number) => 1 + ((frame * perFrame + packet) % 15);
      for (const payload of ddpFrame(bytes, { dataType: DDP_TYPES.rgb8, sequenceOf }))
        packets.push({ to: own, toPort: DDP_PORT, payload });
      return;
    }
    for (const universe of universesOf(plan, sent, controller)) {
      const slots = sent.universes.get(universe)!;
      if (device.protocol === 'artnet') {
        const portAddress = portAddressOn(device, universe);
        if (portAddress < 0 || portAddress > 32_767) continue;
        // 0 says that nobody counts, so that counting goes from 1 to 255.
        const payload = encodeArtDmx({ sequence: 1 + (frame % 255), physical: 0, portAddress, slots });
        packets.push({ to: own, toPort: ART_NET_PORT, payload });
        continue;
      }
      if (!unicast && grouped.has(universe)) continue;
      if (!unicast) grouped.add(universe);
      const payload = encodeE131Data({
        source: SOURCE,
        universe,
        priority: E131_DEFAULT_PRIORITY,
        sequence: frame % 256,
        syncAddress: 0,
        isPreview: false,
        isTerminated: false,
        startCode: 0,
        slots: slots.subarray(0, 512),
      });
      packets.push({ to: unicast ?? multicastGroup(universe), toPort: ACN_SDT_MULTICAST_PORT, payload });
    }
  });
  return packets;
}

/** Universes that are sent for a controller: its own, and those that a shifted sender fills beside them. */
function universesOf(plan: Plan, sent: Sent, controller: number): number[] {
  return [...universesOfController(plan, controller).keys()].filter((universe) =>
    sent.universes.has(universe),
  );
}

/** What a display has heard, packet by packet; and how many it could not read. */
export class Receiver {
  readonly sent: Sent = { universes: new Map(), flat: new Map() };
  /** Packets to a known port that are not well formed. */
  malformed = 0;
  /** Packets that are none of these protocols, or for nobody here. */
  others = 0;

  constructor(private readonly plan: Plan) {}

  hear({ to, toPort, payload }: Packet): void {
    switch (toPort) {
      case ACN_SDT_MULTICAST_PORT:
        return this.hearE131(payload);
      case ART_NET_PORT:
        return this.hearArtNet(to, payload);
      case DDP_PORT:
        return this.hearDdp(to, payload);
      default:
        this.others += 1;
    }
  }

  private hearE131(payload: Uint8Array): void {
    const packet = decodeE131(payload);
    if (!packet) this.malformed += 1;
    else if (packet.kind !== 'data' || packet.startCode !== 0 || packet.isPreview) this.others += 1;
    else this.sent.universes.set(packet.universe, packet.slots);
  }

  private hearArtNet(to: string, payload: Uint8Array): void {
    const packet = decodeArtNet(payload);
    if (!packet) this.malformed += 1;
    else if (packet.kind !== 'dmx') this.others += 1;
    else {
      const device = this.plan.show.controllers.find(
        (each) => each.protocol === 'artnet' && (each.network?.ip ?? LOOPBACK) === to,
      );
      if (!device) this.others += 1;
      else this.sent.universes.set(universeOn(device, packet.portAddress), packet.slots);
    }
  }

  private hearDdp(to: string, payload: Uint8Array): void {
    const packet = decodeDdp(payload);
    if (!packet) {
      this.malformed += 1;
      return;
    }
    const controller = this.plan.show.controllers.findIndex(
      (each) => each.protocol === 'ddp' && (each.network?.ip ?? LOOPBACK) === to,
    );
    const space = showSpaces(this.plan).flat.get(controller);
    if (!space || packet.isQuery || packet.isReply) {
      this.others += 1;
      return;
    }
    const bytes = this.sent.flat.get(controller) ?? new Uint8Array(space.channelCount);
    this.sent.flat.set(controller, bytes);
    // What goes beyond the device is for nobody.
    const room = bytes.length - packet.offset;
    if (room > 0) bytes.set(packet.data.subarray(0, room), packet.offset);
  }
}
