import path from 'node:path';

/** Folder of all data: RAPID_LANTERN_DATA, or `data` in the project. */
export function dataFolder(): string {
  return path.resolve(/* turbopackIgnore: true */ process.env.RAPID_LANTERN_DATA ?? 'data');
}
