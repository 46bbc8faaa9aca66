import { fetched } from '@/ui/fetched';
import { EndsThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';

export const line: KindFace<'line'> = {
  ShapeEditor: fetched(async () => (await import('../editors/LineShapeEditor')).LineShapeEditor),
  ThreadingEditor: EndsThreading,
};
