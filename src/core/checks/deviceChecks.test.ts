import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { SHIPPED_CONTROLLER_TYPES, type ControllerType } from '../catalogue/controllerType';
import type { Controller } from '../catalogue/controller';
import { planShow } from '../plan/plan';
import { foundNote } from '../devices/found';
import { applyEdit } from '../show/edits/registry';
import { Facts } from '../show/facts';
import type { Show } from '../show/schema';
import { findingsOf } from './registry';

const shipped = (id: string): ControllerType => SHIPPED_CONTROLLER_TYPES.find((type) => type.id === id)!;

function aShowWith(
  type: ControllerType | null,
  pixels: number,
  change: Partial<Controller> = {},
  show: Partial<Show> = {},
): Show {
  return onPorts(
    aShow({
      props: [aLine('rail', pixels)],
      controllers: [
        aController({ mostPixelsPerPort: 2000, ...(type ? { typeId: type.id } : {}), ...change }),
      ],
      ...(type ? { controllerTypes: [type] } : {}),
      ...show,
    }),
    ['rail', 1, 1],
  );
}
const messages = (show: Show) => findingsOf(planShow(show)).map((finding) => finding.message);

function expectFound(show: Show, words: RegExp, mended = true) {
  const found = findingsOf(planShow(show)).find((finding) => words.test(finding.message))!;
  expect(found?.message).toMatch(words);
  if (!mended) return;
  const after = applyEdit(show, found.mends[0]!.edit);
  expect(messages(after).filter((message) => words.test(message))).toEqual([]);
}

it('says nothing where all is within its limits', () => {
  expect(messages(aShowWith(shipped('ethernet-16'), 500))).toEqual([]);
});

it('knows that ports drive less when more are on', () => {
  const show = aShowWith(shipped('wifi-2'), 600, { ports: 2 });
  // One port of two is on: 800.
  expect(messages(show).filter((message) => /switched on/.test(message))).toEqual([]);
  const both = onPorts(
    { ...show, props: [aLine('rail', 600), aLine('arch', 10)] },
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  expect(
    messages(both).some((message) => /with 2 ports switched on Box A drives 500 on each/.test(message)),
  ).toBe(true);
});

it('finds more pixels and universes than a kind takes, and moves what is too much', () => {
  const second = (show: Show, ports: [string, number, number][]): Show =>
    onPorts(
      {
        ...show,
        props: [aLine('rail', 300), aLine('arch', 200)],
        controllers: [show.controllers[0]!, aController({ id: 'b', name: 'Box B', label: 'B' })],
      },
      ...ports,
    );
  const two: [string, number, number][] = [
    ['rail', 1, 1],
    ['arch', 1, 2],
  ];
  expectFound(
    second(
      aShowWith(
        { ...shipped('ethernet-4'), mostPixels: { value: 400, basis: 'measured', source: 'a test' } },
        500,
      ),
      two,
    ),
    /100 more than it can \(measured: a test\)/,
  );
  expectFound(
    second(
      aShowWith(
        { ...shipped('ethernet-4'), mostUniverses: { value: 2, basis: 'measured', source: 'a test' } },
        500,
      ),
      two,
    ),
    /needs 3 universes, and takes 2/,
  );
  // 150 a universe: 500 pixels need 10; whole pixels, 3.
  expectFound(
    aShowWith(
      { ...shipped('ethernet-4'), mostUniverses: { value: 4, basis: 'measured', source: 'a test' } },
      500,
      {
        packing: { kind: 'custom', channelsPerUniverse: 150 },
      },
    ),
    /needs 10 universes, and takes 4/,
  );
});

it('splits or moves what reads more than one universe where a port reads one', () => {
  const one: ControllerType = {
    ...shipped('ethernet-4'),
    severalUniversesPerPort: { value: false, basis: 'measured', source: 'a test' },
  };
  const net = aShowWith(one, 500);
  expectFound(
    onPorts({ ...net, props: [aGrid('net', 10, 50)] }, ['net', 1, 1]),
    /Port A1 needs 3 universes, and reads one/,
  );
  const perRun = { packing: { kind: 'wholePixels' as const }, newUniverse: 'run' as const };
  expectFound(
    onPorts(
      { ...net, addressing: perRun, props: [aLine('rail', 100), aLine('arch', 100)] },
      ['rail', 1, 1],
      ['arch', 1, 1],
    ),
    /Port A1 needs 2 universes, and reads one/,
  );
});

it('packs whole pixels at every level at which something else is said', () => {
  const whole: ControllerType = {
    ...shipped('ethernet-4'),
    packings: { value: ['wholePixels'], basis: 'measured', source: 'a test' },
  };
  const full = { kind: 'full512' as const };
  const show = aShowWith(whole, 400, { portOptions: [{ port: 1, packing: full }] });
  for (const each of [
    show,
    { ...show, props: [{ ...show.props[0]!, packing: full }] },
    { ...show, patch: show.patch.map((entry) => ({ ...entry, packing: full })) },
  ])
    expectFound(each, /does not take this packing/);
});

it('finds a receiver board that hangs too far away', () => {
  const far = (xMm: number) => {
    const show = aShowWith(shipped('ethernet-16'), 50, { site: { xMm: 0, yMm: 0 } });
    return onPorts(
      {
        ...show,
        props: [{ ...show.props[0]!, site: { xMm, yMm: 0, turnDeg: 0 } }],
        controllers: [...show.controllers, aController({ id: 'b', name: 'Box B', label: 'B' })],
        site: { widthMm: 200_000, heightMm: 9000, detourPercent: 10, endsMm: 2000 },
      },
      ['rail', 1, 1],
    );
  };
  // The first pixel is half of 2.45 m before the middle: 78.775 m, 10 % of detours, 2 m of ends, by the half metre.
  expectFound(far(80_000), /is 89 m, and a receiver board of it may be 60 m away/);
  expect(messages(far(40_000))).toEqual([]);
});

it('finds packings and straddling pixels that a kind does not take', () => {
  const full = { addressing: { packing: { kind: 'full512' as const }, newUniverse: 'controller' as const } };
  expectFound(aShowWith(shipped('wifi-2'), 400, {}, full), /lie across two universes/);
  const whole: ControllerType = {
    ...shipped('ethernet-4'),
    packings: { value: ['wholePixels'], basis: 'measured', source: 'a test' },
  };
  expectFound(aShowWith(whole, 400, {}, full), /does not take this packing/);
});

it('finds Art-Net beyond what a device without nets reaches', () => {
  const old: ControllerType = {
    ...shipped('ethernet-4'),
    artNetNets: { value: false, basis: 'dataSheet', source: 'its manual' },
  };
  expectFound(
    aShowWith(old, 100, { protocol: 'artnet', firstUniverse: 300 }),
    /reaches 0 to 255 \(data sheet: its manual\)/,
  );
});

it('finds strings on a driver of panels', () => {
  expectFound(aShowWith(shipped('panel-player'), 100), /drives panels, not strings/);
});

it('finds universes beyond the controller’s own range', () => {
  expectFound(aShowWith(null, 400, { lastUniverse: 2 }), /is to stay within universe 2/);
});

it('finds a port that cannot show the wanted rate, by its chips or by a serial line', () => {
  expectFound(aShowWith(null, 1700), /at most 19 pictures a second, and 20 are wanted/);
  // 300 pixels are 906 bytes of 10 bits: 12.7 a second at 115,200 baud.
  expectFound(aShowWith(shipped('serial-1'), 300), /at most 12 pictures a second over 115,200 baud/);
});

describe('on the network', () => {
  const network = {
    ip: '10.40.0.21',
    maskBits: 24,
    given: 'fixed' as const,
    storedBy: '',
    casting: 'unicast' as const,
  };
  const sender = { name: 'Player', ip: '10.40.0.1', maskBits: 24 };
  it('finds an address that is used twice, or in another network', () => {
    expectFound(
      aShowWith(null, 10, { network: { ...network, ip: sender.ip } }, { sender }),
      /both have the address 10.40.0.1/,
    );
    expectFound(
      aShowWith(null, 10, { network: { ...network, ip: '10.41.0.21' } }, { sender }),
      /in another network/,
    );
    expect(messages(aShowWith(null, 10, { network }, { sender }))).toEqual([]);
  });
  it('finds multicast over Wi-Fi, leases as they come, and cards with an address', () => {
    expectFound(
      aShowWith(shipped('wifi-2'), 10, { network: { ...network, casting: 'multicast' } }),
      /fed by multicast/,
    );
    expectFound(
      aShowWith(null, 10, { network: { ...network, given: 'leased' } }),
      /may be another one after a power cut/,
    );
    expectFound(aShowWith(shipped('panel-card'), 10, { network }), /has no IP address/);
  });
  it('finds a link that is asked to carry too much', () => {
    const slow: ControllerType = {
      ...shipped('wifi-2'),
      linkMbits: { value: 0.3, basis: 'measured', source: 'a test' },
    };
    expectFound(aShowWith(slow, 500, { network }), /and its link carries 0.3/, false);
  });
});

it('brings up what was found, and colours that are corrected at both ends', () => {
  const found = (where: 'controller' | 'sender', colourOrder: string) => ({
    controllerId: 'a',
    where,
    foundAt: 'on Friday',
    ports: [{ port: 1, pixels: 10, colourOrder }],
  });
  const plan = planShow(aShowWith(null, 10));
  const notes = [foundNote(found('controller', 'GRB')), foundNote(found('sender', 'BGR'))];
  const facts = new Facts(notes.map((note, i) => ({ ...note, id: `f${i}`, at: '2026-11-20T18:00:00Z' })));
  const said = findingsOf(plan, facts).map((finding) => finding.message);
  expect(said).toContainEqual(
    // The sender's first byte is blue and the controller swaps the first two: each light shows the next colour.
    expect.stringMatching(
      /red shows as blue, green shows as red and blue shows as green. Correct at one end/,
    ),
  );
  expect(said).toContainEqual(expect.stringMatching(/found on Friday, is not as planned/));
  expect(findingsOf(plan).map((finding) => finding.check)).not.toContain('found');
});
