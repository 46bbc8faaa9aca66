/** Bytes of time on the wire around the payload of a UDP packet: preamble and pause 20, Ethernet 18, IP 20, UDP 8. */
export const AROUND_PAYLOAD_BYTES = 66;
