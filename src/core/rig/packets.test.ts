import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { PATTERNS, painted } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { portAddressOn } from '../addressing/numbering';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { readPcap, writePcap } from '../protocols/pcap';
import { Inbox } from './inbox';
import { linkOf } from './links';
import { Outgoing } from './outgoing';
import { packetsOf, Receiver } from './packets';
import { lightOfReceived, lightOfSent, plannedRig } from './rig';
import { PLANNED_SENDER, send } from './sending';

const SHOW = aShow({
  props: [aLine('rail', 30)],
  controllers: [aController()],
  patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
});

const wantedOf = (plan: Plan, at: number) =>
  painted(PATTERNS[at % PATTERNS.length]!, {
    plan,
    stretches: stretchesOf(plan, { on: 'show' }),
    timeS: 0.3,
    step: null,
    level: 1,
    colour: [10, 20, 30, 40],
  });

/** Art-Net has port-addresses up to 32767, which is a finding too. */
const isAddressed = ({ show, spans }: Plan) =>
  spans.every(({ controller, universe }) => {
    const device = show.controllers[controller]!;
    const told = universe === null ? 0 : portAddressOn(device, universe);
    return device.protocol !== 'artnet' || (told >= 0 && told <= 32_767);
  });

/** Devices of one address would hear each other, which is a finding of its own; universes that two protocols share go over both. */
const isPlain = (plan: Plan) => {
  const { show } = plan;
  const ips = show.controllers.map(({ network }) => network?.ip ?? '');
  return (
    new Set(ips).size === ips.length &&
    new Set(show.controllers.map(({ protocol }) => protocol)).size <= 1 &&
    isAddressed(plan) &&
    show.controllers.every((_, controller) => linkOf(plan, controller) === 'network')
  );
};

it('what goes over the network, through a capture file, lights what was sent', () => {
  fc.assert(
    fc.property(anyBusyShow, fc.nat(), fc.nat(1000), (show, at, frame) => {
      const plan = planShow(show);
      fc.pre(isPlain(plan));
      const wanted = wantedOf(plan, at);
      const packets = packetsOf(plan, send(plan, PLANNED_SENDER, wanted), frame);
      const capture = writePcap(
        packets.map((packet, i) => ({ ...packet, from: '127.0.0.1', fromPort: 40_000, timeUs: i })),
      );
      const { datagrams, otherPackets } = readPcap(capture);
      expect(otherPackets).toBe(0);
      const receiver = new Receiver(plan);
      for (const datagram of datagrams) receiver.hear(datagram);
      expect([receiver.malformed, receiver.others]).toEqual([0, 0]);
      expect(lightOfReceived(plannedRig(plan), receiver.sentTo)).toEqual(
        lightOfSent(plannedRig(plan), wanted),
      );
    }),
    { numRuns: tries(60), endOnFailure: true },
  );
}, 60_000);

it('counts what is malformed or for nobody, and it lights nothing', () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ maxLength: 700 }),
      fc.constantFrom(5568, 0x1936, 4048, 9),
      (payload, toPort) => {
        const plan = planShow(SHOW);
        const receiver = new Receiver(plan);
        receiver.hear({ to: '127.0.0.1', toPort, payload });
        expect(receiver.malformed + receiver.others).toBe(1);
        expect(lightOfReceived(plannedRig(plan), receiver.sentTo).every((byte) => byte === 0)).toBe(true);
      },
    ),
    { numRuns: tries(300) },
  );
});

it('each device that is sent to alone shows what was sent, over every link, at once or synchronised', () => {
  fc.assert(
    fc.property(anyBusyShow, fc.nat(), fc.boolean(), (show, at, isSynced) => {
      const plan = planShow(show);
      fc.pre(isAddressed(plan));
      const pictures = [wantedOf(plan, at), wantedOf(plan, at + 1), wantedOf(plan, at + 2)];
      const sents = pictures.map((wanted) => send(plan, PLANNED_SENDER, wanted));
      const outgoing = new Outgoing(plan, sents[0]!, { isSynced, mostGroups: 0, withLinks: true });
      const inboxes = show.controllers.map((_, controller) => new Inbox(plan, controller));
      sents.forEach((sent, frame) => {
        outgoing.write(sent, frame);
        for (const { controller, payload } of outgoing.packets)
          inboxes[controller]!.hear(Uint8Array.from(payload), 25 * frame);
        // Art-Net shows its first picture before it has heard that there is synchronisation.
        const light = lightOfReceived(plannedRig(plan), (controller) => inboxes[controller]!.sent);
        expect(light).toEqual(lightOfSent(plannedRig(plan), pictures[frame]!));
      });
      for (const inbox of inboxes) expect([inbox.malformed, inbox.lost]).toEqual([0, 0]);
    }),
    { numRuns: tries(60), endOnFailure: true },
  );
}, 60_000);

const UNIVERSE_1 = send(planShow(SHOW), PLANNED_SENDER, wantedOf(planShow(SHOW), 1));
/** A device and packets for it, of which a number is the frame. */
function oneDevice(isSynced = false) {
  const plan = planShow(SHOW);
  const outgoing = new Outgoing(plan, UNIVERSE_1, { isSynced, mostGroups: 0 });
  const inbox = new Inbox(plan, 0);
  const packetAt = (frame: number, isLast = false) => {
    outgoing.write(UNIVERSE_1, frame, isLast);
    return outgoing.packets.map(({ payload }) => Uint8Array.from(payload));
  };
  return { inbox, packetAt };
}

it('counts what is missing, leaves late ones aside, and is dark when its stream ends', () => {
  const { inbox, packetAt } = oneDevice();
  for (const frame of [250, 255, 3]) inbox.hear(packetAt(frame)[0]!, 0);
  // 251 to 254, and 0 to 2.
  expect([inbox.lost, inbox.others, inbox.pictures]).toEqual([7, 0, 3]);
  inbox.hear(packetAt(1)[0]!, 0);
  expect([inbox.lost, inbox.others]).toEqual([7, 1]);
  inbox.hear(packetAt(4, true)[0]!, 0);
  expect(inbox.sent.universes.size).toBe(0);
});

it('follows the source of the highest priority until it is gone', () => {
  const { inbox, packetAt } = oneDevice();
  const other = packetAt(0)[0]!;
  other[22] = 0;
  other[108] = 150;
  inbox.hear(other, 0);
  inbox.hear(packetAt(1)[0]!, 100);
  expect(inbox.others).toBe(1);
  inbox.hear(packetAt(2)[0]!, 3000);
  expect([inbox.others, inbox.pictures]).toEqual([1, 2]);
});

it('follows the newer of two sources of the same priority', () => {
  const { inbox, packetAt } = oneDevice();
  const other = packetAt(0)[0]!;
  other[22] = 0;
  inbox.hear(other, 0);
  inbox.hear(packetAt(1)[0]!, 100);
  expect([inbox.others, inbox.pictures]).toEqual([0, 2]);
});

it('holds a synchronised picture until it is told to show it', () => {
  const { inbox, packetAt } = oneDevice(true);
  const [data, sync] = packetAt(0);
  inbox.hear(data!, 0);
  expect(inbox.sent.universes.size).toBe(0);
  inbox.hear(sync!, 0);
  expect([inbox.sent.universes.size, inbox.pictures]).toEqual([1, 1]);
});
