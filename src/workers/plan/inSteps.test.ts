import { inSteps } from './inSteps';

function* counted(steps: number, onStep: (step: number) => void): Generator<void, string> {
  for (let step = 1; step <= steps; step += 1) {
    const until = performance.now() + 5;
    while (performance.now() < until);
    onStep(step);
    yield;
  }
  return 'all of it';
}

it('hears what else is asked in between, and gives what the work gives', async () => {
  const heard: number[] = [];
  let done = 0;
  setTimeout(() => heard.push(done));
  expect(
    await inSteps(
      counted(8, (step) => (done = step)),
      () => false,
    ),
  ).toBe('all of it');
  expect(heard[0]).toBeLessThan(8);
});

it('ends early when nobody wants the result any more', async () => {
  let [done, wanted] = [0, true];
  setTimeout(() => (wanted = false));
  expect(
    await inSteps(
      counted(50, (step) => (done = step)),
      () => !wanted,
    ),
  ).toBeNull();
  expect(done).toBeLessThan(50);
});
