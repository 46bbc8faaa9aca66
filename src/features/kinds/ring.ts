import { fetched } from '@/ui/fetched';
import { RingThreading } from '../route/threadingEditors';
import type { KindFace } from './face';

export const ring: KindFace<'ring'> = {
  ShapeEditor: fetched(async () => (await import('../build/RingShapeEditor')).RingShapeEditor),
  ThreadingEditor: RingThreading,
};
