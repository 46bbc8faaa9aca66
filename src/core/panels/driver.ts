import { z } from 'zod';
import { partNotesSchema } from '../catalogue/partNotes';
import { figureSchema, usual } from '../figures/figure';

export const DRIVER_LIMITS = { outputs: 64, panelsPerOutput: 256, cards: 256 };

const limitFields = {
  mostPanelsPerOutput: figureSchema(z.int().min(1).max(DRIVER_LIMITS.panelsPerOutput)),
  /** Bits of each colour that are shown; fewer refresh faster. */
  depthBits: z.int().min(1).max(16).optional(),
  brightnessPercent: z.number().min(0).max(100).optional(),
  gamma: z.number().min(0.5).max(5).optional(),
  notes: partNotesSchema,
};

/** Usual settings of drivers. */
export const USUAL_PICTURE = { depthBits: 11, brightnessPercent: 100, gamma: 2.2 };

/** The panels that one card owns: a rectangle of them, cut only at panel borders. */
const cardSchema = z.strictObject({
  /** Cell of its top left panel, from 0, seen from the front. */
  column: z.int().min(0).max(63),
  row: z.int().min(0).max(63),
  columns: z.int().min(1).max(64),
  rows: z.int().min(1).max(64),
});
export type Card = z.infer<typeof cardSchema>;

export const driverSchema = z.discriminatedUnion('kind', [
  /** A small computer with a hat of panel outputs. */
  z.strictObject({
    kind: z.literal('hat'),
    outputs: z.int().min(1).max(8),
    ...limitFields,
    /** Which pins the hat uses, by what is printed on it: part of its type. */
    pinout: z.string().max(60),
    /** Waiting steps after each clock edge, for panels or cables that are too slow; 0 for none. */
    slowDown: z.int().min(0).max(10),
    slowDownReason: z.string().max(200),
  }),
  /** Receiver cards behind one another, fed raw Ethernet frames. */
  z.strictObject({
    kind: z.literal('cards'),
    outputsPerCard: z.int().min(1).max(DRIVER_LIMITS.outputs),
    ...limitFields,
    /** Outputs must be used from the first on, without a gap. */
    inOrder: z.boolean(),
    cards: z.array(cardSchema).min(1).max(DRIVER_LIMITS.cards),
  }),
]);
export type Driver = z.infer<typeof driverSchema>;

export const USUAL_HAT: Driver = {
  kind: 'hat',
  outputs: 3,
  mostPanelsPerOutput: usual(12, 'panels of 64 × 32; the manual of the hat decides'),
  pinout: '',
  slowDown: 1,
  slowDownReason: 'faster computers outrun the panel’s inputs, and ghost pixels show',
};

/** The cards of a driver; a hat counts as one that owns the whole wall. */
export function cardsOf(driver: Driver, columns: number, rows: number): Card[] {
  return driver.kind === 'cards' ? driver.cards : [{ column: 0, row: 0, columns, rows }];
}

export function outputsPerCard(driver: Driver): number {
  return driver.kind === 'cards' ? driver.outputsPerCard : driver.outputs;
}

/** A wall cut into cards as even as panel borders allow. */
export function evenCards(columns: number, rows: number, across: number, down: number): Card[] {
  const cut = (side: number, parts: number) =>
    Array.from({ length: parts }, (_, i) => Math.floor((i * side) / parts));
  const [lefts, tops] = [cut(columns, Math.min(across, columns)), cut(rows, Math.min(down, rows))];
  return tops.flatMap((row, r) =>
    lefts.map((column, c) => ({
      column,
      row,
      columns: (lefts[c + 1] ?? columns) - column,
      rows: (tops[r + 1] ?? rows) - row,
    })),
  );
}

/**
 * The fewest cards across and down that a wall needs where none may own more than so many panels; null where none
 * will do. Of two ways with as many cards, the one with shorter rows: chains run along them.
 */
export function fewestCards(
  columns: number,
  rows: number,
  mostPanels: number,
): [across: number, down: number] | null {
  let best: [number, number] | null = null;
  for (let across = 1; across <= columns; across += 1) {
    const wide = Math.ceil(columns / across);
    const high = Math.floor(mostPanels / wide);
    if (high < 1) continue;
    const down = Math.ceil(rows / high);
    if (across * down <= DRIVER_LIMITS.cards && (!best || across * down <= best[0] * best[1]))
      best = [across, down];
  }
  return best;
}

/** Cells that are owned by no card, and by more than one. */
export function cardCoverage(cards: readonly Card[], columns: number, rows: number) {
  const owners = new Uint16Array(columns * rows);
  let outside = 0;
  for (const card of cards)
    for (let row = card.row; row < card.row + card.rows; row += 1)
      for (let column = card.column; column < card.column + card.columns; column += 1)
        if (column < columns && row < rows) owners[row * columns + column]! += 1;
        else outside += 1;
  const holes: number[] = [];
  const overlaps: number[] = [];
  owners.forEach((count, cell) => {
    if (count === 0) holes.push(cell);
    if (count > 1) overlaps.push(cell);
  });
  return { holes, overlaps, outside };
}

/**
 * Pictures a second of a chain: two lanes shift k * w * h / (2 * S) clocks for each row address, and B bit planes need S * B
 * of those a picture, so refresh = 2 * f / (k * w * h * B). An estimate: pauses and the driver's own work come on top.
 */
export function refreshHz(
  chainPanels: number,
  panel: { columns: number; rows: number },
  bitPlanes: number = USUAL_PICTURE.depthBits,
  clockHz = 20_000_000,
): number {
  return chainPanels === 0
    ? Infinity
    : (2 * clockHz) / (chainPanels * panel.columns * panel.rows * bitPlanes);
}
