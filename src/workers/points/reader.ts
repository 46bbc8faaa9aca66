import type { PointList } from '@/core/props/points/pointList';
import type { TableOptions } from '@/core/props/points/table';
import { startThread } from '../thread';
import type { PointsWorker } from './points.worker';
import type { Drawing } from './readSvg';

export type { Drawing } from './readSvg';

/** Reads files of points; what fails, fails with a sentence. `stop` ends it in the middle of whatever it does. */
export interface PointsReader {
  table: (text: string, options: TableOptions, progress: (part: number) => void) => Promise<PointList>;
  svg: (text: string, progress: (part: number) => void) => Promise<Drawing>;
  stop: () => void;
}

/** A reader in a thread of its own, so that a long file never holds up the interface. */
export function startPointsReader(): PointsReader {
  const { remote, answerInParts, stop } = startThread<PointsWorker>(
    new Worker(new URL('./points.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    table: (text, options, progress) => answerInParts(progress, (told) => remote.table(text, options, told)),
    svg: (text, progress) => answerInParts(progress, (told) => remote.svg(text, told)),
    stop,
  };
}
