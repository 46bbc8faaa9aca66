import fc from 'fast-check';
import { layAlong, outlineLength } from '@/core/props/points/outline';
import { readSvg } from './readSvg';
import { readTable } from './readTable';

const mm = { mmPerUnit: 1, yDown: false };
const table = (text: string, options: Partial<typeof mm> = {}) => readTable(text, { ...mm, ...options });

describe('a table of points', () => {
  it.each([
    ['commas', '0,0\n10,5\n'],
    ['semicolons and decimal commas', '0;0\r\n10,0;5,0'],
    ['tabs', '0\t0\n10\t5'],
    ['a heading, in any order', 'name,y mm,x mm\na,0,0\nb,5,10'],
    ['a byte order mark', '\uFEFFx,y\n0,0\n10,5'],
  ])('is read with %s', (_, text) => {
    expect(table(text)).toEqual({ xMm: [0, 10], yMm: [0, 5], pieces: [2] });
  });

  it('is in the unit and the direction that is said', () => {
    expect(table('1,2\n3,4', { mmPerUnit: 25.4, yDown: true })).toEqual({
      xMm: [25.4, 76.2],
      yMm: [-50.8, -101.6],
      pieces: [2],
    });
  });

  it('has pieces parted by empty lines, and a depth where there is one', () => {
    expect(table('0,0,1\n1,0,2\n\n\n5,5,0\n').pieces).toEqual([2, 1]);
    expect(table('0,0,1\n1,0,2').zMm).toEqual([1, 2]);
    expect(table('0,0,0\n1,0,0').zMm).toBeUndefined();
  });

  it('is refused with the line and the reason', () => {
    expect(() => table('x,y\n0,0\n10,\n')).toThrow(
      'Line 3: y is missing; a number is needed there, such as 120.5.',
    );
    expect(() => table('0,0\n10,abc')).toThrow('Line 2: y is “abc”; a number is needed there');
    expect(() => table('0,0\n1e9,1')).toThrow(/Line 2: x is 1e9, which is more than a kilometre away/);
    expect(() => table('name,place\n0,0')).toThrow(
      'Line 1 is “name, place”: neither numbers nor a heading with x and y.',
    );
    for (const empty of ['', '\n\n', 'x,y\n']) expect(() => table(empty)).toThrow(/no point/i);
  });

  it('names line 73,412 of a long table, and the line with which there are too many', () => {
    const lines = Array.from({ length: 90_000 }, (_, i) => `${i},${i % 7}`);
    lines[73_411] = '73411;oops';
    expect(() => table(lines.join('\n'))).toThrow(/^Line 73,412: x is “73411;oops”/);
    const parts: number[] = [];
    const long = Array.from({ length: 500_000 }, (_, i) => `${i / 10},1`).join('\n');
    expect(() => readTable(long, mm, (part) => parts.push(part))).toThrow(
      /^Line 100,001 is one too many: a free-form prop holds at most 100,000 points\./,
    );
    expect(parts.length).toBeGreaterThan(3);
    expect([...parts].sort((a, b) => a - b)).toEqual(parts);
  });
});

const svg = (body: string, head = 'viewBox="0 0 100 100"') => readSvg(`<svg ${head}>${body}</svg>`);
const lengths = (body: string) => svg(body).outlines.map((outline) => outlineLength(outline));

describe('an SVG drawing', () => {
  it.each([
    ['a line', '<line x1="0" y1="0" x2="30" y2="40"/>', 50],
    ['a polyline', '<polyline points="0,0 30,0 30,40"/>', 70],
    ['a polygon', '<polygon points="0,0 30,0 30,40"/>', 120],
    ['a rectangle', '<rect x="5" y="5" width="30" height="20"/>', 100],
    ['a rounded rectangle', '<rect width="40" height="30" rx="10"/>', 60 + 2 * Math.PI * 10],
    ['a circle', '<circle cx="50" cy="50" r="20"/>', 2 * Math.PI * 20],
    ['an arc', '<path d="M0 0 A 50 50 0 0 1 100 0"/>', Math.PI * 50],
    ['relative commands', '<path d="m10 10 h30 v40 l-30 0 z"/>', 140],
    // A quadratic curve whose control point lies on the line is that line.
    ['a straight curve', '<path d="M0 0 Q 20 0 60 0"/>', 60],
  ])('has the length of %s', (_, body, expected) => {
    expect(lengths(body)).toHaveLength(1);
    expect(lengths(body)[0]!).toBeCloseTo(expected, 0);
  });

  it('is read in proportion to its size: long polylines, parts used a hundred times', () => {
    const corners = Array.from({ length: 40_000 }, (_, i) => `${i % 1000},${(i * 7) % 800}`);
    const [outline] = svg(`<polyline points="${corners.join(' ')}"/>`).outlines;
    expect(outline!.points).toHaveLength(80_000);
    expect(outline!.points.slice(-2)).toEqual([999, (39_999 * 7) % 800]);
    const path = `<defs><path id="p" d="m0 0 ${'1 1 1-1 '.repeat(2000)}"/></defs>`;
    const uses = Array.from({ length: 100 }, (_, i) => `<use href="#p" x="${i}" transform="scale(2)"/>`);
    const used = svg(path + uses.join('')).outlines;
    expect(used).toHaveLength(100);
    expect(used[7]!.points.slice(0, 6)).toEqual([14, 0, 16, 2, 18, 0]);
  });
  it.each([
    [
      `${'<g>'.repeat(5000)}<path d="M0 0L1 1"/>${'</g>'.repeat(5000)}`,
      /nests its groups more than 500 deep/,
    ],
    ['<path transform="scale(0)" d="M0 0L1 1"/>', /Nothing in this drawing has a length/],
    ['<path d="M0 0L1e999 1"/>', /<path> with a coordinate, or a transformation, that is no number/],
    [`<path d="M0 0a${'1 1 0 0 1 1 1 '.repeat(20_000)}"/>`, /too fine to follow/],
  ])('refuses in a sentence what cannot be followed: %.30s', (body, sentence) => {
    expect(() => svg(body)).toThrow(sentence);
  });
  it('leaves out what a transformation scales to nothing, and says so', () => {
    const drawing = svg('<path d="M0 0L9 9"/><path transform="scale(0 0)" d="M0 0L1 1"/>');
    expect(drawing.outlines).toHaveLength(1);
    expect(drawing.leftOut).toEqual(['1 outline without a length']);
  });
  it('applies transformations from the inside out', () => {
    const body =
      '<g transform="translate(100 0)"><g transform="scale(2)"><path d="M0 0 L10 0" transform="translate(1 0)"/></g></g>';
    expect(svg(body).outlines[0]!.points).toEqual([102, 0, 122, 0]);
  });

  it('draws what is used, where it is used, and not what is only defined', () => {
    const body =
      '<defs><path id="a" d="M0 0 L10 0"/></defs><use href="#a" x="5" y="7"/><use href="#gone"/><g display="none"><path d="M0 0L1 1"/></g>';
    expect(svg(body).outlines.map(({ points }) => points)).toEqual([[5, 7, 15, 7]]);
  });

  it('ends with itself used in itself', () => {
    expect(() => svg('<g id="a"><use href="#a"/><use href="#a"/></g>')).toThrow(/repeats|no outline/);
  });

  it('knows its size where it says so', () => {
    expect(svg('<path d="M0 0L9 9"/>', 'width="50cm" viewBox="0 0 100 100"').mmPerUnit).toBeCloseTo(5);
    expect(svg('<path d="M0 0L9 9"/>').mmPerUnit).toBeNull();
    expect(svg('<path d="M10 20L40 60"/>')).toMatchObject({ left: 10, top: 20, width: 30, height: 40 });
  });

  it('says what was left out', () => {
    expect(svg('<text>Quay</text><text>x</text><image href="x"/><path d="M0 0L1 1"/>').leftOut).toEqual([
      '2 texts',
      '1 image',
    ]);
    expect(() => svg('<text>Quay</text>')).toThrow('turn texts into paths first');
  });

  it('is refused where it is damaged, with the line', () => {
    expect(() => readSvg('<svg>\n<path d="M0 0"\n</svg>')).toThrow(/not a sound SVG file: line 3/);
    expect(() => readSvg('<html/>')).toThrow('begins with <html>');
    expect(() => readSvg('')).toThrow(/not a sound SVG/);
  });

  it('is read with 2 MB as with a small one', () => {
    const paths = Array.from(
      { length: 24_000 },
      (_, i) => `<path id="p${i}" d="M${i} 0 c10 0 20 10 20 20 s-5 9 -9 3"/>`,
    );
    const text = `<svg viewBox="0 0 24000 100">${paths.join('')}${' '.repeat(700_000)}</svg>`;
    expect(text.length).toBeGreaterThan(2_000_000);
    const parts: number[] = [];
    expect(readSvg(text, (part) => parts.push(part)).outlines).toHaveLength(24_000);
    expect(parts.length).toBeGreaterThan(5);
  });
});

describe('pixels along an outline', () => {
  const along = { mmPerUnit: 1, spacingMm: 10, spread: 'even' as const, yDown: false };
  const square = { points: [0, 0, 100, 0, 100, 100, 0, 100], closed: true };

  it('go round a closed one without a rest, and from end to end of an open one', () => {
    expect(layAlong([square], along).pieces).toEqual([40]);
    const open = layAlong([{ ...square, closed: false }], along);
    expect(open.pieces).toEqual([31]);
    expect([open.xMm[30], open.yMm[30]]).toEqual([0, 100]);
  });

  it('leave a rest at the end when the spacing is exact', () => {
    const list = layAlong([{ points: [0, 0, 95, 0], closed: false }], { ...along, spread: 'exact' });
    expect(list.xMm).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90]);
  });

  it('are scaled and turned up', () => {
    const list = layAlong([{ points: [0, 0, 0, 2], closed: false }], {
      ...along,
      mmPerUnit: 10,
      yDown: true,
    });
    expect(list.yMm).toEqual([0, -10, -20]);
  });

  it('are one spacing apart along any straight line', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1000 }),
        fc.integer({ min: -1000, max: 1000 }),
        fc.integer({ min: 5, max: 50 }),
        (x, y, spacingMm) => {
          const { xMm, yMm } = layAlong([{ points: [0, 0, x, y], closed: false }], {
            ...along,
            spacingMm,
            spread: 'exact',
          });
          expect(xMm.length).toBe(Math.floor(Math.hypot(x, y) / spacingMm + 1e-6) + 1);
          for (let i = 1; i < xMm.length; i += 1)
            expect(Math.hypot(xMm[i]! - xMm[i - 1]!, yMm[i]! - yMm[i - 1]!)).toBeCloseTo(spacingMm, 0);
        },
      ),
    );
  });

  it('are refused when they are too many', () => {
    expect(() => layAlong([{ points: [0, 0, 1e6, 0], closed: false }], { ...along, spacingMm: 1 })).toThrow(
      /at most 100,000 points, and this would make 1,000,001/,
    );
  });
});
