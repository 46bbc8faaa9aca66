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

/** How it counts universes; null where it sends bytes of a flat space. */
export function universesOf(device: { protocol: Protocol }): UniverseCount | null {
  const { counts } = protocolOf(device);
  return counts.kind === 'universes' ? counts : null;
}

/** Whether it listens to groups, which all who listen are sent to. */
export function listensToGroups(device: {
  protocol: Protocol;
  network?: { casting: 'unicast' | 'multicast' } | undefined;
}): boolean {
  return device.network?.casting === 'multicast' && Boolean(universesOf(device)?.groupOf);
}
