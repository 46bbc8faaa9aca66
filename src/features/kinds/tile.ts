import { TileShapeEditor } from '../build/TileShapeEditor';
import { TileThreading } from '../thread/threadingEditors';
import type { KindFace } from './face';

export const tile: KindFace<'tile'> = {
  glyph: 'M4 4h7v7H4zM13 4h7v7h-7zM4 13h7v7H4zM13 13h7v7h-7z',
  ShapeEditor: TileShapeEditor,
  ThreadingEditor: TileThreading,
};
