import type { LaidWall } from '@/core/panels/laidWall';
import { chainPlaces, placeName } from '@/core/panels/chains';
import type { ViewSide } from '@/core/threading/view';
import type { OnScreen } from '@/ui/picture/Board';
import type { Size } from '@/ui/picture/camera';
import type { Palette } from '@/ui/picture/palette';
import { itemAt } from '@/core/units/there';

interface WallMarks {
  /** Cell: row * columns + column. */
  chosen: number | null;
  /** A pixel that is looked for: across and down from the top left of the wall, seen from the front. */
  lit?: { x: number; y: number } | null;
  /** Cells of a chain that is being drawn. */
  path: readonly number[];
}

export interface WallLayers {
  chains: boolean;
  labels: boolean;
  cards: boolean;
}

const MONO = "'Atkinson Hyperlegible Mono Variable', monospace";

/** Wall millimetres of a cell’s middle, y up, mirrored from the back. */
export function cellMiddle(laid: LaidWall, side: ViewSide, cell: number): { xMm: number; yMm: number } {
  const { panel, columns, rows } = laid.wall;
  const [w, h] = [panel.columns * panel.pitchMm, panel.rows * panel.pitchMm];
  const column = cell % columns;
  const row = Math.floor(cell / columns);
  return { xMm: ((side === 'front' ? column : columns - 1 - column) + 0.5) * w, yMm: (rows - row - 0.5) * h };
}

/** The cell at a place on the drawing; null beside the wall. */
export function cellAt(laid: LaidWall, side: ViewSide, xMm: number, yMm: number): number | null {
  const { panel, columns, rows } = laid.wall;
  const across = Math.floor(xMm / (panel.columns * panel.pitchMm));
  const row = rows - 1 - Math.floor(yMm / (panel.rows * panel.pitchMm));
  if (across < 0 || across >= columns || row < 0 || row >= rows) return null;
  return row * columns + (side === 'front' ? across : columns - 1 - across);
}

/**
 * A wall as panels: each in the colour of its output, with its arrow, its output and place and its row and column, the way of the
 * ribbons over them, and the borders of cards. Cost grows with panels, never with pixels.
 */
export function drawWall(
  context: CanvasRenderingContext2D,
  screen: OnScreen,
  size: Size,
  laid: LaidWall,
  side: ViewSide,
  layers: WallLayers,
  marks: WallMarks,
  palette: Palette,
): void {
  const { panel, columns, rows, missing } = laid.wall;
  const [w, h] = [
    panel.columns * panel.pitchMm * screen.pxPerMm,
    panel.rows * panel.pitchMm * screen.pxPerMm,
  ];
  const places = chainPlaces(laid.chains, columns);
  const middle = (cell: number) => {
    const { xMm, yMm } = cellMiddle(laid, side, cell);
    return [screen.x(xMm), screen.y(yMm)] as const;
  };
  const visible = (x: number, y: number) => x > -w && y > -h && x < size.widthPx + w && y < size.heightPx + h;
  context.clearRect(0, 0, size.widthPx, size.heightPx);
  const small = Math.min(w, h);
  const showLabels = layers.labels && w > 34 && h > 22;
  for (let cell = 0; cell < columns * rows; cell += 1) {
    const [x, y] = middle(cell);
    if (!visible(x, y)) continue;
    const inset = small > 8 ? 1 : 0;
    const found = places.get(cell);
    if (missing.has(cell)) {
      context.strokeStyle = palette.line;
      context.setLineDash([3, 3]);
      context.strokeRect(x - w / 2 + inset, y - h / 2 + inset, w - 2 * inset, h - 2 * inset);
      context.setLineDash([]);
      continue;
    }
    context.globalAlpha = found ? 0.34 : 1;
    context.fillStyle = found ? itemAt(palette.runs, found.chain % palette.runs.length) : palette.surface;
    context.fillRect(x - w / 2 + inset, y - h / 2 + inset, w - 2 * inset, h - 2 * inset);
    context.globalAlpha = 1;
    if (!found) {
      context.strokeStyle = palette.bad;
      context.setLineDash([4, 3]);
      context.strokeRect(x - w / 2 + 2, y - h / 2 + 2, w - 4, h - 4);
      context.setLineDash([]);
    }
    if (small > 70) drawPixelGrid(context, x, y, w, h, laid, palette);
    if (found && small > 14) {
      const { turnDeg } = itemAt(itemAt(laid.chains, found.chain).panels, found.place);
      drawArrow(
        context,
        x + w / 2 - Math.min(12, w * 0.16),
        y,
        h,
        side === 'front' ? turnDeg : -turnDeg,
        palette,
      );
    }
  }
  if (layers.chains && small > 6) drawChains(context, laid, middle, small, palette);
  if (showLabels) {
    context.textAlign = 'left';
    for (let cell = 0; cell < columns * rows; cell += 1) {
      const [x, y] = middle(cell);
      if (!visible(x, y) || missing.has(cell)) continue;
      const found = places.get(cell);
      const fontPx = Math.min(20, Math.max(11, Math.min(h * 0.3, w * 0.17)));
      const left = x - w / 2 + 6;
      context.textBaseline = 'top';
      context.fillStyle = palette.text;
      context.font = `700 ${fontPx}px ${MONO}`;
      const chain = found && itemAt(laid.chains, found.chain);
      const words = chain ? placeName(chain, found.place, laid.cards.length) : 'on none';
      plate(context, words, left, y - h / 2 + 4, fontPx, palette);
      if (h > 40) {
        context.font = `${Math.max(11, fontPx * 0.8)}px ${MONO}`;
        context.fillStyle = palette.textDim;
        context.textBaseline = 'bottom';
        context.fillText(`r${Math.floor(cell / columns) + 1} c${(cell % columns) + 1}`, left, y + h / 2 - 3);
      }
    }
  }
  if (layers.cards && laid.cards.length > 1) drawCards(context, screen, laid, side, palette);
  const mark = (cell: number, colour: string, width: number) => {
    const [x, y] = middle(cell);
    context.strokeStyle = colour;
    context.lineWidth = width;
    context.strokeRect(x - w / 2 + 1, y - h / 2 + 1, w - 2, h - 2);
    context.lineWidth = 1;
  };
  for (const cell of marks.path) mark(cell, palette.text, 2);
  if (marks.chosen !== null && marks.chosen < columns * rows) mark(marks.chosen, palette.lamp, 3);
  if (marks.lit) drawLit(context, screen, laid, side, marks.lit, palette);
}

/** One pixel of the wall with a ring around it, so that it is seen however small it is. */
function drawLit(
  context: CanvasRenderingContext2D,
  screen: OnScreen,
  laid: LaidWall,
  side: ViewSide,
  { x, y }: { x: number; y: number },
  palette: Palette,
) {
  const { panel, columns, rows } = laid.wall;
  const width = columns * panel.columns;
  const across = side === 'front' ? x : width - 1 - x;
  const [middleX, middleY] = [
    screen.x((across + 0.5) * panel.pitchMm),
    screen.y((rows * panel.rows - y - 0.5) * panel.pitchMm),
  ];
  const sizePx = Math.max(4, panel.pitchMm * screen.pxPerMm);
  context.fillStyle = palette.lamp;
  context.fillRect(middleX - sizePx / 2, middleY - sizePx / 2, sizePx, sizePx);
  context.strokeStyle = palette.text;
  context.lineWidth = 2;
  context.beginPath();
  context.arc(middleX, middleY, sizePx / 2 + 6, 0, 2 * Math.PI);
  context.stroke();
  context.lineWidth = 1;
}

/** Behind a label, so that ribbons do not cross its letters. */
function plate(
  context: CanvasRenderingContext2D,
  words: string,
  x: number,
  y: number,
  fontPx: number,
  palette: Palette,
) {
  const { width } = context.measureText(words);
  const colour = context.fillStyle;
  context.globalAlpha = 0.72;
  context.fillStyle = palette.ground;
  context.fillRect(x - 3, y - 2, width + 6, fontPx + 3);
  context.globalAlpha = 1;
  context.fillStyle = colour;
  context.fillText(words, x, y);
}

/** A hint of its pixels where a panel is large on screen: lines between them, never more than some hundred. */
function drawPixelGrid(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  w: number,
  h: number,
  laid: LaidWall,
  palette: Palette,
) {
  const { panel } = laid.wall;
  if (w / panel.columns < 5) return;
  context.strokeStyle = palette.ground;
  context.globalAlpha = 0.5;
  context.beginPath();
  for (let i = 1; i < panel.columns; i += 1) {
    const at = x - w / 2 + (i * w) / panel.columns;
    context.moveTo(at, y - h / 2);
    context.lineTo(at, y + h / 2);
  }
  for (let i = 1; i < panel.rows; i += 1) {
    const at = y - h / 2 + (i * h) / panel.rows;
    context.moveTo(x - w / 2, at);
    context.lineTo(x + w / 2, at);
  }
  context.stroke();
  context.globalAlpha = 1;
}

/** The arrow that is printed on the back of a panel. */
function drawArrow(
  context: CanvasRenderingContext2D,
  x: number,
  y: number,
  h: number,
  turnDeg: number,
  palette: Palette,
) {
  const length = Math.min(26, h * 0.5);
  context.save();
  context.translate(x, y);
  context.rotate((turnDeg * Math.PI) / 180);
  context.strokeStyle = palette.text;
  context.lineWidth = 1.6;
  context.beginPath();
  context.moveTo(0, length / 2);
  context.lineTo(0, -length / 2);
  context.moveTo(-4, -length / 2 + 5);
  context.lineTo(0, -length / 2);
  context.lineTo(4, -length / 2 + 5);
  context.stroke();
  context.restore();
  context.lineWidth = 1;
}

function drawChains(
  context: CanvasRenderingContext2D,
  laid: LaidWall,
  middle: (cell: number) => readonly [number, number],
  small: number,
  palette: Palette,
) {
  const { columns } = laid.wall;
  laid.chains.forEach((chain, index) => {
    const colour = itemAt(palette.runs, index % palette.runs.length);
    const at = chain.panels.map((panel) => middle(panel.row * columns + panel.column));
    context.strokeStyle = colour;
    context.lineWidth = Math.min(3, Math.max(1, small / 18));
    context.lineJoin = 'round';
    context.beginPath();
    at.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
    context.stroke();
    const [first, last] = [at[0], at.at(-1)];
    if (!first || !last) return;
    context.fillStyle = colour;
    context.fillRect(first[0] - 5, first[1] - 5, 10, 10);
    if (at.length > 1) {
      context.beginPath();
      context.arc(last[0], last[1], 5, 0, 2 * Math.PI);
      context.fillStyle = palette.ground;
      context.fill();
      context.stroke();
    }
    // Chevrons halfway from panel to panel, where there is room.
    if (small < 26) return;
    for (let i = 1; i < at.length; i += 1) {
      const [[x1, y1], [x2, y2]] = [itemAt(at, i - 1), itemAt(at, i)];
      const length = Math.hypot(x2 - x1, y2 - y1) || 1;
      const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length];
      const [cx, cy] = [(x1 + x2) / 2, (y1 + y2) / 2];
      context.beginPath();
      context.moveTo(cx - (ux + uy) * 5, cy - (uy - ux) * 5);
      context.lineTo(cx, cy);
      context.lineTo(cx - (ux - uy) * 5, cy - (uy + ux) * 5);
      context.stroke();
    }
  });
  context.lineWidth = 1;
}

function drawCards(
  context: CanvasRenderingContext2D,
  screen: OnScreen,
  laid: LaidWall,
  side: ViewSide,
  palette: Palette,
) {
  const { panel, columns, rows } = laid.wall;
  const [w, h] = [panel.columns * panel.pitchMm, panel.rows * panel.pitchMm];
  context.strokeStyle = palette.iris;
  context.lineWidth = 3;
  context.font = `700 14px ${MONO}`;
  laid.cards.forEach((card, i) => {
    const left = side === 'front' ? card.column : columns - card.column - card.columns;
    const [x, y] = [screen.x(left * w), screen.y((rows - card.row) * h)];
    const [width, height] = [card.columns * w * screen.pxPerMm, card.rows * h * screen.pxPerMm];
    context.strokeRect(x, y, width, height);
    context.fillStyle = palette.iris;
    const words = `card ${i + 1}`;
    const wide = context.measureText(words).width + 10;
    context.fillRect(x + width - wide, y, wide, 19);
    context.fillStyle = palette.onTab;
    context.textAlign = 'left';
    context.textBaseline = 'top';
    context.fillText(words, x + width - wide + 5, y + 3);
  });
  context.lineWidth = 1;
}
