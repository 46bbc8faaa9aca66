import type { Plan } from '../plan/planned';
import type { Datagram } from '../protocols/ethernet';
import { protocolOf } from '../protocols/registry';
import { Inbox } from './inbox';
import { linkOf } from './links';
import { LOOPBACK, Outgoing } from './outgoing';
import type { Sent } from './sending';
import { itemAt } from '../units/there';

/** A datagram, but for who sends it. */
type Packet = Omit<Datagram, 'from' | 'fromPort'>;

/**
 * Packets that go over the network for one picture: universes to their groups or devices, flat spaces in packets. What is fed raw frames or over
 * a serial line gets none.
 *
 * @param frame counts pictures; sequence numbers go by it
 */
export function packetsOf(plan: Plan, sent: Sent, frame: number): Packet[] {
  const outgoing = new Outgoing(plan, sent);
  outgoing.write(sent, frame);
  return outgoing.packets.map(({ to, toPort, payload }) => ({ to, toPort, payload }));
}

/** A display that listens on its network: packets find their devices by address and port. */
export class Receiver {
  readonly inboxes: readonly Inbox[];
  /** Packets for nobody here. */
  private strays = 0;

  constructor(private readonly plan: Plan) {
    this.inboxes = plan.show.controllers.map((_, controller) => new Inbox(plan, controller));
  }

  /** Packets to a device that are not well formed. */
  get malformed(): number {
    return this.inboxes.reduce((sum, inbox) => sum + inbox.malformed, 0);
  }

  /** Packets that nobody here can use. */
  get others(): number {
    return this.inboxes.reduce((sum, inbox) => sum + inbox.others, this.strays);
  }

  readonly sentTo = (controller: number): Sent => itemAt(this.inboxes, controller).sent;

  hear({ to, toPort, payload }: Packet): void {
    const isGroup = to.startsWith('239.255.');
    let isHeard = false;
    this.plan.show.controllers.forEach((device, controller) => {
      const { network } = device;
      if (toPort !== protocolOf(device).port || linkOf(this.plan, controller) !== 'network') return;
      if (!isGroup && (network?.ip ?? LOOPBACK) !== to) return;
      if (isGroup && network?.casting === 'unicast') return;
      itemAt(this.inboxes, controller).hear(payload);
      isHeard = true;
    });
    if (!isHeard) this.strays += 1;
  }
}
