import { aController, aLine, aShow } from '../../../../tests/unit/shows';
import { planShow } from '../../plan/plan';
import { Facts, NO_FACTS, tickOf, type Fact } from '../../show/facts';
import { sheetRows, sheetsOf } from '../sheets';

const show = aShow({ props: [aLine('rail', 30, { name: 'Pier railing' })], controllers: [aController()] });

it('stands on a sheet of its own, without what is ticked elsewhere; there is none where nothing was noted', () => {
  const noted = (note: Omit<Fact, 'id' | 'at'>, id: string): Fact => ({
    ...note,
    id,
    at: '2026-11-27T18:00:00Z',
  });
  const plan = planShow(show);
  const asked = { origin: 'http://127.0.0.1', showId: 'quay' };
  const sheetOf = (facts: Facts) => sheetsOf(plan, facts, asked).find(({ id }) => id === 'log');
  expect(sheetOf(NO_FACTS)).toBeUndefined();
  const facts = new Facts([
    noted(tickOf('a', 'port.1.pixels', '10'), 't'),
    noted(
      {
        kind: 'decision',
        list: 'props',
        recordId: 'arch',
        field: 'log.a',
        value: { words: 'Too heavy', reason: 'wind' },
      },
      'd',
    ),
    noted(
      {
        kind: 'decision',
        list: 'controllers',
        recordId: 'a',
        field: 'log@port.1.b',
        value: {
          fedEnd: 'red stripe',
          otherEnd: '',
          plus: 'dots, 12 V by meter',
          wayBack: 'stripe to stripe',
        },
        by: 'Ada',
      },
      'w',
    ),
  ]);
  expect(sheetRows(sheetOf(facts)!).slice(1)).toEqual([
    ['2026-11-27 18:00', 'Decided', 'arch (not in the show any more)', 'Too heavy', 'wind', ''],
    [
      '2026-11-27 18:00',
      'Decided',
      'Box A, A1',
      'Wire marks before the cut',
      'Fed end: red stripe. Plus: dots, 12 V by meter. The way back: stripe to stripe.',
      'Ada',
    ],
  ]);
});
