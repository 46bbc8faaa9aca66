import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { foundExactly } from '../../../tests/unit/foundExactly';
import { planShow } from '../plan/plan';
import { differences } from './differences';
import { deviceSettings } from './deviceSettings';
import type { Counting } from './counting';
import type { FoundPort, FoundSettings } from './found';
import { sentUniverses } from './sent';

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
        const found = foundExactly(settings, counting, startsBy);
        expect(differences(plan, found)).toEqual([]);
        const [port] = found.ports;
        const withPort = (change: Partial<FoundPort>) => ({
          ...found,
          ports: [{ ...port!, ...change }, ...found.ports.slice(1)],
        });
        if (port) {
          // A tile is told nothing but its start.
          if (port.pixels !== undefined) {
            expect(differences(plan, withPort({ pixels: port.pixels + 1 }))).toMatchObject([
              { field: `port.${port.port}.pixels`, found: String(port.pixels + 1) },
            ]);
            expect(differences(plan, withPort({ hiddenPixels: port.hiddenPixels! + 1 }))).toMatchObject([
              { field: `port.${port.port}.hiddenPixels` },
            ]);
            expect(differences(plan, withPort({ direction: 'reversed' }))).toMatchObject([
              { field: `port.${port.port}.direction` },
            ]);
          }
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
  const found = { ...foundExactly(deviceSettings(hidden(false), 0)), ports: [{ port: 1, pixels: 181 }] };
  expect(differences(hidden(false), found)).toMatchObject([
    { symptom: expect.stringContaining('includes the hidden pixels') as string },
  ]);
  expect(differences(hidden(false), { ...found, counting: { hiddenCounted: true } })).toEqual([]);
});

it('knows ports that are exchanged, and says nothing else of them', () => {
  const found = foundExactly(deviceSettings(plan, 0));
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
