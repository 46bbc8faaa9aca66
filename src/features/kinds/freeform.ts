import { FreeformShapeEditor } from '../build/FreeformShapeEditor';
import { EndsThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const freeform: KindFace<'freeform'> = {
  ShapeEditor: FreeformShapeEditor,
  ThreadingEditor: EndsThreading,
};
