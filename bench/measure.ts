/** The middle of several times, in milliseconds. */
export function middleMs(times: number, work: (turn: number) => unknown): number {
  const taken = Array.from({ length: times }, (_, turn) => {
    const start = performance.now();
    work(turn);
    return performance.now() - start;
  });
  return taken.sort((a, b) => a - b)[times >> 1]!;
}

/** Prints a table as it stands in docs/speed.md. */
export function table(heads: readonly string[], rows: readonly (readonly string[])[]): void {
  const line = (cells: readonly string[]) => console.log(`| ${cells.join(' | ')} |`);
  line(heads);
  line(heads.map(() => '---'));
  rows.forEach(line);
  console.log();
}
