import { RingShapeEditor } from '../build/RingShapeEditor';
import { RingThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const ring: KindFace<'ring'> = {
  glyph: 'M12 3.5a8.5 8.5 0 1 1-.01 0M12 8.2a3.8 3.8 0 1 1-.01 0',
  ShapeEditor: RingShapeEditor,
  ThreadingEditor: RingThreading,
};
