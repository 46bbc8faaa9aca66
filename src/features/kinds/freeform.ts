import { fetched } from '@/ui/fetched';
import { EndsThreading } from '../route/threadingEditors';
import type { KindFace } from './face';

export const freeform: KindFace<'freeform'> = {
  ShapeEditor: fetched(async () => (await import('../build/FreeformShapeEditor')).FreeformShapeEditor),
  ThreadingEditor: EndsThreading,
};
