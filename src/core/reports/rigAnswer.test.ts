import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { rigAnswer } from './rigAnswer';

const show = aShow({
  props: [aLine('rail', 3)],
  controllers: [aController()],
  patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
});
const ask = (asked: object) => rigAnswer(JSON.stringify({ show, ...asked }));

it('answers the light of every pixel, with what is the matter in words', () => {
  expect(ask({ pattern: 'last', level: 0.5 }).runs).toEqual([
    { propId: 'rail', run: 1, light: [0, 0, 0, 0, 0, 0, 0, 0, 128, 128, 128, 0] },
  ]);
  const dark = ask({ pattern: 'red', faults: [{ kind: 'noPower', controllerId: 'a' }] });
  expect(dark.faults).toMatchObject([
    { kind: 'noPower', sentence: expect.stringContaining('Box A has no power') },
  ]);
  expect(dark.runs[0]!.light.every((each) => each === 0)).toBe(true);
  const own = ask({ ownTest: { controllerId: 'a', colour: [0, 0, 9, 0] } });
  expect(own.runs[0]!.light.slice(0, 4)).toEqual([0, 0, 9, 0]);
});

it.each([
  [{}, /a pattern that is sent, or a device’s own test/],
  [{ pattern: 'rainbow' }, /one of identify, off/],
  [{ pattern: 'red', faults: [{ kind: 'gremlin' }] }, /A fault has a kind/],
  [{ ownTest: { controllerId: 'nobody', colour: [1, 2, 3, 4] } }, /no controller “nobody”/],
  [{ pattern: 'red', level: 7 }, /“level” is not right/],
])('refuses %j in a sentence', (asked, message) => {
  expect(() => ask(asked)).toThrow(message);
});
