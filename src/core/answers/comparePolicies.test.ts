import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { comparePolicies } from './comparePolicies';

it('compares every packing and every place for a new universe', () => {
  const show = onPorts(
    aShow({ props: [aLine('a', 171), aLine('b', 10)], controllers: [aController()] }),
    ['a', 1, 1],
    ['b', 1, 2],
  );
  const rows = comparePolicies(show, 40);
  const find = (words: string) => rows.find((row) => row.words.startsWith(words))!;
  expect(rows).toHaveLength(12);
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
