import fc from 'fast-check';
import { tries } from '../../../tests/unit/tries';
import { aController, aGrid, aLine, aShow, anyShow, onPorts } from '../../../tests/unit/shows';
import { tile } from '../props/tile';
import { tree } from '../props/tree';
import { planShow } from '../plan/plan';
import { buildSheet } from './buildSheet';

const net = aGrid('net', 4, 5, {
  firstPixel: 'bottomLeft',
  along: 'columns',
  pattern: 'serpentine',
  runs: 2,
});
const plan = planShow(
  onPorts(
    aShow({ props: [aLine('rail', 10), net], controllers: [aController()] }),
    ['rail', 1, 1],
    ['net', 1, 1, 2],
    ['net', 2, 2],
  ),
);

it('says for each strand which way it goes and what is at its ends', () => {
  const { lines, strandWord } = buildSheet(plan, 1, 'front');
  expect(strandWord).toBe('column');
  expect(
    lines.map((line) => [line.strand, line.run, line.direction, line.dataIn, line.port, line.firstPlace]),
  ).toEqual([
    [1, 1, 'up', 'bottom', 'A1', 13],
    [2, 1, 'down', 'top', 'A1', 18],
    [3, 2, 'up', 'bottom', 'A2', 1],
    [4, 2, 'down', 'top', 'A2', 6],
  ]);
  expect(lines.map((line) => `${line.dataInEnd.words} → ${line.dataOutEnd.words}`)).toEqual([
    'follows rail → jumper 100 mm to column 2',
    'jumper 100 mm from column 1 → open end, sealed',
    'lead from port A2 → jumper 100 mm to column 4',
    'jumper 100 mm from column 3 → open end, sealed',
  ]);
  // 10 pixels of the railing, then the first column: channel 31.
  expect(lines[0]!.address).toBe('U1 31');
  expect(buildSheet(plan, 0, 'front').lines[0]!.dataOutEnd.words).toBe('on to net run 1');
});

it('says net, sub-net and universe of each tile where Art-Net is spoken', () => {
  const tiles = aLine('tiles', 1, { kind: 'tile', ...tile.starter() } as never);
  const art = planShow(
    onPorts(
      aShow({ props: [tiles], controllers: [aController({ protocol: 'artnet', firstUniverse: 17 })] }),
      ['tiles', 1, 1],
    ),
  );
  // 6 by 6 RGB tiles: 108 channels each, four in a universe, and universe 17 is port-address 16: 0.1.0.
  expect(buildSheet(art, 0, 'front').lines.map((line) => line.address)).toEqual(
    expect.arrayContaining([
      'U17 1 (Art-Net 0.1.0)',
      'U17 109 (Art-Net 0.1.0)',
      'U17 217 (Art-Net 0.1.0)',
      'U17 325 (Art-Net 0.1.0)',
      'U18 1 (Art-Net 0.1.1)',
      'U18 109 (Art-Net 0.1.1)',
    ]),
  );
});

it('stands the other way round from the back', () => {
  const back = buildSheet(plan, 1, 'back').lines;
  expect(back.map((line) => line.strand)).toEqual([4, 3, 2, 1]);
  expect(back.map((line) => line.direction)).toEqual(['down', 'up', 'down', 'up']);
  const rows = planShow(aShow({ props: [aGrid('net', 4, 2, { pattern: 'serpentine' })] }));
  const words = (side: 'front' | 'back') => buildSheet(rows, 0, side).lines.map((line) => line.direction);
  expect(words('front')).toEqual(['right', 'left']);
  expect(words('back')).toEqual(['left', 'right']);
});

it('goes round a full tree from strand to strand, not by what lies in front', () => {
  const { shape, threading } = tree.starter();
  const full = { ...shape, form: { kind: 'full', firstStrandAt: 'front', direction: 'counterclockwise' } };
  const round = planShow(
    aShow({ props: [aLine('t', 1, { kind: 'tree', shape: full, threading } as never)] }),
  );
  const numbers = (side: 'front' | 'back') => buildSheet(round, 0, side).lines.map((line) => line.strand);
  expect(numbers('front')).toEqual(Array.from({ length: 16 }, (_, i) => i + 1));
  expect(numbers('back')).toEqual(Array.from({ length: 16 }, (_, i) => 16 - i));
});

it('knows which way a ring goes round from either side', () => {
  const ring = aLine('ring', 1, {
    kind: 'ring',
    shape: {
      rings: [{ diameterMm: 500, pixels: 12 }],
      arcDeg: 360,
      firstAngleDeg: 180,
      direction: 'clockwise',
    },
    threading: { startRing: 'first', pattern: 'straight', runs: 1 },
  } as never);
  const round = planShow(aShow({ props: [ring] }));
  expect(buildSheet(round, 0, 'front').lines[0]).toMatchObject({ direction: 'clockwise', dataIn: 'start' });
  expect(buildSheet(round, 0, 'back').lines[0]!.direction).toBe('counter-clockwise');
  expect(buildSheet(round, 0, 'front').lines[0]!.dataInEnd.words).toBe('lead to a port, not chosen yet');
});

it('has a line for every strand, and every pixel in one of them', () => {
  fc.assert(
    fc.property(anyShow, fc.constantFrom('front' as const, 'back' as const), (show, side) => {
      const any = planShow(show);
      any.props.forEach((prop, index) => {
        const { lines } = buildSheet(any, index, side);
        const pixels = lines.flatMap((line) =>
          Array.from({ length: line.pixelCount }, (_, i) => `${line.run}.${line.firstPixel + i}`),
        );
        expect(new Set(pixels).size).toBe(prop.pixelCount);
        for (const line of lines) expect(line.lastPixel - line.firstPixel + 1).toBe(line.pixelCount);
      });
    }),
    { numRuns: tries(60) },
  );
});
