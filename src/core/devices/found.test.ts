import fc from 'fast-check';
import { aController, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { tile } from '../props/tile';
import type { Show } from '../show/schema';
import { deviceSettings, type DeviceSettings } from './deviceSettings';
import { differences, readFound, type FoundPort, type FoundSettings } from './found';

const plan = planShow(
  onPorts(
    aShow({ props: [aLine('rail', 100), aLine('arch', 50)], controllers: [aController()] }),
    ['rail', 1, 1],
    ['arch', 1, 2],
  ),
);
const rows = (text: string) => text.split('\n').map((line) => line.split('\t'));
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
  ['another colour order', [{ port: 1, colourOrder: 'GRB' }], /exchanged/, /set RGB/],
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

it('misses ports that were not listed, and other sizes of universes', () => {
  expect(
    differences(plan, { ...found(right[0]!), channelsPerUniverse: 512 }).map((each) => each.what),
  ).toEqual(['channels a universe', 'port']);
});

it('reads tables with a heading in any order, and without one', () => {
  expect(
    readFound(
      rows('Output\tCount\tStart universe\tStart channel\tColor\nA1\t100\t1\t1\trgb\nA2\t50\t1\t301\t'),
      'A',
    ),
  ).toEqual({
    ok: true,
    ports: [
      { port: 1, pixels: 100, universe: 1, channel: 1, colourOrder: 'RGB' },
      { port: 2, pixels: 50, universe: 1, channel: 301 },
    ],
  });
  expect(readFound(rows('1\t1\t1\t100\tGRB'), 'A')).toEqual({
    ok: true,
    ports: [{ port: 1, universe: 1, channel: 1, pixels: 100, colourOrder: 'GRB' }],
  });
});

it.each([
  ['', 'nothing to read'],
  ['1\tone', 'Line 1: universe is “one”; a whole number from 0 to 63999'],
  ['port\tpixels\n1\t100\n1\t50', 'Line 3: port 1 stands there twice'],
  ['universe\tpixels\n1\t100', 'no column “port”'],
  ['port\tcolour order\n1\tpink', 'the colour order is “pink”'],
  ['port\tpixels\n\t5', 'Line 2 names no port'],
])('refuses %j with the line and the reason', (text, words) => {
  const read = readFound(rows(text), 'A');
  expect(read.ok ? '' : read.message).toContain(words);
});

/** What somebody finds who reads a device that holds just what is to be typed. */
const exactly = (settings: DeviceSettings): FoundSettings => ({
  controllerId: settings.controllerId,
  where: 'controller',
  foundAt: 'on Friday',
  ...(typeof settings.channelsPerUniverse === 'number' && {
    channelsPerUniverse: settings.channelsPerUniverse,
  }),
  ports: settings.ports.map((port) => ({
    port: port.port,
    pixels: port.pixels,
    ...(port.universe !== null && { universe: port.universe }),
    ...(port.channel !== null && port.universe !== null && { channel: port.channel }),
    ...(!port.colourOrder.includes('+') && { colourOrder: port.colourOrder }),
  })),
});

it('finds no difference on a device that holds exactly the values to type, and just the one that is changed', () => {
  fc.assert(
    fc.property(anyShow, (show) => {
      const plan = planShow(show);
      show.controllers.forEach((_, index) => {
        const settings = deviceSettings(plan, index);
        const found = exactly(settings);
        expect(differences(plan, found)).toEqual([]);
        const [port] = found.ports;
        if (port)
          expect(
            differences(plan, {
              ...found,
              ports: [{ ...port, pixels: port.pixels! + 1 }, ...found.ports.slice(1)],
            }),
          ).toMatchObject([{ what: 'pixels', planned: String(port.pixels) }]);
        if (found.channelsPerUniverse)
          expect(
            differences(plan, {
              ...found,
              channelsPerUniverse: found.channelsPerUniverse === 511 ? 510 : 511,
            }),
          ).toMatchObject([{ what: 'channels a universe', planned: String(found.channelsPerUniverse) }]);
      });
    }),
    { numRuns: 60 },
  );
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
  expect(told(two)).toBe('510 in U1 and 512 in U2');
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
