import { mutantLine, withMutantLine } from '../../scripts/lib/mutantsPage';

const change = (status: string, line: number) => ({
  status,
  fileName: 'src/core/units/length.ts',
  location: { start: { line, column: 4 } },
  mutatorName: 'EqualityOperator',
  replacement: 'a >\n  b',
});

it('counts what was noticed of what could be tried, and names the rest', () => {
  const results = ['Killed', 'Timeout', 'Survived', 'NoCoverage', 'CompileError', 'Ignored'].map(
    (status, i) => change(status, i),
  );
  const { row, unnoticed } = mutantLine('units', 'all', results, 50, 2.1, '2026-12-01');
  expect(row).toBe('| units | all | 4 | 2 | 50.0 | 50, met | 3 | 2026-12-01 |');
  expect(unnoticed).toEqual([
    'src/core/units/length.ts:3:5 Survived EqualityOperator a > b',
    'src/core/units/length.ts:4:5 NoCoverage EqualityOperator a > b',
  ]);
  expect(mutantLine('units', '1 of 3', results.slice(2), 50, 1).row).toMatch(
    /^\| units \| 1 of 3 \|.*50, missed/,
  );
});

it('puts the line of a folder in place of the one before, or behind the last', () => {
  const page = 'Words\n\n| folder | n |\n| --- | --- |\n| rig | 1 |\n\nMore\n';
  expect(withMutantLine(page, 'rig', '| rig | 2 |')).toBe(
    'Words\n\n| folder | n |\n| --- | --- |\n| rig | 2 |\n\nMore\n',
  );
  expect(withMutantLine(page, 'units', '| units | 3 |')).toContain('| rig | 1 |\n| units | 3 |\n\nMore');
});
