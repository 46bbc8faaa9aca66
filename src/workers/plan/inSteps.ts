/** Long enough to get somewhere, short enough that nobody waits for it. */
const STRETCH_MS = 8;

/**
 * Goes through work in stretches, between which the thread hears what else is asked of it.
 *
 * @param overtaken whether nobody wants the result any more
 * @returns what the work gives, or null when it was overtaken
 */
export async function inSteps<Result>(
  work: Generator<void, Result>,
  overtaken: () => boolean,
): Promise<Result | null> {
  let since = performance.now();
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    if (performance.now() - since < STRETCH_MS) continue;
    await new Promise((resume) => setTimeout(resume));
    if (overtaken()) return null;
    since = performance.now();
  }
}
