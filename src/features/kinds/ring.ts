import { fetched } from '@/ui/fetched';
import { RingThreading } from '../editors/threadingEditors';
import type { KindFace } from '../faces/face';

export const ring: KindFace<'ring'> = {
  ShapeEditor: fetched(async () => (await import('../editors/RingShapeEditor')).RingShapeEditor),
  ThreadingEditor: RingThreading,
};
