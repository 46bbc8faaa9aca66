// The page of docs that says which share of small changes the tests notice, folder by folder.

const NOTICED = ['Killed', 'Timeout'];
/** Changes that cannot be tried are left out. */
const TRIED = [...NOTICED, 'Survived', 'NoCoverage'];

/** A change that was made, as the mutation tester tells it. */
interface Change {
  status: string;
  fileName: string;
  /** Lines and columns count from 0. */
  location: { start: { line: number; column: number } };
  mutatorName: string;
  replacement?: string;
}

/**
 * The line of one folder, and the changes that no test noticed.
 *
 * @param files how much of the folder was tried: `all`, or `6 of 37`
 * @param goal share to notice, percent
 */
export function mutantLine(
  folder: string,
  files: string,
  results: readonly Change[],
  goal: number,
  minutes: number,
  day = new Date().toISOString().slice(0, 10),
): { row: string; unnoticed: string[] } {
  const tried = results.filter(({ status }) => TRIED.includes(status));
  const noticed = tried.filter(({ status }) => NOTICED.includes(status)).length;
  const share = tried.length === 0 ? 100 : Math.floor((1000 * noticed) / tried.length) / 10;
  const verdict = share >= goal ? 'met' : 'missed';
  return {
    row: `| ${folder} | ${files} | ${tried.length} | ${noticed} | ${share.toFixed(1)} | ${goal}, ${verdict} | ${Math.ceil(minutes)} | ${day} |`,
    unnoticed: tried
      .filter(({ status }) => !NOTICED.includes(status))
      .map(
        ({ fileName, location, mutatorName, replacement, status }) =>
          `${fileName}:${location.start.line + 1}:${location.start.column + 1} ${status} ${mutatorName} ${(replacement ?? '').replaceAll(/\s+/g, ' ').slice(0, 80)}`,
      ),
  };
}

/** The page with the line of a folder in place of the one before; a folder that had none comes last. */
export function withMutantLine(page: string, folder: string, row: string): string {
  const lines = page.split('\n');
  const is = (line: string) => line.startsWith('| ') && line.split('|')[1]!.trim() === folder;
  const at = lines.findIndex(is);
  if (at !== -1) lines[at] = row;
  else lines.splice(lines.findLastIndex((line) => line.startsWith('|')) + 1, 0, row);
  return lines.join('\n');
}
