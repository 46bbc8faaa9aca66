import { z } from 'zod';
import { basesWords, figureSchema, retyped, standingWords, usual } from './figure';

it('says what a figure stands on, with whom, when and how', () => {
  expect(standingWords({ basis: 'default' })).toBe('usual figure');
  expect(standingWords(usual(100, 'Fast Ethernet'))).toBe('usual figure: Fast Ethernet');
  expect(
    standingWords({ basis: 'measured', who: 'Ada', when: '2026-11-02', how: '50 pixels at full white' }),
  ).toBe('measured by Ada, 2026-11-02: 50 pixels at full white');
});

it('says of a total over several whether they stand on the same', () => {
  expect(basesWords([])).toBe('');
  expect(basesWords([usual(1), usual(2)])).toBe('usual figure');
  expect(basesWords([usual(1), { basis: 'typed' }, { basis: 'measured' }])).toBe(
    'mixed: measured, typed in and usual figure',
  );
});

it('lets a new value inherit nothing of what was said of the old one', () => {
  const measured = { value: 3.5, basis: 'measured' as const, who: 'Ada', how: 'clamp meter' };
  expect(retyped(measured, 3.5)).toBe(measured);
  expect(retyped(measured, 4)).toEqual({ value: 4, basis: 'typed' });
  expect(retyped(undefined, 4)).toEqual({ value: 4, basis: 'typed' });
});

it('keeps nothing that it does not know', () => {
  const schema = figureSchema(z.number());
  expect(schema.parse(usual(3))).toEqual({ value: 3, basis: 'default' });
  for (const bad of [{ value: 3 }, { value: 3, basis: 'guessed' }, { ...usual(3), when: 'yesterday' }])
    expect(schema.safeParse(bad).success).toBe(false);
});
