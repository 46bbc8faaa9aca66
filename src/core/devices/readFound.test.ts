import { readFound, readUniverses } from './readFound';

const rows = (text: string) => text.split('\n').map((line) => line.split('\t'));

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

it('reads hidden pixels, direction and starts that are counted over the device', () => {
  expect(
    readFound(rows('Port\tStart\tPixels\tHidden\tReversed\n3\t2,251\t50\t1\tyes'.replace(',', '')), 'A'),
  ).toEqual({
    ok: true,
    ports: [{ port: 3, deviceChannel: 2251, pixels: 50, hiddenPixels: 1, direction: 'reversed' }],
  });
});

it('reads the parts of a port that is told in several, the first without a number', () => {
  expect(readFound(rows('port\tpart\tpixels\n1\t1\t144\n1\t2\t152'), 'A')).toEqual({
    ok: true,
    ports: [
      { port: 1, pixels: 144 },
      { port: 1, part: 2, pixels: 152 },
    ],
  });
});

it('reads the universes of a sender, with sizes or without', () => {
  expect(readUniverses(rows('Universe\tChannels\n1\t510\n2\t'))).toEqual({
    ok: true,
    universes: [{ universe: 1, channels: 510 }, { universe: 2 }],
  });
  expect(readUniverses(rows('7\t512'))).toEqual({ ok: true, universes: [{ universe: 7, channels: 512 }] });
  const twice = readUniverses(rows('7\n7'));
  expect(twice.ok ? '' : twice.message).toBe('Line 2: universe 7 stands there twice.');
  const large = readUniverses(rows('7\t513'));
  expect(large.ok ? '' : large.message).toContain('a whole number from 1 to 512');
});

it.each([
  ['', 'nothing to read'],
  ['1\tone', 'Line 1: start universe “one”: a whole number from 0 to 63,999 is needed'],
  ['port\tpixels\n1\t100\n1\t50', 'Line 3: port 1 stands there twice'],
  ['port\tpart\tpixels\n1\t2\t100\n1\t2\t50', 'Line 3: port 1, part 2, stands there twice'],
  ['universe\tpixels\n1\t100', 'no column “port”'],
  ['port\tcolour order\n1\tpink', 'colour order “pink”: R, G, B and W, each once, such as GRB is needed'],
  ['port\tpixels\n\t5', 'Line 2 names no port'],
])('refuses %j with the line and the reason', (text, words) => {
  const read = readFound(rows(text), 'A');
  expect(read.ok ? '' : read.message).toContain(words);
});
