import { given } from '../figures/explained';
import fc from 'fast-check';
import { freeAddress, ipNumber, ipv4Schema, maskWords, networkOf, reachOf, serialRate } from './network';

const ip = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255), fc.nat(255)).map((octets) => octets.join('.'));

const rateOf = (pixels: number, baud: number) =>
  serialRate(given('pixels', pixels, 'pixels'), given('line', baud, 'baud')).value;

it('reads addresses of four numbers, and nothing else', () => {
  expect(ipNumber('192.168.1.20')).toBe(3232235796);
  fc.assert(fc.property(ip, (text) => expect(ipv4Schema.safeParse(text).success).toBe(true)));
  for (const bad of ['', '1.2.3', '256.1.1.1', '1.2.3.4.5', 'a.b.c.d', '1.2.3.-4'])
    expect(ipv4Schema.safeParse(bad).success).toBe(false);
});

it('knows masks and networks', () => {
  expect(maskWords(24)).toBe('255.255.255.0');
  expect(maskWords(20)).toBe('255.255.240.0');
  // By bits, independently of the arithmetic above.
  fc.assert(
    fc.property(ip, fc.integer({ min: 1, max: 30 }), (text, bits) => {
      const binary = ipNumber(text).toString(2).padStart(32, '0');
      expect(networkOf(text, bits)).toBe(parseInt(binary.slice(0, bits).padEnd(32, '0'), 2));
    }),
  );
});

it('says why two devices cannot talk, and what to change', () => {
  const at = (name: string, address: string, maskBits = 24, gateway?: string) => ({
    name,
    ip: address,
    maskBits,
    gateway,
  });
  const why = (...ends: Parameters<typeof reachOf>) => {
    const reach = reachOf(...ends);
    return reach.by === 'nothing' ? reach.why : reach.by;
  };
  const player = at('Player', '10.40.0.1');
  expect(why(player, at('Box', '10.40.0.21'))).toBe('itself');
  expect(why(player, at('Box', '10.40.1.21'))).toBe(
    'Box at 10.40.1.21 is in another network than Player at 10.40.0.1 (255.255.255.0): give it an address that begins with 10.40.0, or say the routers of both.',
  );
  expect(why(at('Player', '10.40.0.1', 16), at('Box', '10.40.1.21'))).toBe(
    'Box takes the other to be in another network, because its mask is 255.255.255.0: set both masks to 255.255.0.0.',
  );
  expect(why(at('A', '10.0.0.1'), at('B', '10.0.0.1'))).toContain('both have 10.0.0.1');
  // Routed: each end has a router in its own network.
  const routed = at('Player', '10.40.0.1', 24, '10.40.0.254');
  expect(why(routed, at('Box', '10.40.1.21', 24, '10.40.1.254'))).toBe('router');
  expect(why(routed, at('Box', '10.40.1.21'))).toContain('Box at 10.40.1.21 is in another network');
  expect(why(routed, at('Box', '10.40.1.21'))).toContain('type the address of its router as well');
  expect(why(routed, at('Box', '10.40.1.21', 24, '10.40.0.254'))).toContain('is not in its network');
});

it('finds a free address in the same network', () => {
  const sender = { ip: '10.40.0.10', maskBits: 24 };
  expect(freeAddress(sender, [])).toBe('10.40.0.20');
  expect(freeAddress(sender, ['10.40.0.20', '10.40.0.21'])).toBe('10.40.0.22');
  // Two addresses besides the network's own and the broadcast, and both are taken.
  expect(freeAddress({ ip: '10.0.0.1', maskBits: 30 }, ['10.0.0.2'])).toBeNull();
  fc.assert(
    fc.property(ip, fc.integer({ min: 8, max: 28 }), (address, maskBits) => {
      const free = freeAddress({ ip: address, maskBits }, [])!;
      expect(networkOf(free, maskBits)).toBe(networkOf(address, maskBits));
      expect(free).not.toBe(address);
    }),
  );
});

it('counts what is on the wire', () => {
  // 230 pixels: 696 bytes, 60.4 ms at 115,200 baud.
  expect(1000 / rateOf(230, 115_200)).toBeCloseTo(60.4, 1);
});
