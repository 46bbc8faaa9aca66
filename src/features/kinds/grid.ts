import { GridShapeEditor } from '../build/GridShapeEditor';
import { GridThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const grid: KindFace<'grid'> = {
  glyph:
    'M4 5h0M9.3 5h0M14.6 5h0M20 5h0M4 10h0M9.3 10h0M14.6 10h0M20 10h0M4 15h0M9.3 15h0M14.6 15h0M20 15h0M4 20h0M9.3 20h0M14.6 20h0M20 20h0',
  glyphLine: 2.6,
  ShapeEditor: GridShapeEditor,
  ThreadingEditor: GridThreading,
};
