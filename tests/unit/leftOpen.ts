// After each file of tests: what still holds the process up, by name. A worker that does not end by itself is ended by force, and
// the test runner does not say which file it was.
const HOLDERS = [
  'UDPWrap',
  'TCPServerWrap',
  'TCPSocketWrap',
  'ProcessWrap',
  'MessagePort',
  'Worker',
  'FSEventWrap',
];
/** A closed handle is gone a moment later. */
const PATIENCE_MS = 3000;
const before = process.getActiveResourcesInfo();

const countIn = (list: readonly string[], name: string) => list.filter((each) => each === name).length;

function leftOpen(): string[] {
  const now = process.getActiveResourcesInfo();
  return HOLDERS.filter((name) => countIn(now, name) > countIn(before, name));
}

afterAll(async () => {
  jest.useRealTimers();
  const until = Date.now() + PATIENCE_MS;
  while (leftOpen().length > 0 && Date.now() < until) await new Promise((resume) => setTimeout(resume, 50));
  expect({ stillOpen: leftOpen() }).toEqual({ stillOpen: [] });
});
