import type { Protocol } from '../catalogue/controller';

/** Bytes of time on the wire around the payload of a UDP packet: preamble and pause 20, Ethernet 18, IP 20, UDP 8. */
export const AROUND_PAYLOAD_BYTES = 66;

/** What goes before the data of a packet, and how much data fits one. */
interface PacketForm {
  headerBytes: number;
  mostDataBytes: number;
}

/**
 * E1.31 (ANSI E1.31-2018): 126 bytes before 512 slots. Art-Net 4 (ArtDmx): 18 before 512. DDP: 10 before at most 1,440. Senders
 * send universes whole, also where the last slots are not used.
 */
export const PACKET_FORMS: Record<Protocol, PacketForm> = {
  e131: { headerBytes: 126, mostDataBytes: 512 },
  artnet: { headerBytes: 18, mostDataBytes: 512 },
  ddp: { headerBytes: 10, mostDataBytes: 1440 },
};
