import Papa from 'papaparse';
import type { PointList } from '@/core/props/points/pointList';
import { TableReader, type TableOptions } from '@/core/props/points/table';

/**
 * Reads the points of a CSV text; comma, semicolon, tab and bar part its columns, whichever it uses.
 *
 * @param progress called with the part that is read, 0 to 1
 * @throws PointsError with the line that cannot be read
 */
export function readTable(
  text: string,
  options: TableOptions,
  progress: (part: number) => void = () => {},
): PointList {
  const reader = new TableReader(options);
  let line = 0;
  let failure: unknown;
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [',', ';', '\t', '|'],
    step: ({ data, meta }, parser) => {
      line += 1;
      if (line % 20_000 === 0) progress(meta.cursor / text.length);
      try {
        reader.line(data, line);
      } catch (error) {
        failure = error;
        parser.abort();
      }
    },
  });
  if (failure) throw failure;
  return reader.finish();
}
