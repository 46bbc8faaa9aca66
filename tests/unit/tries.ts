/**
 * The number of runs of a heavy property: a fifth of its runs, all of them in `npm run verify:full`, and few where the tests themselves
 * are tried by changing the code (`npm run mutants`).
 *
 * @param all its runs as a whole
 */
export const tries = (all: number): number =>
  process.env.ALL_RUNS ? all : Math.ceil(all / (process.env.FEW_RUNS ? 20 : 5));

/**
 * The least number of times that a generator has to make what a property is about. A fifth of the runs may by chance hold little of what is
 * rare, so it is asked for with all of them.
 *
 * @param all of all runs
 */
export const seenAtLeast = (all: number): number => (process.env.ALL_RUNS ? all : 0);
