import { aController, aLine, aShow } from '../../../tests/unit/shows';
import { diagnoseAnswer } from './diagnoseAnswer';

const show = aShow({
  props: [aLine('rail', 12), aLine('loose', 3)],
  controllers: [aController()],
  patch: [{ propId: 'rail', run: 1, controllerId: 'a', port: 1, skippedPixels: 0 }],
});
const ask = (asked: object) =>
  diagnoseAnswer(JSON.stringify({ show, propId: 'rail', evidence: [], ...asked }));

it('asks first, and names what is the matter once it was told enough', () => {
  const first = ask({});
  expect(first.isSure).toBe(false);
  expect(first.next!.answers.length).toBeGreaterThan(3);
  const dark = [{ kind: 'noPower', controllerId: 'a' }];
  const told = ['red', 'ownFill', 'lamp', 'answers'].map((trial) => ({ trial, looksLike: dark }));
  const after = ask({ evidence: told });
  expect(after.isSure).toBe(true);
  expect(after.classes[0]!.ways[0]!.sentences[0]).toContain('Box A has no power');
  const again = ask({ evidence: [{ trial: first.next!.trial.id }] });
  expect(again.next!.trial.id).not.toBe(first.next!.trial.id);
  // Mended, it is asked again whether more is the matter.
  const mended = ask({ evidence: [...told, { mended: dark }] });
  expect([mended.isSure, mended.isAfterMending]).toEqual([false, true]);
  expect(mended.classes[0]!.ways).toContainEqual({ faults: [], sentences: [] });
});

it.each([
  [{ propId: 'nobody' }, /no prop “nobody”/],
  [{ propId: 'loose' }, /is on no port/],
  [{ evidence: [{ trial: 'rainbow' }] }, /no trial “rainbow” for this prop; there are red, green/],
  [{ evidence: [{ trial: 'red', looksLike: [{ kind: 'gremlin' }] }] }, /A fault has a kind/],
  [{ evidence: 7 }, /“evidence” is not right/],
])('refuses %j in a sentence', (asked, message) => {
  expect(() => ask(asked)).toThrow(message);
});
