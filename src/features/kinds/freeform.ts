import { FreeformShapeEditor } from '../build/FreeformShapeEditor';
import { EndsThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const freeform: KindFace<'freeform'> = {
  glyph: 'M3 17c3-9 5-9 7-3s5 5 5-1 3-8 6-8',
  ShapeEditor: FreeformShapeEditor,
  ThreadingEditor: EndsThreading,
};
