import { fetched } from '@/ui/fetched';
import { EndsThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';

export const freeform: KindFace<'freeform'> = {
  ShapeEditor: fetched(async () => (await import('../editors/FreeformShapeEditor')).FreeformShapeEditor),
  ThreadingEditor: EndsThreading,
};
