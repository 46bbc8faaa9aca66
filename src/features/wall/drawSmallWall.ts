import { layWall } from '@/core/props/wall';
import type { PropOf } from '@/core/props/registry';
import { fit, toScreenX, toScreenY } from '@/ui/picture/camera';
import type { DrawSmall } from '../faces/face';
import { drawWall } from './drawWall';

/** A wall panel by panel, with its chains, as large as it goes. */
export const drawSmallWall: DrawSmall<PropOf<'wall'>> = (context, prop, side, size, palette) => {
  const laid = layWall(prop);
  const { panel, columns, rows } = laid.wall;
  const camera = fit(
    {
      leftMm: 0,
      bottomMm: 0,
      rightMm: columns * panel.columns * panel.pitchMm,
      topMm: rows * panel.rows * panel.pitchMm,
    },
    size,
    12,
  );
  const screen = {
    x: (xMm: number) => toScreenX(camera, size, xMm),
    y: (yMm: number) => toScreenY(camera, size, yMm),
    pxPerMm: camera.pxPerMm,
  };
  const layers = { chains: true, labels: false, cards: false };
  drawWall(context, screen, size, laid, side, layers, { chosen: null, path: [] }, palette);
};
