import { TreeShapeEditor } from '../build/TreeShapeEditor';
import { TreeThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const tree: KindFace<'tree'> = {
  ShapeEditor: TreeShapeEditor,
  ThreadingEditor: TreeThreading,
};
