import { TileShapeEditor } from '../build/TileShapeEditor';
import { TileThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const tile: KindFace<'tile'> = {
  ShapeEditor: TileShapeEditor,
  ThreadingEditor: TileThreading,
};
