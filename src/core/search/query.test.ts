import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { planShow } from '../plan/plan';
import { lookUp } from './answer';
import { search } from './query';

const plan = planShow(
  onPorts(
    aShow({
      props: [
        aLine('rail', 171, { name: 'Pier rail' }),
        aGrid('net', 10, 5, { runs: 2 }),
        aLine('arch', 4, { name: 'Arch 2' }),
      ],
      controllers: [aController({ firstUniverse: 5, protocol: 'artnet' })],
    }),
    ['rail', 1, 3, 1],
    ['net', 1, 4],
    ['net', 2, 4],
  ),
);
// Pixels by hand: rail is 0..170 on A3 behind one skipped pixel; net run 1 is the 20 pixels 171..190, run 2 is 191..220.

it.each<[string, number, number?]>([
  ['A3 2', 0],
  ['a3 172', 170],
  ['A3/17', 15],
  ['A4 31', 201],
  ['U5 4', 1],
  ['u5.5', 1, 1],
  ['universe 5 channel 508', 169],
  ['u5c4', 1],
  ['u5 c 4', 1],
  ['5.4', 1],
  ['5:5', 1, 1],
  ['5/508', 169],
  ['U6 1', 170],
  ['ch 511', 170],
  ['512', 170, 1],
  ['art 0.0.4 4', 1],
  ['Art-Net 5 1', 170],
  ['ddp a 513', 171],
  ['led A 1', 0],
  ['net 2.1', 191],
  ['net 31', 201],
  ['pier rail 171', 170],
])('finds %s', (query, pixel, channelOfPixel = 0) => {
  expect(search(plan, query).hits[0]).toEqual({ kind: 'pixel', pixel, channelOfPixel });
});

it('finds props by part of a name, ports and skipped pixels', () => {
  expect(search(plan, 'RAIL').hits).toEqual([{ kind: 'prop', prop: 0 }]);
  expect(search(plan, 'box a').hits).toEqual([{ kind: 'controller', controller: 0 }]);
  expect(search(plan, 'A4').hits).toEqual([{ kind: 'port', controller: 0, port: 4 }]);
  expect(search(plan, 'A3 1').hits).toEqual([{ kind: 'skipped', run: 0, skippedPixel: 1 }]);
  expect(search(plan, 'arch 2').hits[0]).toEqual({ kind: 'pixel', pixel: 222, channelOfPixel: 0 });
  expect(search(plan, 'arch 2').hits).toContainEqual({ kind: 'prop', prop: 2 });
  expect(search(plan, 'U6').hits[0]).toEqual({ kind: 'pixel', pixel: 170, channelOfPixel: 0 });
});

it.each([
  ['A3 900', /Port A3 has 172 pixels on its wire; place 900 is outside/],
  ['A1 1', /Port A1 holds nothing yet/],
  ['A9', /ports A1 to A4; there is no A9/],
  ['U5 600', /channels 1 to 512; 600 is outside/],
  ['U90 1', /No run uses universe 90/],
  ['ch 99999', /from 1 to 1,020; 99999 is outside/],
  ['art 0.16.0 1', /sub-net 0 to 15/],
  ['ddp Q 1', /No controller has the letters Q. There are A/],
  ['net 3.1', /net has 2 runs; there is no run 3/],
  ['net 900', /pixels 1 to 50; 900 is outside/],
  ['lighthouse', /Nothing here is called “lighthouse”/],
])('says why %s finds nothing', (query, message) => {
  expect(search(plan, query)).toEqual({ hits: [], message: expect.stringMatching(message) });
});

it('answers other programs with every number and the neighbours', () => {
  const [hit] = lookUp(plan, 'U6 2').hits;
  expect(hit).toMatchObject({
    kind: 'pixel',
    channelOfPixel: 2,
    propName: 'Pier rail',
    pixelInRun: 171,
    neighbours: { before: 170, after: null },
    wire: {
      portName: 'A3',
      place: 172,
      showChannel: 511,
      e131: { universe: 6, channel: 1, multicastGroup: '239.255.0.6' },
      artNet: { words: '0.0.5', channel: 1 },
      ledIndex: 171,
    },
  });
});

describe('props by a part of their name', () => {
  const named = (query: string, ...names: string[]) => {
    const show = aShow({ props: names.map((name, i) => aLine(`p${i}`, 2, { name })) });
    return search(planShow(show), query).hits.map((hit) => 'prop' in hit && names[hit.prop]);
  };
  it('come exact first, then those that begin so, then the others, and as they stand among their like', () => {
    expect(named('arch', 'Old arch', 'Arches', 'Arch', 'New arch', 'Archway')).toEqual([
      'Arch',
      'Arches',
      'Archway',
      'Old arch',
      'New arch',
    ]);
  });
  it('are at most thirty', () => {
    const many = Array.from({ length: 31 }, (_, i) => `Arch ${i}`);
    expect(named('arch', ...many)).toEqual(many.slice(0, 30));
  });
});
