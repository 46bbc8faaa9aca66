import { WallShapeEditor } from '../wall/WallShapeEditor';
import { WallThreadPanel } from '../wall/WallThreadPanel';
import { wallBuildSheets, wallThreadSheets } from '../wall/wallSheets';
import type { KindFace } from './face';

export const wall: KindFace<'wall'> = {
  glyph: 'M3 5h18v14H3zM9 5v14M15 5v14M3 12h18',
  ShapeEditor: WallShapeEditor,
  ThreadPanel: WallThreadPanel,
  buildSheets: wallBuildSheets,
  threadSheets: wallThreadSheets,
};
