import { cardCoverage, evenCards } from '../panels/driver';
import { countOf } from '../units/number';
import { cellsWords, defineWallCheck } from './walls';

export const cardRectangles = defineWallCheck(
  'card-rectangles',
  'The cards of a wall cover every panel once, and nothing beside the wall.',
  ({ prop, laid, finding, rethread }) => {
    const { driver } = prop.threading;
    if (driver.kind !== 'cards') return [];
    const { columns, rows } = prop.shape;
    const { holes, overlaps, outside } = cardCoverage(driver.cards, columns, rows);
    const unowned = holes.filter((cell) => !laid.wall.missing.has(cell));
    if (unowned.length + overlaps.length + outside === 0) return [];
    const words = [
      unowned.length > 0 && `no card owns ${cellsWords(unowned, columns)}, which stay dark`,
      overlaps.length > 0 && `two cards own ${cellsWords(overlaps, columns)}`,
      outside > 0 && `${countOf(outside, 'place')} of a card lie outside the wall`,
    ].filter(Boolean);
    const across = new Set(driver.cards.map((card) => card.column)).size;
    const down = new Set(driver.cards.map((card) => card.row)).size;
    return [
      finding('willNotLight', `${words.join('; ')}.`, [
        rethread(`Cut the wall evenly into ${across} × ${down} cards`, {
          driver: { ...driver, cards: evenCards(columns, rows, across, down) },
        }),
      ]),
    ];
  },
);
