'use client';

import { useComputedColorScheme } from '@mantine/core';
import { useElementSize, useMergedRef } from '@mantine/hooks';
import {
  useCallback,
  useEffect,
  useImperativeHandle,
  useRef,
  useState,
  type ReactNode,
  type Ref,
} from 'react';
import type { ViewSide } from '@/core/threading/view';
import { fit, mirrored, panBy, toMm, toScreenX, toScreenY, zoomAt, type Camera } from './camera';
import { drawScene, type Layers } from './draw';
import type { Lit } from './drawLit';
import { readPalette, type Palette } from './palette';
import styles from './PixelCanvas.module.css';
import type { Scene } from './scene';
import { usePointers, useWheel } from './usePointers';

export interface PixelCanvasHandle {
  fit: () => void;
}

interface PixelCanvasProps {
  scene: Scene;
  side: ViewSide;
  layers: Layers;
  /** Light of the pixels, in the place of the colours of their runs. */
  lit?: Lit | null;
  /** Pixels of the scene; -1 for none. */
  selected: number;
  selectedRun: number;
  /** A click or tap on a pixel; -1 beside all of them. */
  onSelect: (pixel: number) => void;
  /** Text about the pixel under the pointer, or about the selected one. */
  callout: (pixel: number) => ReactNode;
  /** The picture in words, for those who hear it. */
  label: string;
  /** About the picture when it is shown whole: tabs of ports want room. */
  marginPx?: number;
  ref?: Ref<PixelCanvasHandle>;
}

const MARGIN_PX = 76;
const REACH_PX = 14;

/** A prop's pixels at scale: drag to pan, wheel or pinch to zoom, point at a pixel for its numbers. */
export function PixelCanvas({
  scene,
  side,
  layers,
  lit = null,
  selected,
  selectedRun,
  onSelect,
  callout,
  label,
  marginPx = MARGIN_PX,
  ref,
}: PixelCanvasProps) {
  const canvasRef = useRef<HTMLCanvasElement>(null);
  const { ref: sizeRef, width, height } = useElementSize<HTMLCanvasElement>();
  const mergedRef = useMergedRef(canvasRef, sizeRef);
  const scheme = useComputedColorScheme('dark');
  const [palette, setPalette] = useState<Palette | null>(null);
  const [camera, setCamera] = useState<Camera | null>(null);
  const [hovered, setHovered] = useState(-1);
  const mirror = side === 'back' ? -1 : 1;
  const size = { widthPx: width, heightPx: height };

  useEffect(() => {
    if (canvasRef.current) setPalette(readPalette(canvasRef.current));
  }, [scheme]);

  const fitAll = useCallback(() => {
    if (!scene.bounds || width === 0) return;
    const fitted = fit(scene.bounds, { widthPx: width, heightPx: height }, marginPx);
    setCamera(mirror === 1 ? fitted : mirrored(fitted));
  }, [scene.bounds, width, height, mirror, marginPx]);
  useImperativeHandle(ref, () => ({ fit: fitAll }), [fitAll]);

  // A prop that is new, grown or moved is shown whole; an edit that keeps its outline keeps the builder's zoom.
  const outline = scene.bounds && Object.values(scene.bounds).join(' ');
  const shown = `${scene.propId} ${outline} ${width} ${height}`;
  const [shownBefore, setShownBefore] = useState('');
  const [mirrorBefore, setMirrorBefore] = useState(mirror);
  if (shown !== shownBefore && width > 0) {
    setShownBefore(shown);
    setMirrorBefore(mirror);
    setHovered(-1);
    fitAll();
  } else if (mirror !== mirrorBefore) {
    setMirrorBefore(mirror);
    if (camera) setCamera(mirrored(camera));
  }

  useEffect(() => {
    const canvas = canvasRef.current;
    if (!canvas || !camera || !palette || width === 0) return;
    const frame = requestAnimationFrame(() => {
      const ratio = window.devicePixelRatio || 1;
      const [deviceWidth, deviceHeight] = [Math.round(width * ratio), Math.round(height * ratio)];
      if (canvas.width !== deviceWidth || canvas.height !== deviceHeight) {
        canvas.width = deviceWidth;
        canvas.height = deviceHeight;
      }
      const context = canvas.getContext('2d')!;
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      const marks = { selected, hovered, run: selectedRun };
      const drawn = { widthPx: width, heightPx: height };
      drawScene(context, scene, camera, drawn, mirror, layers, marks, palette, lit);
    });
    return () => cancelAnimationFrame(frame);
  }, [camera, palette, scene, mirror, layers, lit, selected, hovered, selectedRun, width, height]);

  const pixelAt = (xPx: number, yPx: number): number => {
    if (!camera || !scene.nearest) return -1;
    const at = toMm(camera, size, xPx, yPx);
    return scene.nearest.find(mirror * at.xMm, at.yMm, REACH_PX / camera.pxPerMm);
  };
  const handlers = usePointers({
    pan: (dx, dy) => setCamera((now) => now && panBy(now, dx, dy)),
    zoom: (x, y, factor) => setCamera((now) => now && zoomAt(now, size, x, y, factor)),
    hover: (x, y) => setHovered(pixelAt(x, y)),
    leave: () => setHovered(-1),
    tap: (x, y) => onSelect(pixelAt(x, y)),
  });

  useWheel(canvasRef, handlers.zoomBy);

  // On a narrow screen the selected pixel's numbers stand right below the picture; a callout would only cover it.
  const spoken = hovered >= 0 && hovered < scene.pixelCount ? hovered : width >= 500 ? selected : -1;
  return (
    <div className={styles.frame}>
      <canvas
        ref={mergedRef}
        className={styles.canvas}
        data-over={hovered >= 0}
        data-testid="picture"
        role="img"
        aria-label={label}
        onPointerDown={handlers.onPointerDown}
        onPointerMove={handlers.onPointerMove}
        onPointerUp={handlers.onPointerUp}
        onPointerCancel={handlers.onPointerUp}
        onPointerLeave={handlers.onPointerLeave}
        onDoubleClick={fitAll}
      />
      {camera && spoken >= 0 && spoken < scene.pixelCount && (
        <Callout
          xPx={toScreenX(camera, size, mirror * scene.xMm[spoken]!)}
          yPx={toScreenY(camera, size, scene.yMm[spoken]!)}
          widthPx={width}
          heightPx={height}
        >
          {callout(spoken)}
        </Callout>
      )}
    </div>
  );
}

interface CalloutProps {
  xPx: number;
  yPx: number;
  widthPx: number;
  heightPx: number;
  children: ReactNode;
}

const CALLOUT = { widthPx: 250, heightPx: 110, aside: 22 };

/** Stands beside its pixel, on the side where there is room. Out of the picture it is not drawn. */
function Callout({ xPx, yPx, widthPx, heightPx, children }: CalloutProps) {
  if (xPx < 0 || yPx < 0 || xPx > widthPx || yPx > heightPx) return null;
  const roomRight = xPx + CALLOUT.aside + CALLOUT.widthPx <= widthPx;
  const roomLeft = xPx - CALLOUT.aside - CALLOUT.widthPx >= 0;
  const horizontal = roomRight
    ? { left: xPx + CALLOUT.aside }
    : roomLeft
      ? { right: widthPx - xPx + CALLOUT.aside }
      : { left: 8 };
  // Without room at either side it stands below or above the pixel, not on it.
  const away = roomRight || roomLeft ? 10 : 26;
  const vertical =
    yPx > heightPx - CALLOUT.heightPx - away ? { bottom: heightPx - yPx + away } : { top: yPx + away };
  return (
    <div className={styles.callout} data-testid="callout" style={{ ...horizontal, ...vertical }}>
      {children}
    </div>
  );
}
