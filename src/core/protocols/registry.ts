import { artnet } from './artNet';
import { ddp } from './ddp';
import { e131 } from './e131';
import type { UniverseCount, WireProtocol } from './protocol';
import { valueIn } from '../units/there';

/** Protocols that controllers may speak, as they are offered. */
const LIST = [e131, artnet, ddp] as const;

export type Protocol = (typeof LIST)[number]['id'];

export const PROTOCOLS: readonly WireProtocol<Protocol>[] = LIST;

/** Their ids, for schemas. */
export const PROTOCOL_IDS = PROTOCOLS.map(({ id }) => id);

const BY_ID = new Map(PROTOCOLS.map((protocol) => [protocol.id, protocol]));

/** The protocol that a device speaks. */
export function protocolOf({ protocol }: { protocol: Protocol }): WireProtocol<Protocol> {
  return valueIn(BY_ID, protocol);
}

/** The way it counts universes; null where it sends bytes of a flat space. */
export function universesOf(device: { protocol: Protocol }): UniverseCount | null {
  const { counts } = protocolOf(device);
  return counts.kind === 'universes' ? counts : null;
}

/** A device with its protocol, and how its packets are addressed. */
interface Fed {
  protocol: Protocol;
  network?: { casting: 'unicast' | 'multicast' } | undefined;
}

/**
 * The way of packets to a device: to it alone, to the group of a universe, or to everybody where the protocol has no groups. Bytes of a
 * flat space go to one device alone. Null without an address.
 */
export function castOf(device: Fed): 'unicast' | 'multicast' | 'broadcast' | null {
  if (!device.network) return null;
  const universes = universesOf(device);
  if (!universes || device.network.casting === 'unicast') return 'unicast';
  return universes.groupOf ? 'multicast' : 'broadcast';
}

/** Whether it listens to groups, which all who listen are sent to. */
export const listensToGroups = (device: Fed): boolean => castOf(device) === 'multicast';
