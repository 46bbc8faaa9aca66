import { useMemo } from 'react';
import { pictureXy } from '@/core/panels/pictureMap';
import type { PropOf } from '@/core/props/registry';
import { wallPixels } from '@/core/props/wall';
import { useView } from '../view/useView';

/** The pixel of a wall that is looked at, across and down from its top left as seen from the front; null where none is. */
export function useLitPixel({ id, shape, threading }: PropOf<'wall'>): { x: number; y: number } | null {
  const { subject } = useView();
  const pixel = subject?.kind === 'prop' && subject.propId === id ? subject.pixel : undefined;
  return useMemo(() => {
    const { width, height } = wallPixels(shape);
    if (pixel === undefined || pixel > width * height) return null;
    const [x, y] = pictureXy({ width, height, corner: threading.pictureCorner }, pixel - 1);
    return { x, y };
  }, [pixel, shape, threading]);
}
