import { universesOf } from './registry';
import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { decodeArtNet, encodeArtDmx, encodeArtPoll, encodeArtPollReply, encodeArtSync } from './artNet';
import { ddpFrame, decodeDdp, encodeDdp } from './ddp';
import { decodeE131, encodeE131Data, encodeE131Discovery, encodeE131Sync, type E131Data } from './e131';
import { decodeRawFrame, rawFrames } from './rawFrame';
import { encodeSerialFrame, SerialReader } from './serialFrame';

const hex = (text: string) =>
  Uint8Array.from(
    text
      .trim()
      .split(/\s+/)
      .map((byte) => parseInt(byte, 16)),
  );
const cid = Uint8Array.from({ length: 16 }, (_, i) => i + 1);
const CID = '01 02 03 04 05 06 07 08 09 0a 0b 0c 0d 0e 0f 10';
const zeros = (count: number) => Array(count).fill('00').join(' ');
const anySlots = (most: number) => fc.uint8Array({ minLength: 1, maxLength: most });

describe('E1.31, as the tables of the standard have it', () => {
  it('data of three slots', () => {
    const packet: Omit<E131Data, 'kind'> = {
      source: { cid, name: 'Quay' },
      universe: 0x0203,
      priority: 100,
      sequence: 0x2a,
      syncAddress: 0x0fa0,
      isPreview: true,
      isTerminated: false,
      startCode: 0,
      slots: Uint8Array.of(0xff, 0x80, 0x01),
    };
    const bytes = hex(`
      00 10 00 00 41 53 43 2d 45 31 2e 31 37 00 00 00
      70 71 00 00 00 04 ${CID}
      70 5b 00 00 00 02 51 75 61 79 ${zeros(60)} 64 0f a0 2a 80 02 03
      70 0e 02 a1 00 00 00 01 00 04 00 ff 80 01`);
    expect(encodeE131Data(packet)).toEqual(bytes);
    expect(decodeE131(bytes)).toEqual({ kind: 'data', ...packet });
  });
  it('a whole universe is 638 bytes', () => {
    const slots = new Uint8Array(512);
    expect(
      encodeE131Data({
        source: { cid, name: '' },
        universe: 1,
        priority: 0,
        sequence: 0,
        syncAddress: 0,
        isPreview: false,
        isTerminated: true,
        startCode: 0,
        slots,
      }),
    ).toHaveLength(638);
  });
  it('synchronisation', () => {
    const bytes = hex(`
      00 10 00 00 41 53 43 2d 45 31 2e 31 37 00 00 00
      70 21 00 00 00 08 ${CID}
      70 0b 00 00 00 01 07 1f 40 00 00`);
    expect(encodeE131Sync({ cid, sequence: 7, syncAddress: 8000 })).toEqual(bytes);
    expect(decodeE131(bytes)).toEqual({ kind: 'sync', cid, sequence: 7, syncAddress: 8000 });
  });
  it('universe discovery, in pages of 512', () => {
    const bytes = hex(`
      00 10 00 00 41 53 43 2d 45 31 2e 31 37 00 00 00
      70 6c 00 00 00 08 ${CID}
      70 56 00 00 00 02 51 75 61 79 ${zeros(60)} 00 00 00 00
      70 0c 00 00 00 01 00 00 00 01 00 07`);
    expect(encodeE131Discovery({ cid, name: 'Quay' }, [7, 1])).toEqual([bytes]);
    const pages = encodeE131Discovery(
      { cid, name: 'Quay' },
      Array.from({ length: 600 }, (_, i) => i + 1),
    );
    expect(pages.map((page) => decodeE131(page))).toMatchObject([
      { page: 0, lastPage: 1, universes: { length: 512 } },
      { page: 1, lastPage: 1, universes: { length: 88 } },
    ]);
  });
  it('reads what it writes', () => {
    fc.assert(
      fc.property(
        fc.record({
          source: fc.record({
            cid: fc.constant(cid),
            name: fc.string({ maxLength: 60, unit: 'grapheme-ascii' }),
          }),
          universe: fc.integer({ min: 1, max: 63_999 }),
          priority: fc.integer({ min: 0, max: 200 }),
          sequence: fc.integer({ min: 0, max: 255 }),
          syncAddress: fc.integer({ min: 0, max: 63_999 }),
          isPreview: fc.boolean(),
          isTerminated: fc.boolean(),
          startCode: fc.integer({ min: 0, max: 255 }),
          slots: fc.uint8Array({ maxLength: 512 }),
        }),
        (packet) => {
          expect(decodeE131(encodeE131Data(packet))).toEqual({ kind: 'data', ...packet });
        },
      ),
    );
  });
  it('cuts a long name between letters', () => {
    const name = 'é'.repeat(40);
    const [page] = encodeE131Discovery({ cid, name }, [1]);
    expect(decodeE131(page!)).toMatchObject({ source: { name: 'é'.repeat(31) } });
  });
});

describe('Art-Net, as its specification has it', () => {
  it('levels', () => {
    const bytes = hex('41 72 74 2d 4e 65 74 00 00 50 00 0e 05 00 34 12 00 04 01 02 03 00');
    const slots = Uint8Array.of(1, 2, 3);
    expect(encodeArtDmx({ sequence: 5, physical: 0, portAddress: 0x1234, slots })).toEqual(bytes);
    expect(decodeArtNet(bytes)).toEqual({
      kind: 'dmx',
      sequence: 5,
      physical: 0,
      portAddress: 0x1234,
      slots: Uint8Array.of(1, 2, 3, 0),
    });
  });
  it('synchronisation and poll', () => {
    expect(encodeArtSync()).toEqual(hex('41 72 74 2d 4e 65 74 00 00 52 00 0e 00 00'));
    expect(decodeArtNet(encodeArtSync())).toEqual({ kind: 'sync' });
    const poll = encodeArtPoll({ flags: 2, diagPriority: 0x10 });
    expect(poll).toEqual(hex('41 72 74 2d 4e 65 74 00 00 20 00 0e 02 10'));
    expect(decodeArtNet(poll)).toEqual({ kind: 'poll', flags: 2, diagPriority: 0x10 });
  });
  it('the reply of a device with its port-addresses', () => {
    const reply = {
      ip: [127, 0, 0, 9] as const,
      shortName: 'Boathouse',
      longName: 'Boathouse box, ground floor',
      nodeReport: '#0001 [0000] as planned',
      netSwitch: 1,
      subSwitch: 2,
      outputs: [0x120, 0x123],
    };
    const bytes = encodeArtPollReply(reply);
    expect(bytes).toHaveLength(239);
    expect(bytes.slice(0, 26)).toEqual(
      hex(`41 72 74 2d 4e 65 74 00 00 21 7f 00 00 09 36 19 00 00 01 02 ${zeros(6)}`),
    );
    expect(decodeArtNet(bytes)).toEqual({ kind: 'pollReply', ...reply });
  });
  it('reads what it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 32_767 }), anySlots(512), (portAddress, slots) => {
        const read = decodeArtNet(encodeArtDmx({ sequence: 1, physical: 0, portAddress, slots }));
        expect(read).toMatchObject({ portAddress });
        const even = (read as { slots: Uint8Array }).slots;
        expect(even.length % 2).toBe(0);
        expect(even.slice(0, slots.length)).toEqual(slots);
      }),
    );
  });
});

describe('DDP', () => {
  it('data that is shown at once', () => {
    const bytes = hex('41 03 0b 01 00 01 02 03 00 06 ff 00 00 00 ff 00');
    const packet = {
      sequence: 3,
      dataType: 0x0b,
      destinationId: 1,
      offset: 0x010203,
      isPush: true,
      isQuery: false,
      isReply: false,
      timecode: null,
      data: Uint8Array.of(255, 0, 0, 0, 255, 0),
    };
    expect(encodeDdp(packet)).toEqual(bytes);
    expect(decodeDdp(bytes)).toEqual(packet);
  });
  it('a time, and a query that carries nothing', () => {
    const timed = hex('51 00 0b 01 00 00 00 00 00 03 01 02 03 04 09 08 07');
    expect(decodeDdp(timed)).toMatchObject({ timecode: 0x01020304, data: Uint8Array.of(9, 8, 7) });
    expect(decodeDdp(hex('42 00 00 fb 00 00 00 00 00 00'))).toMatchObject({
      isQuery: true,
      destinationId: 251,
    });
  });
  it('cuts a picture into packets of which the last one shows it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 6000 }), (length) => {
        const frame = Uint8Array.from({ length }, (_, i) => i % 251);
        const packets = ddpFrame(frame, { dataType: 0x0b, sequenceOf: (i) => 1 + (i % 15) }).map((bytes) =>
          decodeDdp(bytes)!,
        );
        const back = new Uint8Array(length);
        for (const { offset, data } of packets) back.set(data, offset);
        expect(back).toEqual(frame);
        expect(packets.map(({ isPush }) => isPush)).toEqual(packets.map((_, i) => i === packets.length - 1));
        expect(packets).toHaveLength(Math.max(1, Math.ceil(length / 1440)));
      }),
    );
  });
});

describe('frames over a serial line', () => {
  it('two pixels, byte for byte', () => {
    const frame = encodeSerialFrame(3, Uint8Array.of(1, 2, 3, 4, 5, 6));
    // The check byte is the exclusive or of the three before it, turned over.
    expect(frame).toEqual(hex('a5 5a 00 02 03 fe 01 02 03 04 05 06'));
  });
  it('are found in a stream that is cut anywhere, with noise between them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.uint8Array({ minLength: 0, maxLength: 30 }), { maxLength: 6 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 40 }),
        (contents, cuts) => {
          const data = contents.map((bytes) => bytes.subarray(0, bytes.length - (bytes.length % 3)));
          const noise = Uint8Array.of(0, 0xa5, 7);
          const stream = Uint8Array.from(data.flatMap((each) => [...noise, ...encodeSerialFrame(3, each)]));
          const reader = new SerialReader();
          const read: Uint8Array[] = [];
          for (let at = 0, i = 0; at < stream.length; i += 1) {
            const length = cuts[i % cuts.length]!;
            read.push(...reader.push(stream.subarray(at, at + length)).map((frame) => frame.data));
            at += length;
          }
          expect(read).toEqual(data.map((each) => Uint8Array.from(each)));
          expect(reader.skippedBytes).toBe(3 * data.length);
        },
      ),
    );
  });
});

it('raw frames carry a picture row by row, wide rows in pieces', () => {
  const [width, height] = [700, 2];
  const rgb = Uint8Array.from({ length: 3 * width * height }, (_, i) => i % 253);
  const frames = rawFrames(width, rgb, 200);
  expect(frames.every((frame) => frame.length <= 1500)).toBe(true);
  const back = new Uint8Array(rgb.length);
  for (const bytes of frames) {
    const frame = decodeRawFrame(bytes)!;
    if (frame.kind === 'row') back.set(frame.rgb, 3 * (frame.row * width + frame.firstColumn));
    else expect(frame.brightness).toBe(200);
  }
  expect(back).toEqual(rgb);
});

it('nothing that comes in throws, and what is cut short is refused', () => {
  const good = [
    [
      decodeE131,
      encodeE131Data({
        source: { cid, name: 'Quay' },
        universe: 1,
        priority: 100,
        sequence: 0,
        syncAddress: 0,
        isPreview: false,
        isTerminated: false,
        startCode: 0,
        slots: new Uint8Array(30),
      }),
    ],
    [decodeE131, encodeE131Sync({ cid, sequence: 0, syncAddress: 1 })],
    [decodeE131, encodeE131Discovery({ cid, name: '' }, [1, 2])[0]!],
    [decodeArtNet, encodeArtDmx({ sequence: 0, physical: 0, portAddress: 0, slots: new Uint8Array(20) })],
    [decodeDdp, ddpFrame(new Uint8Array(30), { dataType: 0x0b, sequenceOf: () => 1 })[0]!],
    [decodeRawFrame, rawFrames(4, new Uint8Array(12))[0]!],
  ] as const;
  const decoders = [decodeE131, decodeArtNet, decodeDdp, decodeRawFrame];
  for (const [decode, bytes] of good) {
    expect(decode(bytes)).not.toBeNull();
    for (let length = 0; length < bytes.length; length += 1)
      expect(decode(bytes.subarray(0, length))).toBeNull();
  }
  fc.assert(
    fc.property(
      fc.constantFrom(...good.map(([, bytes]) => bytes)),
      fc.array(fc.tuple(fc.nat(700), fc.integer({ min: 0, max: 255 })), { maxLength: 6 }),
      fc.nat(700),
      (bytes, changes, cut) => {
        const mutated = Uint8Array.from(bytes.subarray(0, Math.max(1, bytes.length - (cut % bytes.length))));
        for (const [at, value] of changes) mutated[at % mutated.length] = value;
        for (const decode of decoders) decode(mutated);
        new SerialReader().push(mutated);
      },
    ),
    { numRuns: tries(2000) },
  );
});

it('says a number in three parts only where menus can take it', () => {
  const partsOf = universesOf({ protocol: 'artnet' })!.partsOf!;
  expect(partsOf(32_767)).toEqual({ net: 127, subNet: 15, universe: 15 });
  expect(partsOf(0)).toEqual({ net: 0, subNet: 0, universe: 0 });
  expect([partsOf(32_768), partsOf(54_462), partsOf(-1)]).toEqual([null, null, null]);
});
