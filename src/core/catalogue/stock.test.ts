import fc from 'fast-check';
import { aGrid, aLine } from '../../../tests/unit/shows';
import { threadProp } from '../props/registry';
import { piecesOf } from '../answers/stockPieces';
import { USUAL_STRIP, estimateCoverage, planStock, type Piece, type Stock, type StockPlan } from './stock';

const strings = (pixelsPerString: number, laid: 'perStrand' | 'runOn' = 'runOn', pitchMm = 100): Stock => ({
  kind: 'strings',
  pixelsPerString,
  pitchMm,
  laid,
});
const pieces = (...counts: number[]): Piece[] => {
  let firstPixel = 1;
  return counts.map((pixelCount) => {
    const piece = { firstPixel, pixelCount, words: 'strand' };
    firstPixel += pixelCount;
    return piece;
  });
};

const numbersOf = ({ sources, pixelsPerSource, sparePixels, ...rest }: StockPlan) => ({
  ...rest,
  sources: sources.value,
  pixelsPerSource: pixelsPerSource.value,
  sparePixels: sparePixels.value,
});

it('covers every pixel once, from sources that are never overdrawn', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 130 }), { minLength: 1, maxLength: 20 }),
      fc.oneof(
        fc.integer({ min: 1, max: 100 }).map((n) => strings(n)),
        fc
          .record({ perCut: fc.integer({ min: 1, max: 6 }), rollMm: fc.integer({ min: 200, max: 6000 }) })
          .map(({ perCut, rollMm }): Stock => ({ ...USUAL_STRIP, pixelsPerCut: perCut, rollMm }) as Stock),
      ),
      (counts, stock) => {
        const plan = numbersOf(planStock(pieces(...counts), stock));
        const total = counts.reduce((sum, count) => sum + count, 0);
        let next = 1;
        const used = new Map<number, number>();
        const perCut = stock.kind === 'strip' ? stock.pixelsPerCut : 1;
        for (const cut of plan.cuts) {
          expect(cut.firstPixel).toBe(next);
          next += cut.pixelCount;
          const whole = Math.ceil(cut.pixelCount / perCut) * perCut;
          used.set(cut.source, (used.get(cut.source) ?? 0) + whole);
        }
        expect(next - 1).toBe(total);
        for (const pixels of used.values()) expect(pixels).toBeLessThanOrEqual(plan.pixelsPerSource);
        expect(plan.sparePixels).toBe(plan.sources * plan.pixelsPerSource - total - plan.unusedPixels);
        // No fewer than what the pixels take, and never as many as a source for each piece and more.
        expect(plan.sources).toBeGreaterThanOrEqual(Math.ceil(total / plan.pixelsPerSource));
        expect(plan.sources).toBeLessThanOrEqual(
          counts.reduce((sum, count) => sum + Math.ceil(count / plan.pixelsPerSource), 0),
        );
      },
    ),
  );
});

it('makes 120 pixels of strings of 50: two and a part, spliced after 50 and 100', () => {
  expect(numbersOf(planStock(pieces(120), strings(50)))).toMatchObject({
    sources: 3,
    splices: [50, 100],
    sparePixels: 30,
    longestSpare: 30,
  });
});

it('takes offcuts before it begins a new string', () => {
  // 30 + 20 from one string, 35 from another, 15 from its rest.
  expect(numbersOf(planStock(pieces(30, 20, 35, 15), strings(50)))).toMatchObject({
    sources: 2,
    sparePixels: 0,
  });
});

it('cuts strip only at its marks', () => {
  const stock: Stock = { kind: 'strip', pixelsPerMetre: 20, pixelsPerCut: 3, rollMm: 5000 };
  // 99 pixels a roll are 33 groups; a piece of 10 takes 4 groups.
  expect(numbersOf(planStock(pieces(10, 10), stock))).toMatchObject({
    sources: 1,
    pixelsPerSource: 99,
    unusedPixels: 4,
    sparePixels: 75,
  });
});

it('parts the data line at long jumpers, and at every strand where that is asked for', () => {
  // Columns of 5 pixels 50 mm apart, columns 100 mm apart, serpentine: the jumpers are 100 mm.
  const net = aGrid('net', 4, 5, { along: 'columns', pattern: 'serpentine', runs: 2 });
  const counts = (stock: Stock) => piecesOf(net, threadProp(net), stock).map((piece) => piece.pixelCount);
  expect(counts(strings(50, 'runOn', 100))).toEqual([10, 10]);
  expect(counts(strings(50, 'runOn', 80))).toEqual([5, 5, 5, 5]);
  expect(counts(strings(50, 'perStrand'))).toEqual([5, 5, 5, 5]);
  expect(counts(USUAL_STRIP)).toEqual([5, 5, 5, 5]);
  expect(piecesOf(net, threadProp(net), strings(50))[1]!.words).toBe('column 3–4');
  // It comes apart in the middle: four rows of four cross that seam, so there is a plug in each.
  const seamed = aGrid('net', 4, 4, { along: 'rows', pattern: 'serpentine', runs: 1 });
  const halves = { ...seamed, shape: { ...seamed.shape, seamsAfterColumns: [2] } } as typeof net;
  const parts = piecesOf(halves, threadProp(halves), strings(50, 'runOn', 100));
  expect(parts.map((piece) => piece.pixelCount)).toEqual([2, 4, 4, 4, 2]);
  expect(parts[1]!.words).toBe('row 1, part 2–2, part 1');
  const line = aLine('line', 120);
  expect(piecesOf(line, threadProp(line), USUAL_STRIP)).toMatchObject([{ firstPixel: 1, pixelCount: 120 }]);
});

it('judges another size by length and by surface', () => {
  const known = { pixels: 100, widthMm: 1000, heightMm: 1000 };
  expect(estimateCoverage(known, { widthMm: 2000, heightMm: 2000 })).toEqual({
    byLength: 200,
    bySurface: 400,
  });
  expect(estimateCoverage({ ...known, heightMm: 0 }, { widthMm: 1500, heightMm: 0 })).toEqual({
    byLength: 150,
    bySurface: 150,
  });
  expect(estimateCoverage({ ...known, widthMm: 0, heightMm: 0 }, { widthMm: 1, heightMm: 1 })).toBeNull();
});
