import { drawSmallWall } from '../wall/drawSmallWall';
import { WallShapeEditor } from '../wall/WallShapeEditor';
import { WallThreadPanel } from '../wall/WallThreadPanel';
import { wallBuildSheets, wallThreadSheets } from '../wall/wallSheets';
import type { KindFace } from './face';

export const wall: KindFace<'wall'> = {
  ShapeEditor: WallShapeEditor,
  drawSmall: drawSmallWall,
  ThreadPanel: WallThreadPanel,
  buildSheets: wallBuildSheets,
  threadSheets: wallThreadSheets,
};
