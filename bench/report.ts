import fs from 'node:fs';
import path from 'node:path';

/** A small run takes seconds and says only that the bench still works; its figures mean nothing. */
export const isSmall = process.env.BENCH_SMALL === '1';

/** A size, and the one of a small run. */
export const sized = <Size>(whole: Size, small: Size): Size => (isSmall ? small : whole);

/** A goal with whether it was met in this run: `≤ 50 ms: met`. */
export const goal = (words: string, isMet: boolean): string => `${words}: ${isMet ? 'met' : 'missed'}`;

type Cell = string | number;

/**
 * Prints a table in Markdown, and hands it to whoever writes docs/speed.md (`npm run bench:all`).
 *
 * @param name under which it stands there
 * @param rows with the same heads, in the same order
 */
export function table(name: string, rows: readonly Readonly<Record<string, Cell>>[]): void {
  const heads = Object.keys(rows[0] ?? {});
  const line = (cells: readonly Cell[]) => `| ${cells.join(' | ')} |`;
  const text = [
    line(heads),
    line(heads.map(() => '---')),
    ...rows.map((row) => line(heads.map((head) => row[head] ?? ''))),
  ].join('\n');
  console.log(`\n${text}\n`);
  if (process.env.BENCH_TABLES) fs.writeFileSync(path.join(process.env.BENCH_TABLES, `${name}.md`), text);
}

/** The middle of several times, in milliseconds. */
export function middleMs(times: number, work: (turn: number) => unknown): number {
  const taken = Array.from({ length: times }, (_, turn) => {
    const start = performance.now();
    work(turn);
    return performance.now() - start;
  });
  return taken.sort((a, b) => a - b)[times >> 1]!;
}
