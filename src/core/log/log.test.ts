import fc from 'fast-check';
import { electricOf } from '../catalogue/electric';
import { aController, aLine, aShow, onPorts } from '../../../tests/unit/shows';
import { usual } from '../figures/figure';
import { applyEdit } from '../show/edits/registry';
import type { Show } from '../show/schema';
import { FACT_KINDS, firmwareFound, stepOf, tickOf, type Fact, type Note } from '../show/facts';
import { LISTS } from '../show/records';
import { logEntry } from './entry';
import { measurablesOf } from './measurable';
import { LOG_HEADS, logRow } from './rows';

const show = aShow({ props: [aLine('rail', 30, { name: 'Pier railing' })], controllers: [aController()] });
const entry = (note: Note) => logEntry(show, { ...note, id: 'n', at: '2026-11-27T18:00:00Z' });

it.each<[string, Note, [thing: string, what: string, value: string | null]]>([
  [
    'a value that was typed',
    tickOf('a', 'port.1.pixels', '50'),
    ['Box A', 'Pixels of port 1 was typed', '50'],
  ],
  ['a step of a device', stepOf('a', 'saved', []), ['Box A', 'Noted as saved', null]],
  ['firmware', firmwareFound('a', '2.1', null), ['Box A', 'Firmware', '2.1']],
  [
    'a named state',
    { kind: 'decision', list: 'show', recordId: 'quay', field: 'revision.12', value: { name: 'as hung' } },
    ['The show', 'Revision 12 was named', 'as hung'],
  ],
  [
    'a measurement by hand',
    {
      kind: 'measurement',
      list: 'props',
      recordId: 'rail',
      field: 'log.a',
      value: { what: 'White', typed: '3.2 A', how: 'one metre' },
    },
    ['Pier railing', 'White, one metre', '3.2 A'],
  ],
  [
    'a reading of Power',
    {
      kind: 'measurement',
      list: 'props',
      recordId: 'rail',
      field: 'x',
      unit: 'V',
      value: { what: 'pixelVolts', run: 1, pixel: 30, light: 'white', percent: 100, volts: 4.2 },
    },
    ['Pier railing', 'Volts at pixel 30 of run 1', '4.2 V'],
  ],
  [
    'a step of bringing up',
    {
      kind: 'test',
      list: 'props',
      recordId: 'rail',
      field: 'bringUp.count',
      value: { seen: 'otherwise', with: 'x', words: 'dark from 20' },
    },
    ['Pier railing', 'First power-up, count: otherwise', 'dark from 20'],
  ],
])('tells %s in words', (_name, note, words) => {
  const { thing, what, value } = entry(note);
  expect([thing, what, value]).toEqual(words);
});

it('says that a thing is gone, and calls what is left by its name of today', () => {
  const gone = entry({
    kind: 'decision',
    list: 'props',
    recordId: 'arch',
    field: 'log.a',
    value: { words: 'Too heavy' },
  });
  expect(gone).toMatchObject({ thing: 'arch', isGone: true, what: 'Too heavy' });
  const renamed = { ...show, props: show.props.map((prop) => ({ ...prop, name: 'Harbour rail' })) };
  const fact: Fact = {
    kind: 'decision',
    list: 'props',
    recordId: 'rail',
    field: 'log.a',
    value: { words: 'x' },
    id: 'n',
    at: '2026-11-27T18:00:00Z',
  };
  expect(logEntry(renamed, fact)).toMatchObject({ thing: 'Harbour rail', isGone: false });
});

it('finds words for whatever was noted', () => {
  const anyFact = fc.record({
    kind: fc.constantFrom(...FACT_KINDS),
    list: fc.constantFrom(...LISTS, 'show' as const),
    recordId: fc.string({ minLength: 1, maxLength: 20 }),
    field: fc.oneof(
      fc.string({ maxLength: 30 }),
      fc.constantFrom('port.2.pixels', 'bringUp.x', 'care.updatesFrozen', 'step.save', 'revision.3'),
    ),
    value: fc.jsonValue() as fc.Arbitrary<Fact['value']>,
  });
  fc.assert(
    fc.property(anyFact, (fact) => {
      const row = logRow(entry(fact));
      expect(row).toHaveLength(LOG_HEADS.length);
      expect(row.every((cell) => typeof cell === 'string')).toBe(true);
      expect(row[2]!.length).toBeGreaterThan(0);
    }),
  );
});

describe('what was measured', () => {
  const fed: Show = onPorts(
    {
      ...show,
      supplies: [{ id: 's', name: 'Pier 12 V', volts: 12, ratedAmps: usual(10) }],
      feeds: [
        {
          id: 'f',
          name: 'Lead 1',
          from: { kind: 'supply', supplyId: 's' },
          pieces: [
            { lengthMm: 1500, wire: 'mm2-1.5', to: { kind: 'pixel', propId: 'rail', run: 1, pixel: 1 } },
          ],
        },
      ],
    },
    ['rail', 1, 1],
  );
  const one = (list: Fact['list'], recordId: string) => measurablesOf(fed, { list, recordId })[0]!;

  it.each([
    ['controllers', 'a', '310 mA', 0.31, '310 mA'],
    ['props', 'rail', '7.4', 7400, '7.4 m'],
    ['feeds', 'f', '1 m 80', 1800, '1.8 m'],
    ['pixelTypes', 'rgb', '2.75 A for 50', 0.055, '55 mA'],
    ['pixelTypes', 'rgb', '42 mA', 0.042, '42 mA'],
    ['pixelTypes', 'rgbw', '3,300 mA / 50 pixels', 0.066, '66 mA'],
    ['supplies', 's', '12.2', 12.2, '12.20 V'],
  ] as const)(
    'takes the place of what the plan assumes of %s, and is then in use',
    (list, recordId, text, value, written) => {
      const measurable = one(list, recordId);
      expect(measurable.parse(text)).toEqual({ ok: true, value });
      expect(measurable.write(value)).toBe(written);
      const used = applyEdit(
        fed,
        measurable.use(value, { at: '2026-11-27T18:00:00Z', by: 'Ada', how: 'clamp meter' }),
      );
      expect(used).not.toBe(fed);
      expect(measurablesOf(used, { list, recordId })[0]!.planned!.value).toBeCloseTo(value, 5);
    },
  );

  it('of a pixel is shared among its colours as the plan had it, and leaves what it takes while dark', () => {
    const type = (of: Show) => electricOf(of.pixelTypes.find(({ id }) => id === 'rgb')!);
    const [full, idle] = measurablesOf(fed, { list: 'pixelTypes', recordId: 'rgb' });
    const by = { at: '2026-11-27T18:00:00Z', how: 'clamp meter' };
    const dark = applyEdit(fed, idle!.use(0.002, by));
    // 2 mA dark and 50 mA with all at full leave 16 mA for each of three colours.
    const used = type(
      applyEdit(dark, measurablesOf(dark, { list: 'pixelTypes', recordId: 'rgb' })[0]!.use(0.05, by)),
    );
    expect(used.draw.idle).toMatchObject({ value: 2, basis: 'measured', how: 'clamp meter' });
    for (const colour of ['R', 'G', 'B'] as const)
      expect(used.draw[colour]).toMatchObject({ value: 16, basis: 'measured', when: '2026-11-27' });
    expect(full!.parse('3.2 A')).toMatchObject({
      ok: false,
      message: expect.stringContaining('3.2 A for 50'),
    });
    expect(full!.parse('3.2 A for 0')).toMatchObject({ ok: false });
    expect(full!.parse('bright')).toMatchObject({ ok: false });
  });

  it('says what it stands on, where that is kept', () => {
    const measurable = one('controllers', 'a');
    expect(measurable.planned!.standing).toMatch(/^usual figure/);
    const used = applyEdit(
      fed,
      measurable.use(0.31, { at: '2026-11-27T18:00:00Z', by: 'Ada', how: 'clamp meter' }),
    );
    expect(measurablesOf(used, { list: 'controllers', recordId: 'a' })[0]!.planned!.standing).toBe(
      'measured by Ada, 2026-11-27: clamp meter',
    );
  });

  it('is refused in a sentence where it cannot be', () => {
    expect(one('controllers', 'a').parse('40 A')).toMatchObject({ ok: false });
    expect(one('props', 'rail').parse('5 km')).toMatchObject({ ok: false });
    expect(one('feeds', 'f').parse('long')).toMatchObject({ ok: false });
  });

  it('is usable as long as its thing is there', () => {
    const note: Note = {
      kind: 'measurement',
      list: 'feeds',
      recordId: 'f',
      field: 'log.a',
      value: { what: 'Its length', typed: '1.8 m', of: 'piece.0', number: 1800 },
    };
    const fact: Fact = { ...note, id: 'n', at: '2026-11-27T18:00:00Z' };
    expect(logEntry(fed, fact).usable).toMatchObject({ number: 1800, measurable: { id: 'piece.0' } });
    expect(logEntry(show, fact)).toMatchObject({ usable: null, isGone: true });
  });
});
