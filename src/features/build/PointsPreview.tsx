'use client';

import { useComputedColorScheme } from '@mantine/core';
import { useEffect, useRef } from 'react';
import { boundsOf } from '@/core/geometry/bounds';
import type { PointList } from '@/core/props/points/pointList';
import { fit, toScreenX, toScreenY } from '@/ui/picture/camera';
import { readPalette } from '@/ui/picture/palette';
import styles from '../editors/parts.module.css';
import { itemAt } from '@/core/units/there';

const SIZE = { widthPx: 720, heightPx: 260 };

/** Points that have been read, each piece in the colour of a run, its first pixel marked. */
export function PointsPreview({ list }: { list: PointList }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scheme = useComputedColorScheme('dark');
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    const bounds = boundsOf(list.xMm, list.yMm);
    if (!canvas.current || !context || !bounds) return;
    const palette = readPalette(canvas.current);
    const camera = fit(bounds, SIZE, 20);
    context.setTransform(2, 0, 0, 2, 0, 0);
    context.clearRect(0, 0, SIZE.widthPx, SIZE.heightPx);
    const radius = list.xMm.length > 3000 ? 0.7 : 1.8;
    let point = 0;
    list.pieces.forEach((count, piece) => {
      context.fillStyle = itemAt(palette.runs, piece % palette.runs.length);
      for (const end = point + count; point < end; point += 1)
        context.fillRect(
          toScreenX(camera, SIZE, itemAt(list.xMm, point)) - radius,
          toScreenY(camera, SIZE, itemAt(list.yMm, point)) - radius,
          2 * radius,
          2 * radius,
        );
    });
    context.strokeStyle = palette.lamp;
    context.lineWidth = 2;
    context.beginPath();
    context.arc(
      toScreenX(camera, SIZE, itemAt(list.xMm, 0)),
      toScreenY(camera, SIZE, itemAt(list.yMm, 0)),
      6,
      0,
      2 * Math.PI,
    );
    context.stroke();
  }, [list, scheme]);
  return (
    <canvas
      ref={canvas}
      width={SIZE.widthPx * 2}
      height={SIZE.heightPx * 2}
      className={styles.preview}
      role="img"
      aria-label="The points that were read; a ring marks the first"
    />
  );
}
