import fc from 'fast-check';
import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { FACT_KINDS, firmwareFound, stepOf, tickOf, type Fact, type Note } from '../show/facts';
import { nameRevision } from '../revisions/named';
import { LISTS } from '../show/records';
import { logEntry } from './entry';
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
  ['a named state', nameRevision('quay', 12, 'as hung'), ['The show', 'Revision 12 was named', 'as hung']],
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
    'a reading of Feed',
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
    ['Pier railing', 'Bring-up, count: otherwise', 'dark from 20'],
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
