'use client';

import { useComputedColorScheme } from '@mantine/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { LaidWall } from '@/core/panels/wallFacts';
import type { ViewSide } from '@/core/threading/view';
import { Board } from '@/ui/picture/Board';
import type { OnScreen } from '@/ui/picture/Board';
import type { Size } from '@/ui/picture/camera';
import { readPalette, type Palette } from '@/ui/picture/palette';
import { cellAt, drawWall, type WallLayers } from './drawWall';
import styles from './wall.module.css';

interface WallBoardProps {
  laid: LaidWall;
  propId: string;
  side: ViewSide;
  layers: WallLayers;
  label: string;
  testId?: string;
  chosen: number | null;
  onChoose: (cell: number | null) => void;
  /** A path dragged over panels; without it a drag pans. */
  onPath?: (cells: number[]) => void;
  onKey?: (key: string, shift: boolean) => boolean;
}

/** A wall that can be touched: panels are chosen by click, walked by arrows, and strung together by dragging over them. */
export function WallBoard({
  laid,
  propId,
  side,
  layers,
  label,
  testId,
  chosen,
  onChoose,
  onPath,
  onKey,
}: WallBoardProps) {
  const scheme = useComputedColorScheme('dark');
  const [path, setPath] = useState<number[]>([]);
  const frame = useRef<HTMLDivElement>(null);
  const [palette, setPalette] = useState<Palette | null>(null);
  const { panel, columns, rows } = laid.wall;
  const bounds = useMemo(
    () => ({
      leftMm: 0,
      bottomMm: 0,
      rightMm: columns * panel.columns * panel.pitchMm,
      topMm: rows * panel.rows * panel.pitchMm,
    }),
    [columns, rows, panel],
  );
  // The colours of the page change with the theme, so the drawing does too.
  useEffect(() => {
    if (frame.current) setPalette(readPalette(frame.current));
  }, [scheme]);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, screen: OnScreen, size: Size) => {
      if (palette) drawWall(context, screen, size, laid, side, layers, { chosen, path }, palette);
    },
    [laid, side, layers, chosen, path, palette],
  );
  const keys = (event: React.KeyboardEvent) => {
    const at = chosen ?? 0;
    const sideways = side === 'front' ? 1 : -1;
    const step = {
      ArrowLeft: [-sideways, 0],
      ArrowRight: [sideways, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    }[event.key];
    if (step) {
      const column = Math.min(Math.max((at % columns) + step[0]!, 0), columns - 1);
      const row = Math.min(Math.max(Math.floor(at / columns) + step[1]!, 0), rows - 1);
      onChoose(row * columns + column);
    } else if (event.key === 'Escape' && chosen !== null) onChoose(null);
    else if (!onKey?.(event.key, event.shiftKey)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div ref={frame} className={styles.whole}>
      <Board
        bounds={bounds}
        fitKey={`${propId} ${columns} ${rows} ${panel.columns} ${panel.rows} ${side}`}
        label={label}
        testId={testId}
        marginPx={14}
        draw={draw}
        onKeyDown={keys}
        onTap={(xMm, yMm) => onChoose(cellAt(laid, side, xMm, yMm))}
        onDrag={
          onPath &&
          ((xMm, yMm) => {
            const from = cellAt(laid, side, xMm, yMm);
            if (from === null) return undefined;
            let cells = [from];
            return {
              move: (toX, toY) => {
                const cell = cellAt(laid, side, toX, toY);
                if (cell === null || cells.includes(cell)) return;
                cells = [
                  ...cells,
                  ...between(cells.at(-1)!, cell, columns).filter((each) => !cells.includes(each)),
                ];
                setPath(cells);
              },
              end: (_x, _y, moved) => {
                setPath([]);
                if (moved && cells.length > 1) onPath(cells);
                else onChoose(from);
              },
              cancel: () => setPath([]),
            };
          })
        }
      />
    </div>
  );
}

/** A quick pointer skips panels: those on the straight way are taken along. */
function between(from: number, to: number, columns: number): number[] {
  const [c1, r1, c2, r2] = [
    from % columns,
    Math.floor(from / columns),
    to % columns,
    Math.floor(to / columns),
  ];
  const steps = Math.max(Math.abs(c2 - c1), Math.abs(r2 - r1));
  return Array.from({ length: steps }, (_, i) => {
    const part = (i + 1) / steps;
    return Math.round(r1 + (r2 - r1) * part) * columns + Math.round(c1 + (c2 - c1) * part);
  });
}
