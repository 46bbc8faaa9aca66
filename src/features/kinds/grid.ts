import { fetched } from '@/ui/fetched';
import { GridThreading } from '../route/threadingEditors';
import type { KindFace } from './face';

export const grid: KindFace<'grid'> = {
  ShapeEditor: fetched(async () => (await import('../build/GridShapeEditor')).GridShapeEditor),
  ThreadingEditor: GridThreading,
};
