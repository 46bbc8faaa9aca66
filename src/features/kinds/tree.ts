import { TreeShapeEditor } from '../build/TreeShapeEditor';
import { TreeThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const tree: KindFace<'tree'> = {
  glyph: 'M12 3 4 20M12 3 9.3 20M12 3l2.7 17M12 3l8 17M4 20h16',
  ShapeEditor: TreeShapeEditor,
  ThreadingEditor: TreeThreading,
};
