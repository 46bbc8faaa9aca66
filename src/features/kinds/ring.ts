import { RingShapeEditor } from '../build/RingShapeEditor';
import { RingThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const ring: KindFace<'ring'> = {
  ShapeEditor: RingShapeEditor,
  ThreadingEditor: RingThreading,
};
