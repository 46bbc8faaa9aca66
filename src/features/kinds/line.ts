import { LineShapeEditor } from '../build/LineShapeEditor';
import { EndsThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const line: KindFace<'line'> = {
  glyph: 'M3 17 8 8l6 7 7-9',
  ShapeEditor: LineShapeEditor,
  ThreadingEditor: EndsThreading,
};
