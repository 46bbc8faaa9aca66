import { layWall } from '../../props/wall';
import { flowsRight, placeName, turnOf } from '../../panels/chains';
import type { PropOf } from '../../props/registry';
import { xSeenFrom, type ViewSide } from '../../threading/view';
import { boundsOfSpots, type Drawing, type Shape, type SpotOnDrawing } from '../../pages/drawing';

/** Above so many panels only the ends of chains have words. */
const MOST_LABELLED = 400;

/** The panels of a wall from a side: the way of the data from panel to panel, each with its output, its place and the way its arrow points. */
export function wallChainsDrawing(prop: PropOf<'wall'>, side: ViewSide): Drawing {
  const { shape, name } = prop;
  const { wall, chains, cards } = layWall(prop);
  const { panel, columns, rows } = shape;
  const [width, height] = [panel.columns * panel.pitchMm, panel.rows * panel.pitchMm];
  const x = (mm: number) => xSeenFrom(side, mm);
  const middleOf = ({ column, row }: { column: number; row: number }): SpotOnDrawing => [
    x((column + 0.5) * width),
    -(row + 0.5) * height,
  ];
  const shapes: Shape[] = [];
  const rectangle = (column: number, row: number): SpotOnDrawing[] => [
    [x(column * width), -row * height],
    [x((column + 1) * width), -row * height],
    [x((column + 1) * width), -(row + 1) * height],
    [x(column * width), -(row + 1) * height],
  ];
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1) {
      const isMissing = wall.missing.has(row * columns + column);
      shapes.push({
        is: 'path',
        points: rectangle(column, row),
        closed: true,
        pen: isMissing ? 'dashed' : 'thin',
        fill: isMissing ? 'light' : 'none',
      });
    }
  for (const card of cards.length > 1 ? cards : [])
    shapes.push({
      is: 'path',
      points: [
        [x(card.column * width), -card.row * height],
        [x((card.column + card.columns) * width), -card.row * height],
        [x((card.column + card.columns) * width), -(card.row + card.rows) * height],
        [x(card.column * width), -(card.row + card.rows) * height],
      ],
      closed: true,
      pen: 'thick',
    });
  const labelled = chains.reduce((sum, { panels }) => sum + panels.length, 0) <= MOST_LABELLED;
  for (const chain of chains) {
    chain.panels.forEach((each, place) => {
      const next = chain.panels[place + 1];
      if (next)
        shapes.push({ is: 'arrow', from: middleOf(each), to: middleOf(next), at: 'middle', pen: 'thick' });
    });
    chain.panels.forEach((each, place) => {
      const at = middleOf(each);
      const isFirst = place === 0;
      if (isFirst) {
        // Socket for the ribbon of the driver: the side at which data enters this panel.
        const turn = (each.turnDeg * Math.PI) / 180;
        const reach = (flowsRight(panel) ? -1 : 1) * 0.38 * width;
        const socket: SpotOnDrawing = [
          x((each.column + 0.5) * width + reach * Math.cos(turn)),
          -((each.row + 0.5) * height + reach * Math.sin(turn)),
        ];
        shapes.push({ is: 'dot', at: socket, radiusPt: 3.5, fill: 'black' });
      }
      if (labelled || isFirst)
        shapes.push({
          is: 'label',
          at,
          words: placeName(chain, place, cards.length),
          sizePt: isFirst ? 11 : 9,
          bold: isFirst,
          boxed: true,
          upPt: 6,
        });
      if (labelled) {
        // Seen from the back a turn goes the other way round.
        const turn = turnOf(side === 'front' ? each.turnDeg : -each.turnDeg);
        shapes.push({ is: 'label', at, words: ARROWS[turn], sizePt: 9, upPt: -7, boxed: true });
      }
    });
  }
  const corners: SpotOnDrawing[] = [
    [x(0), 0],
    [x(columns * width), -rows * height],
  ];
  return {
    name: `Panels of ${name}, seen from the ${side}: output and place of each, the way of the data, and where its arrow points; a black point where a ribbon of the driver is plugged in`,
    bounds: boundsOfSpots(corners),
    shapes,
    isToScale: true,
  };
}

const ARROWS = { 0: 'arrow ↑', 90: 'arrow →', 180: 'arrow ↓', 270: 'arrow ←' } as const;
