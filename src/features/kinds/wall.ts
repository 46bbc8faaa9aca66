import { drawSmallWall } from '../wall/drawSmallWall';
import { fetched } from '@/ui/fetched';
import { wallBuildSheets, wallThreadSheets } from '../wall/wallSheets';
import type { KindFace } from '../faces/face';

export const wall: KindFace<'wall'> = {
  ShapeEditor: fetched(async () => (await import('../wall/WallShapeEditor')).WallShapeEditor),
  drawSmall: drawSmallWall,
  RoutePanel: fetched(async () => (await import('../wall/WallRoutePanel')).WallRoutePanel),
  buildSheets: wallBuildSheets,
  threadSheets: wallThreadSheets,
};
