import { LineShapeEditor } from '../build/LineShapeEditor';
import { EndsThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const line: KindFace<'line'> = {
  ShapeEditor: LineShapeEditor,
  ThreadingEditor: EndsThreading,
};
