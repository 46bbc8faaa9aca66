import {
  artnet,
  decodeArtNet,
  encodeArtDmx,
  encodeArtPoll,
  encodeArtPollReply,
  encodeArtSync,
  portAddressOf,
} from './artNet';
import { ddp, decodeDdp, encodeDdp } from './ddp';
import { decodeE131, e131, encodeE131Data, encodeE131Discovery, encodeE131Sync } from './e131';
import { decodeEthernet, decodeIpv4, encodeEthernet } from './ethernet';
import { listensToGroups } from './registry';

/** A copy with bytes from one place on replaced. */
const changed = (packet: Uint8Array, at: number, ...bytes: number[]) => {
  const copy = Uint8Array.from(packet);
  copy.set(bytes, at);
  return copy;
};
const longer = (packet: Uint8Array, by: number) => {
  const copy = new Uint8Array(packet.length + by);
  copy.set(packet.subarray(0, copy.length));
  return copy;
};

/** Each byte that the protocol fixes, changed in its lowest and its highest bit, and each shorter packet, is refused. */
function expectFixed(
  packet: Uint8Array,
  fixed: readonly (readonly [from: number, to: number])[],
  decode: (bytes: Uint8Array) => unknown,
) {
  expect(decode(packet)).not.toBeNull();
  for (const [from, to] of fixed)
    for (let at = from; at <= to; at += 1)
      for (const bit of [1, 0x80])
        expect([at, bit, decode(changed(packet, at, packet[at]! ^ bit))]).toEqual([at, bit, null]);
  for (let length = 0; length < packet.length; length += 1)
    expect([length, decode(packet.subarray(0, length))]).toEqual([length, null]);
}

const source = { cid: Uint8Array.from({ length: 16 }, (_, i) => i + 1), name: 'Quay' };
const data = {
  source,
  universe: 5,
  priority: 100,
  sequence: 7,
  syncAddress: 0,
  isPreview: false,
  isTerminated: false,
  startCode: 0,
  slots: Uint8Array.of(1, 2, 3),
};

describe('E1.31', () => {
  const packet = encodeE131Data(data);
  it('refuses data whose fixed fields are others, or that is cut', () => {
    // Preamble and identifier, length and vector of the root; those of framing; those of the data, its type, first address and step.
    expectFixed(
      packet,
      [
        [0, 21],
        [38, 43],
        [115, 124],
      ],
      decodeE131,
    );
  });
  it('takes universes from 1 to 63,999 and priorities up to 200', () => {
    for (const [universe, isTaken] of [
      [0, false],
      [1, true],
      [63_999, true],
      [64_000, false],
    ] as const)
      expect([universe, decodeE131(changed(packet, 113, universe >> 8, universe & 255)) !== null]).toEqual([
        universe,
        isTaken,
      ]);
    for (const [priority, isTaken] of [
      [0, true],
      [200, true],
      [201, false],
    ] as const)
      expect(decodeE131(changed(packet, 108, priority)) !== null).toBe(isTaken);
  });
  it('takes at most 512 slots, and none', () => {
    const of = (count: number) => decodeE131(encodeE131Data({ ...data, slots: new Uint8Array(count) }));
    expect(of(0)).toMatchObject({ slots: new Uint8Array(0) });
    expect(of(512)).toMatchObject({ kind: 'data' });
    expect(of(513)).toBeNull();
  });
  it('refuses synchronisation and lists of universes whose fixed fields are others', () => {
    expectFixed(
      encodeE131Sync({ cid: source.cid, sequence: 1, syncAddress: 9 }),
      [
        [0, 21],
        [38, 43],
      ],
      decodeE131,
    );
    const [list] = encodeE131Discovery(source, [1, 2]);
    expectFixed(
      list!,
      [
        [0, 21],
        [38, 43],
        [112, 117],
      ],
      decodeE131,
    );
    // A longer synchronisation, and half a universe behind a list, with lengths that agree.
    const stretched = (from: Uint8Array, layers: readonly number[]) =>
      layers.reduce((made, at) => changed(made, at, 0x70, made.length - at), longer(from, 1));
    expect(
      decodeE131(stretched(encodeE131Sync({ cid: source.cid, sequence: 1, syncAddress: 9 }), [16, 38])),
    ).toBeNull();
    expect(decodeE131(stretched(list!, [16, 38, 112]))).toBeNull();
  });
  it('reads no bytes behind the end that a packet says', () => {
    expect(decodeE131(longer(packet, 5))).toMatchObject({ slots: Uint8Array.of(1, 2, 3) });
  });
  it('counts every packet, ends a stream and sets it on, and counts synchronisation', () => {
    const { counts, syncPacket, hear } = e131;
    if (counts.kind !== 'universes') throw new Error('E1.31 counts universes.');
    const stream = counts.packetOf(5, Uint8Array.of(9, 9, 9), source, true);
    const heardAt = (frame: number, isLast: boolean) => {
      stream.write(Uint8Array.of(1, 2, 3), frame, isLast);
      return hear(stream.payload);
    };
    expect(heardAt(258, false)).toMatchObject({ sequence: 2, isLast: false, isHeld: true, told: 5 });
    expect(heardAt(255, true)).toMatchObject({ sequence: 255, isLast: true });
    expect(heardAt(256, false)).toMatchObject({ sequence: 0, isLast: false });
    const sync = syncPacket!(source);
    sync.write(null, 258, false);
    expect(decodeE131(sync.payload)).toMatchObject({ kind: 'sync', sequence: 2 });
    expect(hear(sync.payload)).toEqual({ kind: 'show' });
    expect(hear(encodeE131Data({ ...data, isPreview: true }))).toEqual({ kind: 'other' });
    expect(hear(encodeE131Data({ ...data, startCode: 0xdd }))).toEqual({ kind: 'other' });
  });
});

describe('Art-Net', () => {
  const levels = encodeArtDmx({
    sequence: 1,
    physical: 0,
    portAddress: 0x1234,
    slots: Uint8Array.of(1, 2, 3, 4),
  });
  it('refuses levels whose fixed fields are others, or that are cut', () => {
    expectFixed(levels, [[0, 9]], decodeArtNet);
    // Newer versions are taken, older ones are not; so are nets up to 127.
    expect(decodeArtNet(changed(levels, 10, 0, 13))).toBeNull();
    expect(decodeArtNet(changed(levels, 10, 0, 15))).not.toBeNull();
    expect(decodeArtNet(changed(levels, 15, 127))).toMatchObject({ portAddress: 0x7f34 });
    expect(decodeArtNet(changed(levels, 15, 128))).toBeNull();
  });
  it('takes an even number of slots from 2 to 512, all of which are there', () => {
    const says = (length: number) => decodeArtNet(changed(levels, 16, length >> 8, length & 255));
    expect([0, 1, 2, 3, 4, 5, 6].filter((length) => says(length) !== null)).toEqual([2, 4]);
    const of = (count: number) => longer(changed(levels, 16, count >> 8, count & 255), count);
    expect(decodeArtNet(of(512))).not.toBeNull();
    expect(decodeArtNet(of(514))).toBeNull();
  });
  it('tells apart the other kinds, and what is not needed', () => {
    expectFixed(encodeArtSync(), [[0, 9]], decodeArtNet);
    expectFixed(encodeArtPoll({ flags: 2, diagPriority: 3 }), [[0, 9]], decodeArtNet);
    expect(artnet.hear(encodeArtSync())).toEqual({ kind: 'show' });
    expect(artnet.hear(encodeArtPoll({ flags: 0, diagPriority: 0 }))).toEqual({ kind: 'other' });
    expect(artnet.hear(Uint8Array.of(1))).toBeNull();
    expect(artnet.poll!.isQuestion(artnet.poll!.question())).toBe(true);
    expect(artnet.poll!.isQuestion(encodeArtSync())).toBe(false);
    expect(artnet.poll!.isQuestion(Uint8Array.of(1))).toBe(false);
    expect(artnet.poll!.read(Uint8Array.of(1))).toBeNull();
  });
  const reply = (outputs: readonly number[], more: { shortName?: string } = {}) =>
    encodeArtPollReply({
      ip: [10, 40, 0, 21],
      shortName: 'Pier box',
      longName: 'x'.repeat(80),
      nodeReport: '',
      netSwitch: 1,
      subSwitch: 2,
      outputs: [...outputs],
      ...more,
    });
  it('reads a reply of at least 207 bytes from port 6454 with switches in their ranges', () => {
    const whole = reply([0x123, 0x125]);
    const of = (bytes: Uint8Array) => decodeArtNet(bytes);
    expect(of(whole.subarray(0, 207))).toMatchObject({ kind: 'pollReply', outputs: [0x123, 0x125] });
    expect(of(whole.subarray(0, 206))).toBeNull();
    expect(of(changed(whole, 14, 0x37))).toBeNull();
    for (const [at, most] of [
      [18, 127],
      [19, 15],
    ] as const) {
      expect(of(changed(whole, at, most))).not.toBeNull();
      expect(of(changed(whole, at, most + 1))).toBeNull();
    }
  });
  it('lists at most four outputs, and of those that are there only outputs', () => {
    const outputs = (bytes: Uint8Array) => (decodeArtNet(bytes) as { outputs: readonly number[] }).outputs;
    const five = reply([0x120, 0x121, 0x122, 0x123, 0x124]);
    expect(outputs(five)).toEqual([0x120, 0x121, 0x122, 0x123]);
    expect([...five.subarray(178, 182)]).toEqual([0, 0, 0, 0]);
    expect([...five.subarray(182, 186)]).toEqual([0x80, 0x80, 0x80, 0x80]);
    expect(outputs(changed(five, 173, 2))).toEqual([0x120, 0x121]);
    // The second of them takes in, and gives nothing out.
    expect(outputs(changed(five, 175, 0x40))).toEqual([0x120, 0x122, 0x123]);
  });
  it('writes names in ASCII, one byte shorter than their field', () => {
    const named = (shortName: string) =>
      decodeArtNet(reply([], { shortName })) as { shortName: string; longName: string };
    expect(named('\u001fA ~\u007fÄ').shortName).toBe('?A ~??');
    expect(named('abcdefghijklmnopqrst').shortName).toBe('abcdefghijklmnopq');
    expect(named('').longName).toBe('x'.repeat(63));
    // A name that fills its field has no 0 at its end.
    const filled = changed(reply([]), 26, ...new Array<number>(18).fill(0x41));
    expect(decodeArtNet(filled)).toMatchObject({ shortName: 'A'.repeat(18) });
  });
  it('answers a question for its device with the outputs that share its first net and sub-net', () => {
    const answered = (outputs: readonly number[]) => decodeArtNet(artnet.poll!.answer('Pier box', outputs));
    expect(answered([0x123, 0x124, 0x133])).toMatchObject({
      netSwitch: 1,
      subSwitch: 2,
      outputs: [0x123, 0x124],
    });
    expect(answered([])).toMatchObject({ netSwitch: 0, subSwitch: 0, outputs: [] });
    expect(portAddressOf({ net: 3, subNet: 5, universe: 7 })).toBe(3 * 256 + 5 * 16 + 7);
  });
});

describe('DDP', () => {
  const packet: Parameters<typeof encodeDdp>[0] = {
    sequence: 3,
    dataType: 0x0b,
    destinationId: 1,
    offset: 0x01020304,
    isPush: true,
    isQuery: false,
    isReply: false,
    timecode: null,
    data: Uint8Array.of(1, 2, 3),
  };
  it('refuses another version, storage, and what is cut, with and without a time', () => {
    expectFixed(encodeDdp(packet), [], decodeDdp);
    expectFixed(encodeDdp({ ...packet, timecode: 5 }), [], decodeDdp);
    const flags = encodeDdp(packet)[0]!;
    for (const version of [0x00, 0x80, 0xc0])
      expect(decodeDdp(changed(encodeDdp(packet), 0, (flags & 0x3f) | version))).toBeNull();
    expect(decodeDdp(changed(encodeDdp(packet), 0, flags | 0x08))).toBeNull();
  });
  it('carries at most 1,440 bytes', () => {
    expect(decodeDdp(encodeDdp({ ...packet, data: new Uint8Array(1440) }))).not.toBeNull();
    expect(decodeDdp(encodeDdp({ ...packet, data: new Uint8Array(1441) }))).toBeNull();
  });
  it('hears data, and neither queries nor replies', () => {
    expect(ddp.hear(encodeDdp(packet))).toEqual({
      kind: 'bytes',
      offset: 0x01020304,
      data: Uint8Array.of(1, 2, 3),
      isLast: true,
    });
    expect(ddp.hear(encodeDdp({ ...packet, isReply: true }))).toEqual({ kind: 'other' });
    expect(ddp.hear(encodeDdp({ ...packet, isQuery: true, data: new Uint8Array(0) }))).toEqual({
      kind: 'other',
    });
    expect(ddp.hear(Uint8Array.of(1))).toBeNull();
  });
  it('counts packet after packet from 1 to 15, over all packets of a picture', () => {
    if (ddp.counts.kind !== 'bytes') throw new Error('DDP counts bytes.');
    const packets = ddp.counts.packetsOf(new Uint8Array(3 * 1440));
    const counted = Array.from({ length: 7 }, (_, frame) =>
      packets.map((each) => {
        each.write(null, frame, false);
        return decodeDdp(each.payload)!.sequence;
      }),
    ).flat();
    expect(counted).toEqual(Array.from({ length: 21 }, (_, i) => 1 + (i % 15)));
  });
});

describe('UDP over IPv4 and Ethernet', () => {
  const datagram = {
    from: '10.0.0.1',
    to: '10.0.0.2',
    fromPort: 5000,
    toPort: 5568,
    payload: Uint8Array.of(1, 2, 3),
  };
  const frame = encodeEthernet(datagram, 1);
  const ip = frame.subarray(14);
  it('refuses other kinds, pieces, and lengths that do not agree', () => {
    // Version and kind of the header, its length, and that it carries UDP.
    expect(decodeIpv4(ip)).toEqual(datagram);
    for (const [at, value] of [
      [0, 0x65],
      [0, 0x44],
      [9, 6],
      [6, 0x20],
      [7, 1],
      [3, ip.length + 1],
      [3, 27],
      [25, 7],
      [25, 12],
    ] as const)
      expect([at, value, decodeIpv4(changed(ip, at, value))]).toEqual([at, value, null]);
    // “Do not fragment” is no piece.
    expect(decodeIpv4(changed(ip, 6, 0x40))).toEqual(datagram);
    for (let length = 0; length < ip.length; length += 1)
      expect(decodeIpv4(ip.subarray(0, length))).toBeNull();
  });
  it('reads past options of the header, and nothing behind the end of the datagram', () => {
    const options = new Uint8Array(ip.length + 4);
    options.set(ip.subarray(0, 20));
    options.set(ip.subarray(20), 24);
    expect(decodeIpv4(changed(changed(options, 0, 0x46), 2, 0, options.length))).toEqual(datagram);
    expect(decodeIpv4(longer(ip, 3))).toEqual(datagram);
  });
  it('reads frames with and without a VLAN tag, and no others', () => {
    expect(decodeEthernet(frame)).toEqual(datagram);
    const tagged = new Uint8Array(frame.length + 4);
    tagged.set(frame.subarray(0, 12));
    tagged.set([0x81, 0x00, 0, 5], 12);
    tagged.set(frame.subarray(12), 16);
    expect(decodeEthernet(tagged)).toEqual(datagram);
    expect(decodeEthernet(changed(tagged, 16, 0x86, 0xdd))).toBeNull();
    expect(decodeEthernet(changed(frame, 12, 0x86, 0xdd))).toBeNull();
    for (let length = 0; length < frame.length; length += 1)
      expect(decodeEthernet(frame.subarray(0, length))).toBeNull();
  });
});

it('listens to groups where its protocol has some and its device is sent to by them', () => {
  const of = (protocol: 'e131' | 'artnet' | 'ddp', casting?: 'unicast' | 'multicast') =>
    listensToGroups({ protocol, network: casting && { casting } });
  expect(of('e131', 'multicast')).toBe(true);
  expect(of('e131', 'unicast')).toBe(false);
  expect(of('e131')).toBe(false);
  expect(of('artnet', 'multicast')).toBe(false);
  expect(of('ddp', 'multicast')).toBe(false);
});
