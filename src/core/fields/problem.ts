/** One thing that is wrong: where, what was found, and what is allowed. */
export interface Problem {
  /** `props[3].shape.columns`; empty for the file as a whole. */
  path: string;
  /** A whole sentence. */
  message: string;
}

/** Something the builder asked for cannot be done. The show is unchanged. */
export class ShowError extends Error {
  readonly problems: readonly Problem[];

  constructor(problems: readonly Problem[] | string) {
    const list = typeof problems === 'string' ? [{ path: '', message: problems }] : problems;
    super(list.map((problem) => problem.message).join(' '));
    this.name = 'ShowError';
    this.problems = list;
  }
}

/** `['props', 3, 'shape']` → `props[3].shape`. */
export function pathWords(path: readonly PropertyKey[]): string {
  return path
    .map((part, i) => (typeof part === 'number' ? `[${part}]` : `${i === 0 ? '' : '.'}${String(part)}`))
    .join('');
}

/** A value as it stands in a sentence, cut short when it is long. */
export function valueWords(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
