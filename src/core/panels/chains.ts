import { countOf } from '../units/number';
import { listOf } from '../units/words';
import { z } from 'zod';
import { fewestRuns, splitEvenly } from '../threading/split';
import { CORNERS, type Corner } from '../threading/view';
import { cardsOf, outputsPerCard, type Card, type Driver } from './driver';
import type { PanelType } from './panelType';

/** Clockwise as seen from the front. */
export const TURNS = [0, 90, 180, 270] as const;
export type Turn = (typeof TURNS)[number];

/** Quarter turns as one of the four. @throws RangeError for anything between */
export function turnOf(deg: number): Turn {
  const turn = TURNS.find((each) => each === ((deg % 360) + 360) % 360);
  if (turn === undefined) throw new RangeError(`${deg}° is no quarter turn.`);
  return turn;
}

export const CHAIN_STYLES = ['lineEach', 'arrowsUp', 'toAndFro', 'zigzag'] as const;
type ChainStyle = (typeof CHAIN_STYLES)[number];

export const STYLE_WORDS: Record<ChainStyle, string> = {
  lineEach: 'an output for each line',
  arrowsUp: 'several lines an output, all arrows one way, long returns',
  toAndFro:
    'several lines an output, to and fro with all arrows one way, long ribbons where a line runs back',
  zigzag: 'zigzag, every other line turned 180°',
};

/** A panel in a chain. Columns and rows count from 0 at the top left, seen from the front. */
const chainedPanelSchema = z.strictObject({
  column: z.int().min(0).max(63),
  row: z.int().min(0).max(63),
  turnDeg: z.literal(TURNS),
});
export type ChainedPanel = z.infer<typeof chainedPanelSchema>;

const chainSchema = z.strictObject({
  /** Index of the card; 0 for a hat. */
  card: z.int().min(0).max(255),
  /** From 1, on its card. */
  output: z.int().min(1).max(64),
  /** In data order. */
  panels: z.array(chainedPanelSchema).max(4096),
});
export type Chain = z.infer<typeof chainSchema>;

const chainDesignSchema = z.strictObject({
  by: z.literal('design'),
  style: z.enum(CHAIN_STYLES),
  along: z.enum(['rows', 'columns']),
  /** The corner at which output 1 enters, seen from the front. */
  entry: z.enum(CORNERS),
});
export type ChainDesign = z.infer<typeof chainDesignSchema>;

/** Chains follow a design when the wall changes, or stand as they were drawn by hand. */
export const chainingSchema = z.discriminatedUnion('by', [
  chainDesignSchema,
  z.strictObject({ by: z.literal('hand'), chains: z.array(chainSchema).max(4096) }),
]);
export type Chaining = z.infer<typeof chainingSchema>;

export interface WallCells {
  panel: PanelType;
  columns: number;
  rows: number;
  /** Cells without a panel: row * columns + column. */
  missing: ReadonlySet<number>;
}

/** Which way data flows through a panel that is not turned, seen from the front; the back mirrors it. */
export function flowsRight(panel: PanelType): boolean {
  return panel.dataInAtBack === 'right';
}

/** The chains of a wall, by card and output. Those by hand leave out panels that are not there. */
export function chainsOf(wall: WallCells, driver: Driver, chaining: Chaining): Chain[] {
  if (chaining.by === 'hand')
    return chaining.chains
      .map((chain) => ({ ...chain, panels: chain.panels.filter((panel) => isThere(wall, panel)) }))
      .filter((chain) => chain.panels.length > 0);
  return cardsOf(driver, wall.columns, wall.rows).flatMap((card, index) =>
    designCard(wall, card, index, driver, chaining),
  );
}

export function isThere(
  { columns, rows, missing }: Pick<WallCells, 'columns' | 'rows' | 'missing'>,
  { column, row }: { column: number; row: number },
): boolean {
  return column < columns && row < rows && !missing.has(row * columns + column);
}

/** Lines of panels from the entry corner on, each from the side at which data enters. */
function linesOf(wall: WallCells, card: Card, design: ChainDesign): ChainedPanel[][] {
  const fromRight = design.entry === 'topRight' || design.entry === 'bottomRight';
  const fromBottom = design.entry === 'bottomLeft' || design.entry === 'bottomRight';
  const byRows = design.along === 'rows';
  const [lines, places] = byRows ? [card.rows, card.columns] : [card.columns, card.rows];
  const [linesTurned, placesTurned] = byRows ? [fromBottom, fromRight] : [fromRight, fromBottom];
  const result: ChainedPanel[][] = [];
  for (let i = 0; i < lines; i += 1) {
    const line = linesTurned ? lines - 1 - i : i;
    const panels: ChainedPanel[] = [];
    for (let k = 0; k < places; k += 1) {
      const place = placesTurned ? places - 1 - k : k;
      const cell = byRows
        ? { column: card.column + place, row: card.row + line }
        : { column: card.column + line, row: card.row + place };
      if (isThere(wall, cell)) panels.push({ ...cell, turnDeg: 0 });
    }
    if (panels.length > 0) result.push(panels);
  }
  return result;
}

function designCard(
  wall: WallCells,
  card: Card,
  index: number,
  driver: Driver,
  design: ChainDesign,
): Chain[] {
  const outputs = outputsPerCard(driver);
  const most = driver.mostPanelsPerOutput.value;
  // A line that is too long for an output is parted evenly; each part is fed by itself.
  const lines = linesOf(wall, card, design).flatMap((line) => parted(line, Math.ceil(line.length / most)));
  if (lines.length === 0) return [];
  const lengths = lines.map((line) => line.length);
  const wanted =
    design.style === 'lineEach'
      ? lines.length
      : Math.max(Math.min(outputs, lines.length), fewestRuns(lengths, most) ?? lines.length);
  const starts = fullerFirst(lengths, wanted);
  return starts.map((start, i) => {
    const own = lines.slice(start, starts[i + 1]);
    const panels = own.flatMap((line, k) => {
      const back = (design.style === 'zigzag' || design.style === 'toAndFro') && k % 2 === 1;
      const ordered = back ? [...line].reverse() : line;
      // To and fro without turning: the panels of a line that runs back stay as those of the others.
      const turned = back && design.style === 'zigzag';
      return ordered.map((panel) => ({ ...panel, turnDeg: turnFor(wall.panel, design, turned) }));
    });
    return { card: index, output: i + 1, panels };
  });
}

/** As even as can be; where that leaves some outputs with a line more, the first ones have it. */
function fullerFirst(lengths: readonly number[], outputs: number): number[] {
  const mirrored = splitEvenly([...lengths].reverse(), outputs);
  return mirrored.map((_, i) => lengths.length - (mirrored[i + 1] ?? lengths.length)).reverse();
}

function parted<Item>(items: Item[], parts: number): Item[][] {
  return Array.from({ length: parts }, (_, i) =>
    items.slice(Math.floor((i * items.length) / parts), Math.floor(((i + 1) * items.length) / parts)),
  );
}

/**
 * The turn of a panel with which data flows through it the way its line goes. Along columns that needs square panels; others
 * stay upright. Where all arrows are to point one way, lines that run against the flow keep their panels upright and take
 * longer ribbons.
 */
function turnFor(panel: PanelType, design: ChainDesign, back: boolean): Turn {
  const fromRight = design.entry === 'topRight' || design.entry === 'bottomRight';
  const fromBottom = design.entry === 'bottomLeft' || design.entry === 'bottomRight';
  if (design.along === 'rows') {
    const goesRight = fromRight === back;
    // Without zigzag nothing is turned: that is what this style is for.
    if (design.style !== 'zigzag') return 0;
    return goesRight === flowsRight(panel) ? 0 : 180;
  }
  if (panel.columns !== panel.rows) return 0;
  const goesDown = fromBottom === back;
  return goesDown === flowsRight(panel) ? 90 : 270;
}

/** The place of a panel, by its cell: index of its chain and its place there, from 0. */
export function chainPlaces(
  chains: readonly Chain[],
  columns: number,
): Map<number, { chain: number; place: number }> {
  const places = new Map<number, { chain: number; place: number }>();
  chains.forEach((chain, index) =>
    chain.panels.forEach((panel, place) => {
      const cell = panel.row * columns + panel.column;
      if (!places.has(cell)) places.set(cell, { chain: index, place });
    }),
  );
  return places;
}

/** `2`, or `1.2` where there are several cards: card and output. */
export function outputName(chain: Pick<Chain, 'card' | 'output'>, cards: number): string {
  return cards > 1 ? `${chain.card + 1}.${chain.output}` : String(chain.output);
}

/** `2.4`, or `1.2.4` where there are several cards: card, output and place in its chain. @param place from 0 */
export function placeName(chain: Pick<Chain, 'card' | 'output'>, place: number, cards: number): string {
  return `${outputName(chain, cards)}.${place + 1}`;
}

/** Turns of panels in words: `no panel is turned`, `7 of 15 panels hang upside down`, `12 of 12 panels lie on their side`. */
export function turnsWords(chains: readonly Chain[]): string {
  const panels = chains.flatMap((chain) => chain.panels);
  const count = (...turns: Turn[]) => panels.filter((panel) => turns.includes(panel.turnDeg)).length;
  const hung = (hanging: number, one: string, many: string) =>
    `${hanging} of ${countOf(panels.length, 'panel')} ${hanging === 1 ? one : many}`;
  const words = [
    count(180) > 0 && hung(count(180), 'hangs upside down', 'hang upside down'),
    count(90, 270) > 0 && hung(count(90, 270), 'lies on its side', 'lie on their side'),
  ].filter((each) => each !== false);
  return words.length === 0 ? 'no panel is turned' : listOf(words);
}

export function entryWords(entry: Corner, along: 'rows' | 'columns'): string {
  return `from the ${{ topLeft: 'top left', topRight: 'top right', bottomLeft: 'bottom left', bottomRight: 'bottom right' }[entry]} along ${along}`;
}
