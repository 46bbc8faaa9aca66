import fc from 'fast-check';
import {
  COLOUR_ORDERS,
  SHIPPED_PIXEL_TYPES,
  channelsPerPixel,
  pixelTypeSchema,
} from '../catalogue/pixelType';
import { controllerSchema, newLabel } from '../catalogue/controller';
import { idSchema, idWords, nameSchema, newId, newName } from './fields';
import { pathWords, valueWords } from './problem';

describe('ids', () => {
  it.each([
    ['Net curtain', 'net-curtain'],
    ['  Ärmel & Öl!  ', 'armel-ol'],
    ['???', 'item'],
    ['-- x --', 'x'],
  ])('begin with the words of a name: %p with %p', (name, words) => {
    expect(idWords(name)).toBe(words);
    expect(newId(name)).toMatch(new RegExp(`^${words}-[a-z0-9]{8}$`));
  });

  it('are allowed and new, whatever the name', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (name) => {
        const ids = Array.from({ length: 20 }, () => newId(name));
        expect(new Set(ids).size).toBe(20);
        expect(ids.every((id) => idSchema.safeParse(id).success)).toBe(true);
      }),
    );
  });
});

it('counts names on, letter case aside', () => {
  expect(newName('Net', [])).toBe('Net');
  expect(newName('Net', ['NET'])).toBe('Net 2');
  expect(newName('Net 2', ['net', 'Net 2'])).toBe('Net 3');
  const long = 'x'.repeat(80);
  expect(nameSchema.safeParse(newName(long, [long])).success).toBe(true);
});

it.each(['', ' rail', 'rail ', 'two\nlines', 'x'.repeat(81)])('does not take %p for a name', (name) => {
  expect(nameSchema.safeParse(name).success).toBe(false);
});

describe('labels of controllers', () => {
  const labelSchema = controllerSchema.shape.label;
  it('are the letters in order, without those that mean something else', () => {
    const labels: string[] = [];
    for (let i = 0; i < 60; i += 1) labels.push(newLabel(labels));
    expect(labels.slice(0, 3)).toEqual(['A', 'B', 'C']);
    expect(labels).not.toContain('U');
    expect(labels[25]).toBe('AA');
    expect(labels.every((label) => labelSchema.safeParse(label).success)).toBe(true);
  });

  it.each(['U', 'CH', 'a', 'A1', '', 'ABCD'])('are never %p', (label) => {
    expect(labelSchema.safeParse(label).success).toBe(false);
  });
});

describe('pixel types', () => {
  it('know every order of colours once', () => {
    expect(new Set(COLOUR_ORDERS).size).toBe(COLOUR_ORDERS.length);
    expect(COLOUR_ORDERS.filter((order) => order.length === 3)).toHaveLength(6);
    expect(COLOUR_ORDERS.filter((order) => order.length === 4)).toHaveLength(24);
    expect(COLOUR_ORDERS.filter((order) => order.length === 1)).toHaveLength(4);
    for (const order of COLOUR_ORDERS) expect(new Set(order).size).toBe(order.length);
  });

  it('are shipped sound, each under its own id', () => {
    for (const type of SHIPPED_PIXEL_TYPES) expect(pixelTypeSchema.safeParse(type).success).toBe(true);
    expect(new Set(SHIPPED_PIXEL_TYPES.map((type) => type.id)).size).toBe(SHIPPED_PIXEL_TYPES.length);
    expect(SHIPPED_PIXEL_TYPES.map(channelsPerPixel)).toEqual(expect.arrayContaining([1, 3, 4]));
  });
});

it('names a place and a value as they stand in a sentence', () => {
  expect(pathWords(['props', 3, 'shape', 'legs', 0])).toBe('props[3].shape.legs[0]');
  expect(pathWords([])).toBe('');
  expect(valueWords(undefined)).toBe('nothing');
  expect(valueWords(NaN)).toBe('NaN');
  expect(valueWords('x'.repeat(500))).toHaveLength(58);
});
