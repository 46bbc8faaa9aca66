import { expose } from 'comlink';
import type { TableOptions } from '@/core/props/points/table';
import { readSvg } from './readSvg';
import { readTable } from './readTable';

const reader = {
  table: (text: string, options: TableOptions, progress: (part: number) => void) =>
    readTable(text, options, progress),
  svg: (text: string, progress: (part: number) => void) => readSvg(text, progress),
};

export type PointsWorker = typeof reader;

expose(reader);
