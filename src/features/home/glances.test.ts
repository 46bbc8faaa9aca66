import { askGlance } from './glances';

it('asks for a few at a time, in order, and goes on whatever becomes of one', async () => {
  const asked: string[] = [];
  const answers: ((response: object) => void)[] = [];
  global.fetch = jest.fn((address: string) => {
    asked.push(address.split('/')[3]!);
    return new Promise((resolve, reject) =>
      answers.push((response) => ('error' in response ? reject(response) : resolve(response))),
    );
  }) as never;
  const left = new AbortController();
  const signals = [0, 1, 2, 3, 4].map((i) => (i === 2 ? left.signal : new AbortController().signal));
  const glances = signals.map((signal, i) => askGlance(`show-${i}`, signal));
  const settle = () => new Promise((resume) => setTimeout(resume));
  await settle();
  expect(asked).toEqual(['show-0', 'show-1']);
  left.abort();
  answers[0]!({ ok: true, json: async () => ({ words: 'one' }) });
  await settle();
  // The third was left before it was its turn.
  expect(asked).toEqual(['show-0', 'show-1', 'show-3']);
  answers[1]!({ error: 'no line' });
  answers[2]!({ ok: false });
  await settle();
  answers[3]!({ ok: true, json: async () => ({ words: 'five' }) });
  expect(await Promise.all(glances)).toEqual([{ words: 'one' }, null, null, null, { words: 'five' }]);
});
