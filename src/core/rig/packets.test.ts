import fc from 'fast-check';
import { anyBusyShow } from '../../../tests/unit/busyShows';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { PATTERNS, painted } from '../patterns/registry';
import { stretchesOf } from '../patterns/selection';
import { portAddressOn } from '../addressing/numbering';
import { takesRawFrames } from '../devices/rawFrames';
import { planShow } from '../plan/plan';
import type { Plan } from '../plan/planned';
import { readPcap, writePcap } from '../protocols/pcap';
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

/** Devices of one address would hear each other, which is a finding of its own; universes that two protocols share go over both. */
const isPlain = ({ show, spans }: Plan) => {
  const ips = show.controllers.map(({ network }) => network?.ip ?? '');
  return (
    new Set(ips).size === ips.length &&
    new Set(show.controllers.map(({ protocol }) => protocol)).size <= 1 &&
    // Art-Net has port-addresses up to 32767, which is a finding too.
    spans.every(({ controller, universe }) => {
      const device = show.controllers[controller]!;
      const told = universe === null ? 0 : portAddressOn(device, universe);
      return device.protocol !== 'artnet' || (told >= 0 && told <= 32_767);
    }) &&
    !show.controllers.some((each) => takesRawFrames(show, each))
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
      expect(lightOfReceived(plannedRig(plan), receiver.sent)).toEqual(lightOfSent(plannedRig(plan), wanted));
    }),
    { numRuns: 60, endOnFailure: true },
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
        expect(lightOfReceived(plannedRig(plan), receiver.sent).every((byte) => byte === 0)).toBe(true);
      },
    ),
    { numRuns: 300 },
  );
});
