import {
  computed,
  given,
  product,
  quotient,
  roundedUp,
  sum,
  type Explained,
  type Place,
  type Term,
} from '../figures/explained';
import { portsOfController, spansOfController } from '../plan/planIndex';
import type { LaidShow } from '../plan/planned';
import { linkOf } from '../catalogue/link';
import { AROUND_PAYLOAD_BYTES } from '../protocols/packets';
import { protocolOf } from '../protocols/registry';
import { SERIAL_HEADER_BYTES } from '../protocols/serialFrame';
import { controllerAt } from '../plan/records';

interface LinkLoad {
  /** Traffic of the link, in megabits a second. */
  mbits: Explained;
  /** The part of it for pixels: without headers, and without slots of a universe that hold none. */
  payload: Explained;
  /** Packets for one picture; none on a link that is no network. */
  packets: Explained | null;
}

/** Packets to a controller. */
export function linkLoad(plan: LaidShow, index: number, rateHz: number): LinkLoad {
  const controller = controllerAt(plan, index);
  const place: Place = { stage: 'patch', subject: { kind: 'controller', controllerId: controller.id } };
  const rate = given('pictures a second', rateHz, 'number', { place: { stage: 'patch', sheet: 'propose' } });
  const megabits = (bytes: Term, more: { because?: string; rule?: string }, name = 'load of the link') =>
    computed(
      name,
      'mbits',
      quotient(
        product(bytes, given('bits a byte', 8, 'number'), rate),
        given('a million', 1_000_000, 'number'),
      ),
      { place, ...more },
    );
  const link = linkOf(plan.show, controller);
  if (link === 'own') {
    const nothing = given('load of the link', 0, 'mbits', {
      place,
      because: 'Its own program makes the pictures: nothing is sent to it.',
    });
    return { payload: nothing, mbits: nothing, packets: null };
  }
  if (link === 'serial') {
    const bytes = given('bytes of a picture', bytesOf(plan, index), 'bytes', { place });
    return {
      payload: megabits(bytes, {}, 'payload'),
      mbits: megabits(
        quotient(
          product(
            sum(bytes, given('before each picture', SERIAL_HEADER_BYTES, 'bytes')),
            given('bits a byte on the line', 10, 'number'),
          ),
          given('bits a byte', 8, 'number'),
        ),
        { because: 'A serial line sends a start bit and a stop bit with each byte.' },
      ),
      packets: null,
    };
  }
  if (link === 'raw') {
    const pixels = portsOfController(plan, index).reduce((total, port) => total + port.pixels, 0);
    const bytes = product(given('pixels', pixels, 'pixels', { place }), given('bytes a pixel', 3, 'number'));
    return {
      payload: megabits(bytes, {}, 'payload'),
      mbits: megabits(bytes, { because: 'Raw frames carry three bytes a pixel; their headers come on top.' }),
      packets: null,
    };
  }
  const { name, headerBytes, mostDataBytes, counts } = protocolOf(controller);
  const around = given('around each packet', headerBytes + AROUND_PAYLOAD_BYTES, 'bytes', {
    because: `A header of ${headerBytes} bytes, and ${AROUND_PAYLOAD_BYTES} of Ethernet, IP, UDP and pauses.`,
  });
  const spans = spansOfController(plan, index);
  const lit = given('channels of pixels', bytesOf(plan, index), 'bytes', { place });
  const payload = megabits(lit, {}, 'payload');
  if (counts.kind === 'bytes') {
    const data = given('bytes of the device', bytesOf(plan, index), 'bytes', { place });
    const packets = computed(
      'packets',
      'number',
      roundedUp(quotient(data, given('data in a packet', mostDataBytes, 'bytes'))),
    );
    return { payload, mbits: megabits(sum(data, product(packets, around)), {}), packets };
  }
  const universes = given('universes', new Set(spans.map((span) => span.universe)).size, 'number', { place });
  const bytes = product(universes, sum(given('slots of a universe', mostDataBytes, 'bytes'), around));
  return {
    payload,
    mbits: megabits(bytes, {
      rule: `${name}: a universe is sent whole, a packet for each.`,
    }),
    packets: universes,
  };
}

/** Channels of all that is behind a controller. */
const bytesOf = (plan: LaidShow, controller: number) =>
  spansOfController(plan, controller).reduce((total, { channelCount }) => total + channelCount, 0);
