import fc from 'fast-check';
import {
  computed,
  difference,
  formulaInFigures,
  formulaInWords,
  fromFigure,
  given,
  inputsOf,
  least,
  most,
  product,
  quotient,
  roundedDown,
  roundedUp,
  standsOn,
  sum,
  textOf,
  type Term,
} from './explained';
import { usual } from './figure';

const n = (name: string, value: number) => given(name, value, 'number');

it('says what was computed, in words and in figures', () => {
  const pixels = computed('pixels', 'pixels', product(n('columns', 18), n('rows', 30)));
  const channels = computed('channels', 'channels', product(pixels, n('channels a pixel', 3)));
  expect(channels.value).toBe(1620);
  expect(formulaInWords(channels)).toBe('pixels × channels a pixel');
  expect(formulaInFigures(channels, undefined)).toBe('540 px × 3 = 1,620 ch');
  expect(inputsOf(channels).map((input) => input.name)).toEqual(['pixels', 'channels a pixel']);
  expect(formulaInWords(n('columns', 18))).toBeNull();
});

it('rounds by whole steps, and takes no rounding error for a difference', () => {
  const cable = (straightMm: number) =>
    computed(
      'cable',
      'mm',
      roundedUp(
        sum(given('straight', straightMm, 'mm'), given('ends', 1000, 'mm')),
        given('half metres', 500, 'mm'),
      ),
    );
  expect(cable(5000).value).toBe(6000);
  expect(cable(5001).value).toBe(6500);
  expect(formulaInWords(cable(5001))).toBe('(straight + ends) rounded up to whole half metres');
  expect(formulaInFigures(cable(5001), undefined)).toBe('(5.001 m + 1 m) rounded up to whole 500 mm = 6.5 m');
  expect(roundedDown(quotient(n('a', 0.3), n('b', 0.1))).value).toBe(3);
});

it('parts only what would be read otherwise', () => {
  const [a, b, c] = [n('a', 6), n('b', 2), n('c', 1)];
  const words = (formula: ReturnType<typeof sum>) => formulaInWords(computed('x', 'number', formula));
  expect(words(sum(product(a, b), c))).toBe('a × b + c');
  expect(words(product(sum(a, b), c))).toBe('(a + b) × c');
  expect(words(difference(a, difference(b, c)))).toBe('a − (b − c)');
  expect(words(difference(difference(a, b), c))).toBe('a − b − c');
  expect(words(quotient(a, product(b, c)))).toBe('a ÷ (b × c)');
  expect(words(least(a, sum(b, c)))).toBe('the smallest of a, b + c');
  expect(words(most(a, b))).toBe('the largest of a, b');
});

it('counts the terms that are too many to be read', () => {
  const total = computed(
    'total',
    'number',
    sum(...Array.from({ length: 40 }, (_, i) => n(`leg ${i + 1}`, 1))),
  );
  expect(total.value).toBe(40);
  expect(formulaInWords(total)).toBe('leg 1 + leg 2 + leg 3 + leg 4 + leg 5 + leg 6 + … 34 more');
  expect(inputsOf(total)).toHaveLength(40);
});

it('says what a value stands on in the end', () => {
  const bit = fromFigure('time of a bit', usual(1.25), 'us');
  const latch = fromFigure('latch', { value: 280, basis: 'measured', who: 'Ada' }, 'us');
  const time = computed('frame time', 'us', sum(product(n('bits', 24), bit), latch));
  expect(standsOn(computed('rate', 'perSecond', quotient(n('a second', 1e6), time)))).toBe(
    'mixed: measured and usual figure',
  );
  expect(standsOn(bit)).toBe('usual figure');
  expect(standsOn(n('rows', 3))).toBe('');
  expect(textOf({ ...n('start', 5), text: 'U1 ch 5' }, undefined)).toBe('U1 ch 5');
});

/** Terms of whole numbers, with how they are computed without any of the above. */
const anyTerm = fc.letrec<{ term: { term: Term; js: string } }>((tie) => ({
  term: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    fc.integer({ min: 1, max: 999 }).map((value) => ({ term: n('n', value) as Term, js: String(value) })),
    fc
      .tuple(fc.constantFrom(sum, product, difference, quotient), tie('term'), tie('term'))
      .map(([of, a, b]) => ({
        term: of(a.term, b.term) as Term,
        js: `(${a.js} ${{ [sum.name]: '+', [product.name]: '*', [difference.name]: '-', [quotient.name]: '/' }[of.name]} ${b.js})`,
      })),
  ),
})).term;

it('writes just what it computed: read as arithmetic, the figures give the value', () => {
  const evaluate = (source: string) => Function(`return ${source}`)() as number;
  fc.assert(
    fc.property(anyTerm, ({ term, js }) => {
      fc.pre('operator' in term && Number.isFinite(term.value));
      const explained = computed('x', 'number', term as ReturnType<typeof sum>);
      expect(explained.value).toBeCloseTo(evaluate(js), 6);
      const figures = formulaInFigures(explained, undefined)!.split(' = ')[0]!;
      const read = figures.replace(/×/g, '*').replace(/÷/g, '/').replace(/−/g, '-');
      const value = evaluate(read);
      expect(Math.abs(value - explained.value)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(value)));
    }),
  );
});
