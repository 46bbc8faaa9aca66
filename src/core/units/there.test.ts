import { byId, itemAt, lastOf, valueIn } from './there';

const list = [{ id: 'rail' }, { id: 'arch' }];

it('gives what is there', () => {
  expect(itemAt(list, 1)).toBe(list[1]);
  expect(itemAt([0], 0)).toBe(0);
  expect(itemAt([null], 0)).toBeNull();
  expect(lastOf(list)).toBe(list[1]);
  expect(byId(list, 'rail')).toBe(list[0]);
  expect(valueIn(new Map([['a', 0]]), 'a')).toBe(0);
});

it('says where nothing is, rather than going on with nothing', () => {
  expect(() => itemAt(list, 2)).toThrow(new RangeError('There is nothing at 2 of 2.'));
  expect(() => itemAt(list, -1)).toThrow(RangeError);
  expect(() => itemAt(list, Number.NaN)).toThrow(RangeError);
  expect(() => lastOf([])).toThrow(new RangeError('There is nothing at -1 of 0.'));
  expect(() => byId(list, 'net')).toThrow(new RangeError('There is nothing with the id net among 2.'));
  expect(() => valueIn(new Map(), 'a')).toThrow(new RangeError('There is nothing under a.'));
});
