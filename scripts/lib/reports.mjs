// Figures from the reports of the tests: how many passed, and which took longest.

const bySeconds = (list) => list.sort((a, b) => b.seconds - a.seconds);

export function countJest(report) {
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

export function slowestOfJest({ testResults }) {
  const named = testResults.map((file) => ({
    ...file,
    name: file.name.replace(/^.*\/(?=src\/|tests\/)/, ''),
  }));
  return {
    files: bySeconds(
      named.map(({ name, startTime, endTime }) => ({ name, seconds: (endTime - startTime) / 1000 })),
    ),
    tests: bySeconds(
      named.flatMap(({ name, assertionResults }) =>
        assertionResults.map(({ title, duration }) => ({
          name: `${name}: ${title}`,
          seconds: (duration ?? 0) / 1000,
        })),
      ),
    ),
  };
}

export function countPlaywright({ stats, errors }) {
  // One or two in a run may be the machine; more are a defect.
  const tooMany = stats.flaky > 2 ? stats.flaky : 0;
  return {
    passed: stats.expected + stats.flaky - tooMany,
    failed: stats.unexpected + tooMany + (errors ?? []).length,
    note: stats.flaky > 0 ? `${stats.flaky} passed only when tried again, named above as flaky.` : '',
  };
}

export function slowestOfPlaywright({ suites }) {
  const tests = suites.flatMap((suite) => testsIn(suite, suite.file));
  const files = new Map();
  for (const { file, seconds } of tests) files.set(file, (files.get(file) ?? 0) + seconds);
  return {
    files: bySeconds([...files].map(([name, seconds]) => ({ name, seconds }))),
    tests: bySeconds(tests),
  };
}

function testsIn({ specs = [], suites = [] }, file) {
  return [
    ...specs.map(({ title, tests }) => ({
      file,
      name: `${file}: ${title}`,
      seconds: tests
        .flatMap(({ results }) => results)
        .reduce((sum, { duration }) => sum + duration / 1000, 0),
    })),
    ...suites.flatMap((suite) => testsIn(suite, file)),
  ];
}
