import { fetched } from '@/ui/fetched';
import { TreeThreading } from '../route/threadingEditors';
import type { KindFace } from './face';

export const tree: KindFace<'tree'> = {
  ShapeEditor: fetched(async () => (await import('../build/TreeShapeEditor')).TreeShapeEditor),
  ThreadingEditor: TreeThreading,
};
