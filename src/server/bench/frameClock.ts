/** Waits this much before a moment is left to timers, which may be late by a little more than a millisecond. */
const TIMER_SLACK_MS = 2;
const cell = new Int32Array(new SharedArrayBuffer(4));

/** Comes back when `performance.now()` has reached a moment: by a timer up to shortly before it, then asleep. */
export async function until(atMs: number): Promise<void> {
  const ahead = atMs - performance.now() - TIMER_SLACK_MS;
  // A timer, or at least a turn of the loop, so that sockets and messages have theirs.
  await new Promise<void>((resume) => (ahead > 0 ? setTimeout(resume, ahead) : setImmediate(resume)));
  const left = atMs - performance.now();
  if (left > 0) Atomics.wait(cell, 0, 0, left);
}
