import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { tile } from '../props/tile';
import type { Show } from '../show/schema';
import { coloursOfBothEnds } from './bothEnds';
import { differences } from './differences';
import { deviceSettings } from './deviceSettings';
import { colourPlan } from './colourOrders';
import type { Counting } from './counting';
import type { FoundPort, FoundSettings } from './found';
import { sentUniverses } from './sent';
import { SHIPPED_CONTROLLER_TYPES } from '../catalogue/controllerType';
import type { UNIVERSE_SIZES } from '../catalogue/controllers/telling';
import { channelsToType } from './universeSizes';
import type { DeviceSettings } from './settings/registry';

const plan = planShow(
  onPorts(
    aShow({ props: [aLine('rail', 100), aLine('arch', 50)], controllers: [aController()] }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  ),
);
const found = (...ports: FoundPort[]) => ({
  controllerId: 'a',
  where: 'controller' as const,
  foundAt: 'on Friday',
  ports,
});
const right: FoundPort[] = [
  { port: 1, pixels: 100, universe: 1, channel: 1, colourOrder: 'RGB' },
  { port: 2, pixels: 50, universe: 1, channel: 301, colourOrder: 'RGB' },
];

it('finds nothing where everything is as planned', () => {
  expect(differences(plan, { ...found(...right), channelsPerUniverse: 510 })).toEqual([]);
});

it.each<[string, FoundPort[], RegExp, RegExp]>([
  [
    'too few pixels',
    [{ port: 1, pixels: 90 }],
    /the last 10 pixels stay dark/,
    /type 100 into the controller/,
  ],
  ['too many pixels', [{ port: 1, pixels: 110 }], /next prop are taken along/, /type 100/],
  ['another universe', [{ port: 1, universe: 7 }], /another prop is sent/, /type 1/],
  ['a start off by whole pixels', [{ port: 2, channel: 304 }], /shifted by 1 pixel/, /type 301/],
  ['a start off by a channel', [{ port: 2, channel: 302 }], /colours rotate/, /type 301/],
  [
    'another colour order',
    [{ port: 1, colourOrder: 'GRB' }],
    /red shows as green and green shows as red/,
    /set RGB/,
  ],
  ['RGBW settings', [{ port: 1, colourOrder: 'GRBW' }], /repeats every 4/, /set RGB/],
  ['a port that is not planned', [{ port: 4, pixels: 20 }], /lights along/, /switch the port off/],
])('names %s with symptom and mend', (_, ports, symptom, mend) => {
  const rest = right.filter((each) => !ports.some((port) => port.port === each.port));
  const [difference] = differences(plan, found(...ports, ...rest));
  expect(difference!.symptom).toMatch(symptom);
  expect(difference!.mend).toMatch(mend);
});

it('knows a numbering from 0 by its being the same everywhere', () => {
  const zero = right.map((port) => ({ ...port, universe: port.universe! - 1 }));
  expect(differences(plan, found(...zero)).map((each) => each.symptom)).toEqual([
    expect.stringContaining('counts universes from 0') as string,
    expect.stringContaining('counts universes from 0') as string,
  ]);
});

it('offers the offset only where the protocol has one', () => {
  const mendsBy = (protocol: 'e131' | 'artnet') => {
    const show = { ...plan.show, controllers: [aController({ protocol })] };
    const told = deviceSettings(planShow(show), 0).ports;
    const shifted = told.map(({ port, universe }) => ({ port, universe: universe! + 1 }));
    return differences(planShow(show), { ...found(...shifted), partial: true }).map(({ mend }) => mend);
  };
  expect(mendsBy('e131')).toEqual(
    Array(2).fill('set the numbering of universes once on the controller, instead of every port'),
  );
  expect(mendsBy('artnet')[0]).toContain('or the Art-Net offset here');
});

it('misses ports that were not listed, and other sizes of universes', () => {
  expect(
    differences(plan, { ...found(right[0]!), channelsPerUniverse: 512 }).map((each) => each.what),
  ).toEqual(['channels a universe', 'port']);
});

/** Reads a device that holds just what is to be typed, off a screen that counts in its own way. */
function exactly(
  settings: DeviceSettings,
  counting: Counting = {},
  startsBy: 'universe' | 'device' = 'universe',
): FoundSettings {
  const universe = (told: number) => told + (counting.universesShifted ?? 0);
  const channel = (told: number) => told - (counting.channelsFrom === 0 ? 1 : 0);
  return {
    controllerId: settings.controllerId,
    where: 'controller',
    foundAt: 'on Friday',
    counting,
    ...(settings.firstUniverse !== null && { firstUniverse: universe(settings.firstUniverse) }),
    ...(typeof settings.universes === 'number' && { universes: settings.universes }),
    ...(typeof settings.channelsPerUniverse === 'number' && {
      channelsPerUniverse: settings.channelsPerUniverse,
    }),
    ports: settings.ports.map((port) => ({
      port: port.port,
      pixels: port.pixels + (counting.hiddenCounted ? port.hiddenPixels : 0),
      hiddenPixels: port.hiddenPixels,
      direction: port.direction,
      ...(startsBy === 'device' &&
        port.deviceChannel !== null && { deviceChannel: channel(port.deviceChannel) }),
      ...(startsBy === 'universe' &&
        port.universe !== null && { universe: universe(port.universe), channel: channel(port.channel!) }),
      ...(!port.colourOrder.includes('+') && { colourOrder: port.colourOrder }),
    })),
  };
}

const anyCounting: fc.Arbitrary<Counting> = fc.record(
  {
    universesShifted: fc.constantFrom(-1 as const, 1 as const),
    channelsFrom: fc.constant(0 as const),
    hiddenCounted: fc.constant(true as const),
  },
  { requiredKeys: [] },
);

it('finds no difference on a device that holds exactly the values to type, however its screen counts, and just the one that is changed', () => {
  fc.assert(
    fc.property(anyShow, anyCounting, fc.constantFrom('universe', 'device'), (show, counting, startsBy) => {
      const plan = planShow(show);
      show.controllers.forEach((_, index) => {
        const settings = deviceSettings(plan, index);
        const found = exactly(settings, counting, startsBy);
        expect(differences(plan, found)).toEqual([]);
        const [port] = found.ports;
        const withPort = (change: Partial<FoundPort>) => ({
          ...found,
          ports: [{ ...port!, ...change }, ...found.ports.slice(1)],
        });
        if (port) {
          expect(differences(plan, withPort({ pixels: port.pixels! + 1 }))).toMatchObject([
            { field: `port.${port.port}.pixels`, found: String(port.pixels! + 1) },
          ]);
          expect(differences(plan, withPort({ hiddenPixels: port.hiddenPixels! + 1 }))).toMatchObject([
            { field: `port.${port.port}.hiddenPixels` },
          ]);
          expect(differences(plan, withPort({ direction: 'reversed' }))).toMatchObject([
            { field: `port.${port.port}.direction` },
          ]);
          if (port.deviceChannel !== undefined)
            expect(differences(plan, withPort({ deviceChannel: port.deviceChannel + 1 }))).toMatchObject([
              {
                field: `port.${port.port}.deviceChannel`,
                mend: expect.stringContaining(`type ${port.deviceChannel} `) as string,
              },
            ]);
        }
        if (found.channelsPerUniverse)
          expect(
            differences(plan, {
              ...found,
              channelsPerUniverse: found.channelsPerUniverse === 511 ? 510 : 511,
            }),
          ).toMatchObject([{ field: 'channelsPerUniverse', planned: String(found.channelsPerUniverse) }]);
        if (found.universes !== undefined && found.universes > 0)
          expect(differences(plan, { ...found, universes: found.universes + 2 })).toMatchObject([
            { field: 'universes', symptom: expect.stringContaining('2 universes left over') as string },
          ]);
      });
    }),
    { numRuns: tries(60) },
  );
});

it('takes a sender that lists just what is to be sent for right, and finds what is missing, left over or of another size', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      show.controllers.forEach((controller, index) => {
        const universeList = sentUniverses(plan, index).flatMap(({ universe, channels }) =>
          universe === null ? [] : [{ universe, channels }],
        );
        const found: FoundSettings = {
          controllerId: controller.id,
          where: 'sender',
          foundAt: 'on Friday',
          ports: [],
          universeList: universeList.slice(0, 4000),
        };
        fc.pre(universeList.length < 4000 && universeList.every((each) => each.universe >= 0));
        expect(differences(plan, found)).toEqual([]);
        const [first, ...rest] = universeList;
        if (!first) return;
        const wrong = { ...first, channels: first.channels === 1 ? 2 : first.channels - 1 };
        expect(differences(plan, { ...found, universeList: [wrong, ...rest] })).toMatchObject([
          { what: `channels of universe ${first.universe}` },
        ]);
        const last = Math.max(...universeList.map((each) => each.universe)) + 1;
        expect(
          differences(plan, { ...found, universeList: [...universeList, { universe: last }] }),
        ).toMatchObject([{ planned: 'not sent' }]);
        if (rest.length > 0)
          expect(differences(plan, { ...found, universeList: rest })).toMatchObject([
            { found: 'not listed', symptom: 'everything in this universe stays dark' },
          ]);
      });
    }),
    { numRuns: tries(40) },
  );
});

it('counts starts on over the device: 16 ports of 50 pixels in universes of 150 are 1, 151 … 2,251', () => {
  const names = Array.from({ length: 16 }, (_, i) => `leg ${i + 1}`);
  const show = onPorts(
    aShow({
      props: names.map((name) => aLine(name, 50)),
      controllers: [aController({ ports: 16 })],
      addressing: { packing: { kind: 'custom', channelsPerUniverse: 150 }, newUniverse: 'never' },
    }),
    ...names.map((name, i): [string, number, number] => [name, 1, i + 1]),
  );
  const { ports, universes } = deviceSettings(planShow(show), 0);
  expect(universes).toBe(16);
  expect(ports.map((port) => port.deviceChannel)).toEqual(Array.from({ length: 16 }, (_, i) => 1 + 150 * i));
});

it('tells a device both numbers of a port with a hidden pixel, and what its channels end at', () => {
  const show = onPorts(aShow({ props: [aLine('awning', 180)], controllers: [aController()] }), [
    'awning',
    1,
    1,
  ]);
  const hidden = (takes: boolean) => {
    const patch = [{ ...show.patch[0]!, skippedPixels: 1 }];
    const controllers = [aController({ skippedPixelsTakeChannels: takes })];
    return planShow({ ...show, patch, controllers });
  };
  expect(deviceSettings(hidden(false), 0).ports[0]).toMatchObject({
    pixels: 180,
    hiddenPixels: 1,
    hiddenWhere: 'before the first',
    onWire: 181,
    endUniverse: 2,
    endChannel: 30,
  });
  expect(deviceSettings(hidden(true), 0).ports[0]).toMatchObject({
    pixels: 181,
    hiddenPixels: 0,
    onWire: 181,
    endUniverse: 2,
    endChannel: 33,
  });
  // A screen that counts them in shows 181, which is told apart from one that is set one too high.
  const found = { ...exactly(deviceSettings(hidden(false), 0)), ports: [{ port: 1, pixels: 181 }] };
  expect(differences(hidden(false), found)).toMatchObject([
    { symptom: expect.stringContaining('includes the hidden pixels') as string },
  ]);
  expect(differences(hidden(false), { ...found, counting: { hiddenCounted: true } })).toEqual([]);
});

it('knows ports that are exchanged, and says nothing else of them', () => {
  const found = exactly(deviceSettings(plan, 0));
  const [one, two] = found.ports;
  const swapped = {
    ...found,
    ports: [
      { ...one!, universe: two!.universe!, channel: two!.channel! },
      { ...two!, universe: one!.universe!, channel: one!.channel! },
    ],
  };
  expect(differences(plan, swapped)).toMatchObject([{ port: 'A1, A2', what: 'ports' }]);
  // A count that is wrong besides is found all the same.
  swapped.ports[1] = { ...swapped.ports[1]!, pixels: 49 };
  expect(differences(plan, swapped).map((each) => each.what)).toEqual(['ports', 'pixels']);
});

it('names gaps among the universes of a device, which a count would hide', () => {
  const show = onPorts(
    aShow({ props: [aLine('rail', 340), aLine('arch', 170)], controllers: [aController()] }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  const pinned = {
    ...show,
    patch: [show.patch[0]!, { ...show.patch[1]!, pin: { universe: 6, channel: 1 } }],
  };
  expect(deviceSettings(planShow(pinned), 0)).toMatchObject({
    firstUniverse: 1,
    lastUniverse: 6,
    universes: '1–2 and 6',
  });
});

describe('colour orders', () => {
  const grb = (coloursAt: 'controller' | 'sender') => {
    const show = aShow({ props: [aLine('rail', 10)], controllers: [aController({ coloursAt })] });
    show.pixelTypes[0]!.colourOrder = 'GRB';
    return planShow(onPorts(show, ['rail', 1, 1]));
  };
  const looked = (where: FoundSettings['where'], colourOrder: string): FoundSettings => ({
    controllerId: 'a',
    where,
    foundAt: 'on Friday',
    ports: [{ port: 1, colourOrder }],
  });

  it('are told to one end only', () => {
    expect(colourPlan(grb('controller'), 0)).toMatchObject({ controller: 'GRB', sender: 'RGB' });
    expect(colourPlan(grb('sender'), 0)).toMatchObject({ controller: 'RGB', sender: 'GRB' });
  });
  it('are right where each end is as planned, whichever corrects', () => {
    for (const at of ['controller', 'sender'] as const) {
      const { controller, sender } = colourPlan(grb(at), 0);
      expect(differences(grb(at), looked('controller', controller))).toEqual([]);
      expect(differences(grb(at), looked('sender', sender))).toEqual([]);
      expect(coloursOfBothEnds(grb(at), looked('controller', controller), looked('sender', sender))).toEqual(
        [],
      );
    }
  });
  it('come out right where the other end corrects than is planned, and are exchanged where both do', () => {
    const plan = grb('controller');
    expect(coloursOfBothEnds(plan, looked('controller', 'RGB'), looked('sender', 'GRB'))).toMatchObject([
      { isRight: true },
    ]);
    expect(coloursOfBothEnds(plan, looked('controller', 'GRB'), looked('sender', 'GRB'))).toMatchObject([
      { isRight: false, words: expect.stringContaining('red shows as green') as string },
    ]);
  });
  it('say what the device’s own red looks like where it is set to RGB and GRB is right', () => {
    expect(differences(grb('controller'), looked('controller', 'RGB'))).toMatchObject([
      { planned: 'GRB', symptom: 'red shows as green and green shows as red' },
    ]);
  });
});

it('tells of each universe what its packing holds: 512 for whole RGBW pixels, 150 where that is said, nothing under DDP', () => {
  const told = (show: Show) => deviceSettings(planShow(show), 0).channelsPerUniverse;
  const show = onPorts(aShow({ props: [aLine('rail', 300)], controllers: [aController()] }), ['rail', 1, 1]);
  expect(told(show)).toBe(510);
  expect(told({ ...show, props: [{ ...show.props[0]!, pixelTypeId: 'rgbw' }] })).toBe(512);
  const small = { kind: 'custom' as const, channelsPerUniverse: 150 };
  expect(told({ ...show, patch: [{ ...show.patch[0]!, packing: small }] })).toBe(150);
  expect(told({ ...show, props: [{ ...show.props[0]!, packing: small }] })).toBe(150);
  expect(told({ ...show, controllers: [aController({ portOptions: [{ port: 1, packing: small }] })] })).toBe(
    150,
  );
  expect(told({ ...show, controllers: [aController({ protocol: 'ddp' })] })).toBeNull();
  // Tiles end their universes earlier in the show's count; the device counts whole pixels all the same.
  const tiles = onPorts(
    { ...show, props: [aLine('deck', 1, { kind: 'tile', ...tile.starter() } as never)] },
    ['deck', 1, 1],
  );
  expect(told(tiles)).toBe(510);
  const two = onPorts(
    { ...show, props: [aLine('rail', 170), aLine('arch', 100, { pixelTypeId: 'rgbw' })] },
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  // No port goes on from one universe to the next: one number does.
  expect(told(two)).toBe(512);
  const kind = (value: (typeof UNIVERSE_SIZES)[number]) => ({
    ...two,
    controllers: [aController({ typeId: 'kind' })],
    controllerTypes: [
      {
        ...SHIPPED_CONTROLLER_TYPES[0]!,
        id: 'kind',
        universeSizes: { value, basis: 'typed' as const },
        order: 'a0',
      },
    ],
  });
  expect(told(kind('each'))).toBe('510 in U1 and 512 in U2');
  expect(told(kind('wholePixels'))).toBe('whole pixels');
  expect(told(kind('fixed512'))).toBeNull();
});

it('says by how many pixels a picture is shifted, whatever they are made of', () => {
  const show = onPorts(
    aShow({ props: [aLine('rail', 30, { pixelTypeId: 'rgbw' })], controllers: [aController()] }),
    ['rail', 1, 1],
  );
  const plan = planShow(show);
  const found = exactly(deviceSettings(plan, 0));
  const shifted = (channel: number) =>
    differences(plan, { ...found, ports: [{ ...found.ports[0]!, channel }] })[0]!.symptom;
  expect(shifted(9)).toBe('the picture is shifted by 2 pixels');
  expect(shifted(4)).toMatch(/colours rotate/);
});

it('counts bytes of a flat space from 0 to the last one in use, and no universes', () => {
  const show = onPorts(
    aShow({
      props: [aLine('rail', 100), aLine('arch', 50, { pixelTypeId: 'rgbw' })],
      controllers: [aController({ protocol: 'ddp' })],
    }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  );
  const settings = deviceSettings(planShow(show), 0);
  expect(settings).toMatchObject({
    firstUniverse: null,
    lastUniverse: null,
    universes: null,
    channelsPerUniverse: null,
    bytes: 500,
  });
  expect(settings.ports).toMatchObject([
    { startByte: 0, endByte: 299, universe: null, channel: null, deviceChannel: null },
    { startByte: 300, endByte: 499, endUniverse: null, endChannel: null, deviceEndChannel: null },
  ]);
});

it('says in a few words which universes hold which sizes', () => {
  const sizes = (...counts: number[]) => new Map(counts.map((channels, i) => [i + 1, channels]));
  expect(channelsToType(sizes(510, 510, 510, 512))).toBe('510 in U1–U3 and 512 in U4');
  expect(channelsToType(sizes(510, 510, 512), 'port-address ')).toBe(
    '510 in port-address 1–2 and 512 in port-address 3',
  );
  // A gap parts a stretch, as another size does.
  expect(
    channelsToType(
      new Map([
        [1, 510],
        [2, 510],
        [4, 510],
        [5, 512],
      ]),
    ),
  ).toBe('510 in U1–U2, 510 in U4 and 512 in U5');
  expect(channelsToType(sizes(510, 512, 510, 512, 510))).toBe('510 and 512, by universe');
  expect(channelsToType(sizes(510, 512, 510, 512))).toBe('510 in U1, 512 in U2, 510 in U3 and 512 in U4');
  expect(channelsToType(new Map())).toBeNull();
});
