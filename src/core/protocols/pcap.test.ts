import fc from 'fast-check';
import { hasTshark, readByTshark } from '../../../tests/unit/tshark';
import { encodeArtDmx, ART_NET_PORT } from './artNet';
import { DDP_PORT, ddpFrame } from './ddp';
import { ACN_SDT_MULTICAST_PORT, encodeE131Data, encodeE131Discovery, encodeE131Sync } from './e131';
import { CaptureError, readPcap, writePcap, type CapturedDatagram } from './pcap';

const at = (timeUs: number, to: string, port: number, payload: Uint8Array): CapturedDatagram => ({
  timeUs,
  from: '127.0.0.1',
  to,
  fromPort: 40_000,
  toPort: port,
  payload,
});

it('is read as it was written', () => {
  const octet = fc.integer({ min: 0, max: 255 });
  const ip = fc.tuple(octet, octet, octet, octet).map((parts) => parts.join('.'));
  const port = fc.integer({ min: 0, max: 65_535 });
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          from: ip,
          to: ip,
          fromPort: port,
          toPort: port,
          payload: fc.uint8Array({ maxLength: 80 }),
        }),
        { maxLength: 8 },
      ),
      (datagrams) => {
        const timed = datagrams.map((each, i) => ({ ...each, timeUs: i * 1_700_000 }));
        const read = readPcap(writePcap(timed));
        expect(read.otherPackets).toBe(0);
        expect(read.datagrams.map((each) => ({ ...each, payload: Uint8Array.from(each.payload) }))).toEqual(
          timed,
        );
      },
    ),
  );
});

it.each([
  ['nothing', new Uint8Array(3), /no capture/],
  ['another form', new Uint8Array(40).fill(0x0a), /pcapng/],
  [
    'a file that breaks off',
    writePcap([at(0, '127.0.0.2', 1, new Uint8Array(9))]).subarray(0, 50),
    /breaks off/,
  ],
  [
    'another link',
    Uint8Array.from(writePcap([]), (byte, i) => (i === 20 ? 105 : byte)),
    /a link of type 105/,
  ],
])('refuses %s in a sentence', (_, bytes, message) => {
  expect(() => readPcap(bytes)).toThrow(CaptureError);
  expect(() => readPcap(bytes)).toThrow(message);
});

it('counts what is no datagram, and goes on', () => {
  const bytes = writePcap([at(0, '127.0.0.2', 7, Uint8Array.of(1)), at(1, '127.0.0.2', 7, Uint8Array.of(2))]);
  // The type of the first frame is another one.
  bytes[24 + 16 + 12] = 0x86;
  expect(readPcap(bytes)).toMatchObject({ otherPackets: 1, datagrams: [{ payload: Uint8Array.of(2) }] });
});

(hasTshark() ? describe : describe.skip)('tshark reads it as meant', () => {
  const cid = new Uint8Array(16).fill(7);
  const source = { cid, name: 'Marrow Quay' };
  const slots = Uint8Array.from({ length: 510 }, (_, i) => i % 256);
  const data = {
    source,
    universe: 300,
    priority: 90,
    sequence: 17,
    syncAddress: 7000,
    isPreview: false,
    isTerminated: true,
    startCode: 0,
    slots,
  };
  const capture = writePcap([
    at(0, '239.255.1.44', ACN_SDT_MULTICAST_PORT, encodeE131Data(data)),
    at(100, '239.255.27.88', ACN_SDT_MULTICAST_PORT, encodeE131Sync({ cid, sequence: 3, syncAddress: 7000 })),
    at(200, '239.255.250.214', ACN_SDT_MULTICAST_PORT, encodeE131Discovery(source, [300, 301])[0]!),
    at(
      300,
      '127.0.0.5',
      ART_NET_PORT,
      encodeArtDmx({ sequence: 9, physical: 0, portAddress: 0x1234, slots }),
    ),
    at(
      400,
      '127.0.0.6',
      DDP_PORT,
      ddpFrame(new Uint8Array(1500), { dataType: 0x0b, sequenceOf: (i) => i + 1 })[1]!,
    ),
  ]);

  it('without a malformed packet or a wrong checksum', () => {
    expect(readByTshark(capture, ['_ws.malformed', '_ws.expert.message'], '_ws.malformed')).toEqual([]);
    expect(
      readByTshark(capture, ['frame.number'], 'ip.checksum.status == 0 || udp.checksum.status == 0', [
        'ip.check_checksum:TRUE',
        'udp.check_checksum:TRUE',
      ]),
    ).toEqual([]);
  });
  it('universe, priority, sequence, slots and values of E1.31', () => {
    const fields = [
      'universe',
      'priority',
      'seq_number',
      'option_s',
      'option_p',
      'source_name',
      'count',
      'data',
    ];
    const [row] = readByTshark(
      capture,
      fields.map((field) => `acn.dmx.${field}`),
      'frame.number == 1',
      ['acn.dmx_enable:TRUE'],
    );
    const [universe, priority, sequence, terminated, preview, name, count, values] = row!;
    expect([universe, priority, sequence, name, count]).toEqual(['300', '90', '17', 'Marrow Quay', '511']);
    expect([isTrue(terminated), isTrue(preview)]).toEqual([true, false]);
    expect(numbersIn(values!)).toEqual([...slots]);
  });
  it('net, sub-net, universe, sequence and length of Art-Net', () => {
    const fields = [
      'artnet.header.protver',
      'artnet.output.universe',
      'artnet.output.sequence',
      'artnet.output.length',
    ];
    const [row] = readByTshark(capture, fields, 'frame.number == 4');
    // Net 18, sub-net 3, universe 4.
    expect(row!.map(Number)).toEqual([14, (0x12 << 8) | 0x34, 9, 510]);
  });
  it('offset and length of DDP, for which it has no words of its own', () => {
    const [row] = readByTshark(capture, ['udp.dstport', 'udp.length', 'udp.payload'], 'frame.number == 5');
    expect(row!.slice(0, 2)).toEqual(['4048', String(8 + 10 + 60)]);
    // 1,440 bytes on: the rest of 1,500.
    expect(row![2]).toMatch(/^41020b01000005a0003c/);
  });
});

const isTrue = (field: string | undefined) => field === '1' || field === 'True';

/** Levels as tshark prints them: lines of twenty in hexadecimal, each after the slots that it is of, 0 as two dots; a first line of heads. */
function numbersIn(text: string): number[] {
  return text
    .split(',')
    .slice(1)
    .flatMap((line) => line.replace(/^\d+-\d+:/, '').match(/[0-9A-F]+|\.\./g) ?? [])
    .map((word) => (word === '..' ? 0 : parseInt(word, 16)));
}
