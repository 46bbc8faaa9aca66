import { fetched } from '@/ui/fetched';
import { GridThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';

export const grid: KindFace<'grid'> = {
  ShapeEditor: fetched(async () => (await import('../editors/GridShapeEditor')).GridShapeEditor),
  ThreadingEditor: GridThreading,
};
