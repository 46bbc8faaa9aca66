'use client';

import { useElementSize, useMergedRef } from '@mantine/hooks';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import type { Bounds } from '@/core/geometry/bounds';
import { fit, panBy, toMm, toScreenX, toScreenY, zoomAt, type Camera, type Size } from './camera';
import styles from './Board.module.css';
import { usePointers, useWheel } from './usePointers';

/** From millimetres to places on screen. */
export interface OnScreen {
  x: (xMm: number) => number;
  y: (yMm: number) => number;
  pxPerMm: number;
}

/** A drag over a board, in millimetres. */
interface BoardDrag {
  move: (xMm: number, yMm: number) => void;
  end: (xMm: number, yMm: number, moved: boolean) => void;
  cancel: () => void;
}

interface BoardProps {
  bounds: Bounds;
  /** The board is fitted anew when this changes. */
  fitKey: string;
  label: string;
  testId?: string;
  marginPx?: number;
  /** Things to touch, as SVG. */
  children?: (screen: OnScreen) => ReactNode;
  /** Things too many for that: drawn into a canvas below, anew when this function changes. */
  draw?: (context: CanvasRenderingContext2D, screen: OnScreen, size: Size) => void;
  onTap?: (xMm: number, yMm: number) => void;
  onHover?: (at: { xMm: number; yMm: number } | null) => void;
  /** The effect of a drag from here; undefined where it pans. */
  onDrag?: (xMm: number, yMm: number) => BoardDrag | undefined;
  /** Answers whether the key was one of its own; such a key goes no further. */
  onKey?: (key: string, shift: boolean) => boolean;
}

/** A drawing of some hundred things that can be touched: pan, zoom and fit, in millimetres with y up. */
export function Board({
  bounds,
  fitKey,
  label,
  testId,
  marginPx = 48,
  children,
  draw,
  onTap,
  onHover,
  onDrag,
  onKey,
}: BoardProps) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { ref: sizeRef, width, height } = useElementSize<HTMLDivElement>();
  const ref = useMergedRef(frame, sizeRef);
  const size = { widthPx: width, heightPx: height };
  const [camera, setCamera] = useState<Camera | null>(null);
  const fitAll = useCallback(
    () => setCamera(fit(bounds, { widthPx: width, heightPx: height }, marginPx)),
    [bounds, width, height, marginPx],
  );
  const shown = `${fitKey} ${width} ${height}`;
  const [shownBefore, setShownBefore] = useState('');
  if (shown !== shownBefore && width > 0) {
    setShownBefore(shown);
    fitAll();
  }
  useEffect(() => {
    window.addEventListener('rapid-lantern:fit', fitAll);
    return () => window.removeEventListener('rapid-lantern:fit', fitAll);
  }, [fitAll]);

  const at = (xPx: number, yPx: number) => toMm(camera!, size, xPx, yPx);
  const handlers = usePointers({
    pan: (dx, dy) => setCamera((now) => now && panBy(now, dx, dy)),
    zoom: (x, y, factor) => setCamera((now) => now && zoomAt(now, size, x, y, factor)),
    hover: (x, y) => camera && onHover?.(at(x, y)),
    leave: () => onHover?.(null),
    tap: (x, y) => {
      if (!camera) return;
      const { xMm, yMm } = at(x, y);
      onTap?.(xMm, yMm);
    },
    drag: (x, y) => {
      if (!camera || !onDrag) return undefined;
      const from = at(x, y);
      const drag = onDrag(from.xMm, from.yMm);
      return (
        drag && {
          move: (toX, toY) => drag.move(at(toX, toY).xMm, at(toX, toY).yMm),
          end: (toX, toY, moved) => drag.end(at(toX, toY).xMm, at(toX, toY).yMm, moved),
          cancel: drag.cancel,
        }
      );
    },
  });
  useWheel(frame, handlers.zoomBy);
  useEffect(() => {
    if (!draw || !camera || !canvas.current || width === 0) return;
    const element = canvas.current;
    const request = requestAnimationFrame(() => {
      const ratio = window.devicePixelRatio || 1;
      element.width = Math.round(width * ratio);
      element.height = Math.round(height * ratio);
      const context = element.getContext('2d')!;
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      const drawn = { widthPx: width, heightPx: height };
      draw(context, onScreen(camera, drawn), drawn);
    });
    return () => cancelAnimationFrame(request);
  }, [draw, camera, width, height]);
  return (
    <div
      ref={ref}
      className={styles.board}
      data-testid={testId}
      role="application"
      aria-label={label}
      tabIndex={0}
      onPointerDown={handlers.onPointerDown}
      onPointerMove={handlers.onPointerMove}
      onPointerUp={handlers.onPointerUp}
      onPointerCancel={handlers.onPointerUp}
      onPointerLeave={handlers.onPointerLeave}
      onKeyDown={(event) => {
        if (!onKey?.(event.key, event.shiftKey)) return;
        event.preventDefault();
        event.stopPropagation();
      }}
    >
      {draw && <canvas ref={canvas} className={styles.canvas} aria-hidden />}
      {camera && width > 0 && children && (
        <svg width={width} height={height} aria-hidden>
          {children(onScreen(camera, size))}
        </svg>
      )}
    </div>
  );
}

function onScreen(camera: Camera, size: Size): OnScreen {
  return {
    x: (xMm) => toScreenX(camera, size, xMm),
    y: (yMm) => toScreenY(camera, size, yMm),
    pxPerMm: camera.pxPerMm,
  };
}
