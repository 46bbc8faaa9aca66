import { GridShapeEditor } from '../build/GridShapeEditor';
import { GridThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const grid: KindFace<'grid'> = {
  ShapeEditor: GridShapeEditor,
  ThreadingEditor: GridThreading,
};
