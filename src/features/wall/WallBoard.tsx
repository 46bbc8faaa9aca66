'use client';

import type { LaidWall } from '@/core/panels/laidWall';

import { useComputedColorScheme } from '@mantine/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ViewSide } from '@/core/threading/view';
import { Board, type OnScreen } from '@/ui/picture/Board';
import { cellBeside } from '@/ui/picture/boardKeys';
import type { Size } from '@/ui/picture/camera';
import { readPalette, type Palette } from '@/ui/picture/palette';
import { cellAt, drawWall, type WallLayers } from './drawWall';
import styles from './wall.module.css';
import { lastOf } from '@/core/units/there';

interface WallBoardProps {
  laid: LaidWall;
  propId: string;
  side: ViewSide;
  layers: WallLayers;
  label: string;
  testId?: string;
  chosen: number | null;
  /** A pixel that is looked for. */
  lit?: { x: number; y: number } | null;
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
  lit = null,
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
      if (palette) drawWall(context, screen, size, laid, side, layers, { chosen, lit, path }, palette);
    },
    [laid, side, layers, chosen, lit, path, palette],
  );
  const walk = (key: string, shift: boolean) => {
    const at = chosen ?? 0;
    const from = { column: at % columns, row: Math.floor(at / columns) };
    const next = cellBeside(from, key, { columns, rows }, side === 'back');
    if (next) onChoose(next.row * columns + next.column);
    else if (key === 'Escape' && chosen !== null) onChoose(null);
    else return onKey?.(key, shift) ?? false;
    return true;
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
        onKey={walk}
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
                  ...between(lastOf(cells), cell, columns).filter((each) => !cells.includes(each)),
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
