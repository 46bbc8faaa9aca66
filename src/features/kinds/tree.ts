import { fetched } from '@/ui/fetched';
import { TreeThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';

export const tree: KindFace<'tree'> = {
  ShapeEditor: fetched(async () => (await import('../editors/TreeShapeEditor')).TreeShapeEditor),
  ThreadingEditor: TreeThreading,
};
