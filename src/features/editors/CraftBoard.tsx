'use client';

import { SegmentedControl } from '@mantine/core';
import { useMemo, useState } from 'react';
import { boardNumber, cellsBetween, withPixel, type CraftShape, type Facing } from '@/core/props/craft';
import type { PropOf } from '@/core/props/registry';
import { countOf } from '@/core/units/number';
import { arrowOf, cellBeside, isDelete } from '@/ui/picture/boardKeys';
import { Board, type OnScreen } from '@/ui/picture/Board';
import stage from '../picture/picture.module.css';
import { useEdit } from '../show/ShowProvider';
import { useView } from '../view/useView';
import styles from './CraftBoard.module.css';
import { useCraftPixel } from './useCraftPixel';
import { SideControl } from '../view/SideControl';
import { itemAt, lastOf } from '@/core/units/there';

interface Cell {
  column: number;
  row: number;
}

/** Which way a drag or an arrow on the drawing points, to the right and up; `below` has left and right exchanged. */
function facingAlong(right: number, up: number, below: boolean): Facing {
  if (Math.abs(up) >= Math.abs(right)) return up > 0 ? 'nose' : 'tail';
  return right > 0 !== below ? 'right' : 'left';
}

/** The top view of a craft: cells that are numbered by clicking them in the order of the wire. */
export function CraftBoard({ prop }: { prop: PropOf<'craft'> }) {
  const { shape } = prop;
  const { side } = useView();
  const edit = useEdit();
  const [selected, select] = useCraftPixel(prop.id);
  const [cursor, setCursor] = useState<Cell | null>(null);
  const [line, setLine] = useState<Cell[]>([]);
  const [drawing, setDrawing] = useState<'numbers' | 'directions'>('numbers');
  const below = side === 'back';
  const bounds = useMemo(
    () => ({
      leftMm: 0,
      rightMm: shape.columns * shape.cellMm,
      bottomMm: 0,
      topMm: shape.rows * shape.cellMm,
    }),
    [shape.columns, shape.rows, shape.cellMm],
  );
  const set = (next: CraftShape) =>
    next !== shape && edit({ type: 'setShape', propId: prop.id, shape: next });

  const cellAt = (xMm: number, yMm: number): Cell | null => {
    const fromLeft = Math.floor(xMm / shape.cellMm);
    const column = below ? shape.columns - 1 - fromLeft : fromLeft;
    const row = shape.rows - 1 - Math.floor(yMm / shape.cellMm);
    return column >= 0 && column < shape.columns && row >= 0 && row < shape.rows ? { column, row } : null;
  };
  const pixelAt = (cell: Cell) =>
    shape.pixels.findIndex((pixel) => pixel.column === cell.column && pixel.row === cell.row);

  /** Numbers cells after the selected pixel, or after the last one. */
  const number = (cells: readonly Cell[]) => {
    let next = shape;
    let at = selected >= 0 ? selected + 1 : shape.pixels.length;
    for (const { column, row } of cells) {
      const wider = withPixel(next, at, column, row);
      if (wider !== next) at += 1;
      next = wider;
    }
    if (set(next) && selected >= 0) select(at - 1);
  };
  const turn = (which: number, facing: Facing) =>
    set({
      ...shape,
      pixels: shape.pixels.map((pixel, i) => (i === which ? { ...pixel, facing } : pixel)),
    });
  const touch = (cell: Cell) => {
    const pixel = pixelAt(cell);
    if (drawing === 'directions') {
      if (pixel < 0) return;
      select(pixel);
      // A tap has no direction of its own: it turns the light over.
      if (pixel === selected) turn(pixel, itemAt(shape.pixels, pixel).facing === 'up' ? 'down' : 'up');
      return;
    }
    if (pixel >= 0) select(pixel === selected ? -1 : pixel);
    else number([cell]);
  };

  const drag = (xMm: number, yMm: number) => {
    const from = cellAt(xMm, yMm);
    if (!from) return undefined;
    const held = pixelAt(from);
    setCursor(from);
    if (drawing === 'directions' && held < 0) return undefined;
    return {
      move: (toX: number, toY: number) => {
        if (drawing === 'directions') return;
        const to = cellAt(toX, toY);
        if (to) setLine(held >= 0 ? [to] : cellsBetween(from, to));
      },
      end: (toX: number, toY: number, moved: boolean) => {
        setLine([]);
        const to = cellAt(toX, toY);
        if (!moved) return touch(from);
        if (drawing === 'directions') {
          select(held);
          return turn(held, facingAlong(toX - xMm, toY - yMm, below));
        }
        if (!to) return;
        if (held < 0) return number(cellsBetween(from, to));
        // A pixel that is dragged goes to the free cell where it is let go.
        if (pixelAt(to) < 0)
          set({
            ...shape,
            pixels: shape.pixels.map((pixel, i) => (i === held ? { ...pixel, ...to } : pixel)),
          });
      },
      cancel: () => setLine([]),
    };
  };

  const onKey = (key: string, shift: boolean) => {
    const arrow = arrowOf(key);
    if (shift && arrow && selected >= 0) {
      turn(selected, facingAlong(arrow.right, arrow.up, below));
      return true;
    }
    const at = cursor ?? { column: 0, row: 0 };
    const next = cellBeside(at, key, shape, below);
    if (next) setCursor(next);
    else if (key === 'Enter' || key === ' ') touch(at);
    else if (isDelete(key) && selected >= 0) {
      if (set({ ...shape, pixels: shape.pixels.filter((_, i) => i !== selected) })) select(selected - 1);
    } else if ((key === 'PageUp' || key === 'PageDown') && selected >= 0)
      turn(selected, key === 'PageUp' ? 'up' : 'down');
    else return false;
    return true;
  };

  return (
    <section className={stage.stage} aria-label={`Board of ${prop.name}`}>
      <BoardTools shape={shape} selected={selected} drawing={drawing} onDrawing={setDrawing} />
      <div className={stage.canvas}>
        <Board
          bounds={bounds}
          fitKey={`${prop.id} ${shape.columns} ${shape.rows} ${shape.cellMm}`}
          label={`Board of ${shape.columns} by ${shape.rows} cells with ${countOf(shape.pixels.length, 'pixel')}, seen from ${below ? 'below' : 'above'}. Arrows go from cell to cell, Enter numbers one; Shift with an arrow turns the selected pixel, Page Up and Page Down turn it up and down.`}
          testId="craft-board"
          onDrag={drag}
          onKey={onKey}
        >
          {(screen) => (
            <BoardDrawing
              shape={shape}
              screen={screen}
              below={below}
              selected={selected}
              cursor={cursor}
              line={line}
            />
          )}
        </Board>
      </div>
      <div className={stage.caption}>
        <span className={stage.side}>{below ? 'seen from below' : 'seen from above'}</span> ·{' '}
        {drawing === 'directions'
          ? 'drag from a pixel the way it shines · click a selected one: up or down · Shift and an arrow do the same'
          : 'click a cell: the next number · drag along a row: all of it · drag a pixel: move it'}
      </div>
    </section>
  );
}

type Drawing = 'numbers' | 'directions';

interface BoardToolsProps {
  shape: CraftShape;
  selected: number;
  drawing: Drawing;
  onDrawing: (drawing: Drawing) => void;
}

function BoardTools({ shape, selected, drawing, onDrawing }: BoardToolsProps) {
  return (
    <div className={stage.tools}>
      <SideControl sides={{ front: 'seen from above', back: 'from below' }} />
      <SegmentedControl
        size="xs"
        aria-label="What is drawn"
        value={drawing}
        onChange={(value) => onDrawing(value === 'directions' ? 'directions' : 'numbers')}
        data={[
          { value: 'numbers', label: 'Numbers' },
          { value: 'directions', label: 'Directions' },
        ]}
      />
      <span className={styles.next}>
        {drawing === 'directions'
          ? directionWords(shape, selected)
          : selected >= 0
            ? `The next click is number ${boardNumber(shape, selected + 1)}, after the selected pixel`
            : `The next click is number ${boardNumber(shape, shape.pixels.length)}`}
      </span>
    </div>
  );
}

function directionWords(shape: CraftShape, selected: number): string {
  const pixel = shape.pixels[selected];
  if (!pixel) return 'Drag from a pixel to where it shines';
  const { facing } = pixel;
  const way = facing === 'up' || facing === 'down' ? facing : `to the ${facing}`;
  return `Pixel ${boardNumber(shape, selected)} shines ${way}`;
}

interface BoardDrawingProps {
  shape: CraftShape;
  screen: OnScreen;
  below: boolean;
  selected: number;
  cursor: Cell | null;
  line: readonly Cell[];
}

/** Direction of a facing on a drawing with the nose at the top; up and down have a sign of their own. */
const WAY: Partial<Record<Facing, readonly [number, number]>> = {
  nose: [0, -1],
  right: [1, 0],
  tail: [0, 1],
  left: [-1, 0],
};

function BoardDrawing({ shape, screen, below, selected, cursor, line }: BoardDrawingProps) {
  const size = shape.cellMm * screen.pxPerMm;
  const mirror = below ? -1 : 1;
  const left = ({ column }: Cell) => screen.x((below ? shape.columns - 1 - column : column) * shape.cellMm);
  const top = ({ row }: Cell) => screen.y((shape.rows - row) * shape.cellMm);
  const middle = (cell: Cell) => [left(cell) + size / 2, top(cell) + size / 2] as const;
  const width = shape.columns * size;
  const height = shape.rows * size;
  const x0 = screen.x(0);
  const y0 = screen.y(shape.rows * shape.cellMm);
  return (
    <>
      <rect className={styles.ground} x={x0} y={y0} width={width} height={height} />
      <path
        className={styles.grid}
        d={[
          ...Array.from({ length: shape.columns + 1 }, (_, i) => `M${x0 + i * size} ${y0}v${height}`),
          ...Array.from({ length: shape.rows + 1 }, (_, i) => `M${x0} ${y0 + i * size}h${width}`),
        ].join('')}
      />
      <text className={styles.compass} x={x0 + width / 2} y={y0 - 10}>
        nose
      </text>
      <text className={styles.compass} x={x0 + width / 2} y={y0 + height + 18}>
        tail
      </text>
      <text className={styles.compass} x={x0 - 22} y={y0 + height / 2}>
        {below ? 'right' : 'left'}
      </text>
      <text className={styles.compass} x={x0 + width + 24} y={y0 + height / 2}>
        {below ? 'left' : 'right'}
      </text>
      {line.map((cell) => (
        <rect
          key={`${cell.column} ${cell.row}`}
          className={styles.line}
          x={left(cell)}
          y={top(cell)}
          width={size}
          height={size}
        />
      ))}
      <polyline
        className={styles.wire}
        points={shape.pixels.map((pixel) => middle(pixel).join(',')).join(' ')}
      />
      {shape.pixels.map((pixel, i) => {
        const [cx, cy] = middle(pixel);
        const radius = Math.min(size * 0.32, 22);
        const way = WAY[pixel.facing];
        return (
          <g
            key={i}
            data-pixel={boardNumber(shape, i)}
            data-over={i >= shape.mostPixels}
            data-selected={i === selected}
            className={styles.pixel}
          >
            {way && (
              <path
                d={`M${radius * 1.45} 0L${radius * 0.9} ${-radius * 0.55}V${radius * 0.55}Z`}
                transform={`translate(${cx} ${cy}) rotate(${(Math.atan2(way[1], way[0] * mirror) * 180) / Math.PI})`}
              />
            )}
            <circle cx={cx} cy={cy} r={radius} />
            {pixel.facing === 'down' && <circle className={styles.down} cx={cx} cy={cy} r={radius * 1.25} />}
            <text x={cx} y={cy} fontSize={Math.max(9, radius * 0.85)}>
              {boardNumber(shape, i)}
            </text>
          </g>
        );
      })}
      {shape.spareLead && shape.pixels.length > 0 && (
        <SpareLead
          at={middle(lastOf(shape.pixels))}
          size={size}
          next={boardNumber(shape, shape.pixels.length)}
        />
      )}
      {cursor && (
        <rect
          className={styles.cursor}
          x={left(cursor) + 1}
          y={top(cursor) + 1}
          width={size - 2}
          height={size - 2}
        />
      )}
    </>
  );
}

/** A data lead that hangs free behind the last pixel, with the number that comes next. */
function SpareLead({
  at: [x, y],
  size,
  next,
}: {
  at: readonly [number, number];
  size: number;
  next: number;
}) {
  const [endX, endY] = [x + size * 0.62, y + size * 0.5];
  return (
    <g className={styles.spare}>
      <path d={`M${x} ${y}Q${x + size * 0.5} ${y + size * 0.1} ${endX} ${endY}`} />
      <circle cx={endX} cy={endY} r={3} />
      <text x={endX + 6} y={endY + 4}>
        spare: {next}
      </text>
    </g>
  );
}
