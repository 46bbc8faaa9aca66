import { fetched } from '@/ui/fetched';
import { EndsThreading } from '../route/threadingEditors';
import type { KindFace } from './face';

export const line: KindFace<'line'> = {
  ShapeEditor: fetched(async () => (await import('../build/LineShapeEditor')).LineShapeEditor),
  ThreadingEditor: EndsThreading,
};
