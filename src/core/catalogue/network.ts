import { z } from 'zod';
import { computed, given, product, quotient, sum, type Explained } from '../figures/explained';

const OCTET = '(25[0-5]|2[0-4]\\d|1?\\d?\\d)';

/** Four numbers from 0 to 255. */
export const ipv4Schema = z
  .string()
  .regex(new RegExp(`^${OCTET}\\.${OCTET}\\.${OCTET}\\.${OCTET}$`), 'an address such as 192.168.1.20');

/** Address of a device on the network, and the places that hold it. */
export const networkAddressSchema = z.strictObject({
  ip: ipv4Schema,
  /** Bits of the network part: 24 is 255.255.255.0. */
  maskBits: z.int().min(1).max(30),
  /** The router through which it reaches other networks; absent where there is none or it is not set. */
  gateway: ipv4Schema.optional(),
  /** Typed into the device, leased but reserved in the router, or leased as it comes. */
  given: z.enum(['fixed', 'reserved', 'leased']),
  /** The other places that hold it: a sender, a note in the box. */
  storedBy: z.string().max(200),
  casting: z.enum(['unicast', 'multicast']),
});
export type NetworkAddress = z.infer<typeof networkAddressSchema>;

export const senderSchema = z.strictObject({
  name: z.string().min(1).max(80),
  ip: ipv4Schema,
  maskBits: z.int().min(1).max(30),
  gateway: ipv4Schema.optional(),
});

export function ipNumber(ip: string): number {
  return ip.split('.').reduce((value, octet) => value * 256 + Number(octet), 0);
}

export function maskWords(maskBits: number): string {
  const mask = 2 ** 32 - 2 ** (32 - maskBits);
  return [24, 16, 8, 0].map((shift) => Math.floor(mask / 2 ** shift) % 256).join('.');
}

/** The first address of the network that an address is in. */
export function networkOf(ip: string, maskBits: number): number {
  const size = 2 ** (32 - maskBits);
  return Math.floor(ipNumber(ip) / size) * size;
}

/** One end of a link: who it is, and how it sees the network. */
interface NetworkEnd {
  name: string;
  ip: string;
  maskBits: number;
  gateway?: string | undefined;
}

/** The way from one end to the other: direct, over routers, or none, and then the fix in one sentence. */
export type Reach = { by: 'itself' } | { by: 'router' } | { by: 'nothing'; why: string };

/**
 * Without a router each must take the other to be in its own network. With routers, each needs one in its own network; what lies
 * between these is not known here.
 */
export function reachOf(a: NetworkEnd, b: NetworkEnd): Reach {
  const not = (why: string): Reach => ({ by: 'nothing', why });
  if (ipNumber(a.ip) === ipNumber(b.ip))
    return not(`${a.name} and ${b.name} both have ${a.ip}: give one of them another.`);
  const aSeesB = sees(a, b.ip);
  const bSeesA = sees(b, a.ip);
  if (aSeesB && bSeesA) return { by: 'itself' };
  const far = [a, b].find((each) => each.gateway !== undefined && !sees(each, each.gateway));
  if (far)
    return not(
      `The router of ${far.name}, ${far.gateway}, is not in its network (${far.ip}, ${maskWords(far.maskBits)}): type one that is.`,
    );
  if (aSeesB !== bSeesA)
    return not(
      `${aSeesB ? b.name : a.name} takes the other to be in another network, because its mask is ${maskWords(aSeesB ? b.maskBits : a.maskBits)}: set both masks to ${maskWords(aSeesB ? a.maskBits : b.maskBits)}.`,
    );
  if (a.gateway !== undefined && b.gateway !== undefined) return { by: 'router' };
  const said = [a, b].find((each) => each.gateway !== undefined);
  if (said) {
    const other = said === a ? b : a;
    return not(
      `${other.name} at ${other.ip} is in another network than ${said.name} at ${said.ip}, and has no router: type the address of its router as well.`,
    );
  }
  const prefix = a.ip.split('.').slice(0, Math.max(1, Math.floor(a.maskBits / 8)));
  return not(
    `${b.name} at ${b.ip} is in another network than ${a.name} at ${a.ip} (${maskWords(a.maskBits)}): give it an address that begins with ${prefix.join('.')}, or say the routers of both.`,
  );
}

function sees({ ip, maskBits }: NetworkEnd, other: string): boolean {
  return networkOf(ip, maskBits) === networkOf(other, maskBits);
}

/** The first address of a device's network, its own aside, that nobody has; null where all are taken. */
export function freeAddress(like: { ip: string; maskBits: number }, taken: Iterable<string>): string | null {
  const used = new Set([...taken, like.ip].map(ipNumber));
  const first = networkOf(like.ip, like.maskBits);
  const last = first + 2 ** (32 - like.maskBits) - 1;
  const words = (value: number) =>
    [24, 16, 8, 0].map((shift) => Math.floor(value / 2 ** shift) % 256).join('.');
  // From .20 on where there is room: lower ones are often a router's and its friends'.
  for (let value = first + 20; value < last; value += 1) if (!used.has(value)) return words(value);
  for (let value = first + 1; value < Math.min(first + 20, last); value += 1)
    if (!used.has(value)) return words(value);
  return null;
}

/** Pictures a second over a serial line: 10 bits a byte, a header of 6 bytes and 3 bytes a pixel. */
export function serialRate(pixels: Explained, baud: Explained): Explained {
  const bytes = sum(
    product(given('bytes a pixel', 3, 'number'), pixels),
    given('header of a picture', 6, 'bytes'),
  );
  return computed(
    'pictures a second over the line',
    'perSecond',
    quotient(baud, product(bytes, given('bits a byte', 10, 'number'))),
    { rule: 'A serial line sends a start bit, 8 bits and a stop bit for each byte.' },
  );
}
