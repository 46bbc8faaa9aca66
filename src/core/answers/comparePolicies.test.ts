import { planShow } from '../plan/plan';
import { aController, aGrid, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { comparePolicies } from './comparePolicies';

it('compares every packing and every place for a new universe', () => {
  const show = onPorts(
    aShow({ props: [aLine('a', 171), aLine('b', 10)], controllers: [aController()] }),
    ['a', 1, 1],
    ['b', 1, 2],
  );
  const rows = comparePolicies(show, 40);
  const find = (words: string) => rows.find((row) => row.words.startsWith(words))!;
  expect(rows).toHaveLength(16);
  expect(rows.filter((row) => row.isCurrent)).toHaveLength(1);
  // 543 channels by whole pixels: 510 and 33, one universe running on; by port: 510, 3, and 30 of another.
  expect(find('whole pixels, a new universe per controller')).toMatchObject({
    universes: 2,
    straddlingProps: 0,
    packetsPerSecond: 80,
  });
  expect(find('whole pixels, a new universe per port')).toMatchObject({ universes: 3 });
  // Pixel 171 begins at channel 511 of a full universe.
  expect(find('full 512, a new universe per controller')).toMatchObject({
    universes: 2,
    straddlingProps: 1,
    lastShowChannel: 1024,
  });
});

it('keeps strands whole: 20 strands of 45 on two ports are 7 universes running on, 8 with a new one a port', () => {
  const net = aGrid('beacon', 20, 45, { along: 'columns', pattern: 'serpentine', runs: 2 });
  const show = onPorts(
    aShow({ props: [net], controllers: [aController()] }),
    ['beacon', 1, 1],
    ['beacon', 2, 2],
  );
  const rows = comparePolicies(show, 40);
  const find = (newUniverse: string) =>
    rows.find(
      (row) => row.addressing.newUniverse === newUniverse && row.addressing.packing.kind === 'wholePixels',
    )!;
  expect(find('wholeStrands')).toMatchObject({ universes: 7, splitStrands: 0 });
  expect(find('wholeStrandsPerPort')).toMatchObject({ universes: 8, splitStrands: 0 });
  expect(find('strand')).toMatchObject({ universes: 20, splitStrands: 0 });
  // 2,700 channels in 510 each; a universe ends after pixel 170, which is inside the fourth strand.
  expect(find('controller')).toMatchObject({ universes: 6, splitStrands: 5 });
  expect(find('controller').splitNames[0]).toBe('beacon column 4');
});

it('puts 16 strands of 50 pixels into 6 universes of whole strands, at 1, 151 and 301', () => {
  const net = aGrid('net', 16, 50, { along: 'columns', pattern: 'straight', runs: 1 });
  const show = onPorts(
    aShow({
      props: [net],
      controllers: [aController()],
      addressing: { packing: { kind: 'wholePixels' }, newUniverse: 'wholeStrands' },
    }),
    ['net', 1, 1],
  );
  const plan = planShow(show);
  expect(plan.spaces).toHaveLength(6);
  const starts = plan.props[0]!.strands.map((strand) => plan.pixels.channel[strand.firstPixel]);
  expect([...new Set(starts)]).toEqual([1, 151, 301]);
});
