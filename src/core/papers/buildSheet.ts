import { partsOf, piecesOf } from '../answers/stockPieces';
import { planStock, type StockPlan } from '../catalogue/stock';
import { threadedOf } from '../plan/threadedOf';
import { toldUniverse } from '../addressing/numbering';
import { partsWords } from '../protocols/protocol';
import { protocolOf } from '../protocols/registry';
import { portName, type Controller } from '../catalogue/controller';
import type { Plan } from '../plan/planned';
import { kindOf, threadProp } from '../props/registry';
import { xSeenFrom, type ViewSide } from '../threading/view';
import { formatLength, type Lengths } from '../units/length';
import { capitalised } from '../units/words';
import { columnsOf, type Cell, type Table } from '../pages/table';
import { runName } from '../plan/runName';
import { itemAt, valueIn } from '../units/there';
import { propAt, plannedAt, runAt, controllerAt } from '../plan/records';

/** The end of a strand. */
type StrandEnd =
  | { kind: 'port'; words: string }
  | { kind: 'jumper'; words: string; lengthMm: number }
  | { kind: 'joined'; words: string }
  | { kind: 'plugged'; words: string; lengthMm: number }
  | { kind: 'chained'; words: string }
  | { kind: 'open'; words: string };

/** One strand as it is built: a line of the sheet. */
interface BuildLine {
  /** The builder's number. */
  strand: number;
  run: number;
  /** Place of the strand in its run, from 1. */
  order: number;
  /** Port and place on its wire of the first pixel; null while on no port. */
  port: string | null;
  firstPlace: number | null;
  /** In the run, from 1. */
  firstPixel: number;
  lastPixel: number;
  pixelCount: number;
  /** The way of the data as seen from the side of the sheet: `up`, `down`, `left`, `right`, `clockwise`, … */
  direction: string;
  /** Which end of the strand data enters: `bottom`, `top`, `left`, `right` or, on a closed ring, `start`. */
  dataIn: string;
  dataInEnd: StrandEnd;
  dataOutEnd: StrandEnd;
  /** The end at which data enters: the plug there and the print beside it; null where the stock does not say it. */
  inputEnd: string | null;
  emptyHolesTop: number;
  emptyHolesBottom: number;
  /** `U5 430`, the universe and channel of its first pixel, with the Art-Net triple where that is typed; null where it has none. */
  address: string | null;
}

interface BuildSheet {
  strandWord: string;
  /** In the order in which the strands stand beside one another, unrolled where they stand in a circle, from left to right as seen from the side of the sheet. */
  lines: BuildLine[];
  hasEmptyHoles: boolean;
}

/**
 * Everything that the bench needs for each strand of a prop: which way round it goes, what is plugged in at either end,
 * and its numbers.
 *
 * @param prop index of the prop in the show
 * @param side left and right, and the way round, are those of this side
 */
export function buildSheet(plan: Plan, prop: number, side: ViewSide): BuildSheet {
  const planned = plannedAt(plan, prop);
  const ofShow = propAt(plan, prop);
  const kind = kindOf(ofShow);
  const word = kind.strandWord(ofShow.threading);
  const holes = kind.emptyHoles?.(ofShow.shape) ?? { top: 0, bottom: 0 };
  const jumperTo = new Map(planned.jumpers.map((jumper) => [jumper.toPixel, jumper]));
  const { stock } = ofShow;
  const threaded = stock && threadedOf(plan, prop);
  const parted = threaded && partsOf(ofShow, threaded, stock);
  const pieces = threaded && piecesOf(ofShow, threaded, stock);
  const newStrings = pieces && stringsBegin(planStock(pieces, stock));
  /** The joint between a strand and the one before it, by its first pixel: wire that the string brings, a plug, or a jumper to make. */
  const jointAt = (pixel: number, way: 'from' | 'to', other: number): StrandEnd => {
    const lengthMm = jumperTo.get(pixel)?.lengthMm;
    if (lengthMm === undefined || !parted || parted.has(pixel))
      return joint(way, other, lengthMm, word, plan.show.lengths);
    const length = formatLength(Math.round(lengthMm), plan.show.lengths);
    return newStrings!.has(pixel)
      ? { kind: 'plugged', lengthMm, words: `plug of two strings, ${length} ${way} ${word} ${other}` }
      : { kind: 'joined', words: `its own wire, ${length} ${way} ${word} ${other}` };
  };
  const inputEnd =
    [stock?.inputPlug && `${stock.inputPlug} plug`, stock?.inputMark].filter(Boolean).join(', ') || null;
  const runs = plan.runs.slice(planned.firstRun, planned.firstRun + planned.runCount);
  const lines: BuildLine[] = [];
  let order = 0;
  let runIndex = 0;
  planned.strands.forEach((strand, index) => {
    while (
      runs[runIndex + 1] &&
      itemAt(runs, runIndex + 1).firstPixel - planned.firstPixel <= strand.firstPixel
    ) {
      runIndex += 1;
      order = 0;
    }
    const run = itemAt(runs, runIndex);
    const runFirst = run.firstPixel - planned.firstPixel;
    const first = strand.firstPixel;
    const last = first + strand.pixelCount - 1;
    order += 1;
    const previous = order === 1 ? undefined : planned.strands[index - 1];
    const next = last + 1 < runFirst + run.pixelCount ? planned.strands[index + 1] : undefined;
    const { wire } = run;
    const port = wire && portName(controllerAt(plan, wire.controller), wire.port);
    const way = wayOf(plan, planned.firstPixel + first, strand.pixelCount, side);
    lines.push({
      strand: strand.number,
      run: run.number,
      order,
      port,
      firstPlace: wire && wire.firstPlace + first - runFirst,
      firstPixel: first - runFirst + 1,
      lastPixel: last - runFirst + 1,
      pixelCount: strand.pixelCount,
      direction: way.direction,
      dataIn: way.dataIn,
      dataInEnd: previous ? jointAt(first, 'from', previous.number) : chainStart(plan, prop, runIndex, port),
      dataOutEnd: next ? jointAt(last + 1, 'to', next.number) : chainEnd(plan, prop, runIndex),
      inputEnd,
      emptyHolesTop: holes.top,
      emptyHolesBottom: holes.bottom,
      address: addressWords(plan, wire && controllerAt(plan, wire.controller), planned.firstPixel + first),
    });
  });
  const seats = seatsOf(plan, prop, side);

  // Strands that lie one above the other keep the builder's numbers.
  lines.sort((a, b) => valueIn(seats, a.strand) - valueIn(seats, b.strand) || a.strand - b.strand);
  return { strandWord: word, lines, hasEmptyHoles: holes.top + holes.bottom > 0 };
}

/** Pixels, from 0, with which a string begins that another one ends before. */
function stringsBegin({ splices }: Pick<StockPlan, 'splices'>): Set<number> {
  // A splice is named by the pixel before it, counted from 1.
  return new Set(splices);
}

/** Settings on the menu of a tile, or typed for a strand. */
function addressWords(plan: Plan, controller: Controller | null, pixel: number): string | null {
  const universe = plan.pixels.universe[pixel]!;
  if (universe === 0) return null;
  const words = `U${universe} ${plan.pixels.channel[pixel]}`;
  if (!controller) return words;
  const { name, counts } = protocolOf(controller);
  const told = toldUniverse(controller, universe);
  const parts = counts.kind === 'universes' ? (counts.partsOf?.(told) ?? null) : null;
  return parts ? `${words} (${name} ${partsWords(parts)})` : words;
}

function joint(
  way: 'from' | 'to',
  strand: number,
  lengthMm: number | undefined,
  word: string,
  lengths: Lengths,
): StrandEnd {
  return lengthMm === undefined
    ? { kind: 'joined', words: `runs on ${way} ${word} ${strand}` }
    : {
        kind: 'jumper',
        lengthMm,
        words: `jumper ${formatLength(Math.round(lengthMm), lengths)} ${way} ${word} ${strand}`,
      };
}

function chainStart(plan: Plan, prop: number, runIndex: number, port: string | null): StrandEnd {
  const run = plannedAt(plan, prop).firstRun + runIndex;
  const { wire } = runAt(plan, run);
  if (!wire || !port) return { kind: 'open', words: 'lead to a port, not chosen yet' };
  if (wire.chainPosition === 1) return { kind: 'port', words: `lead from port ${port}` };
  const on = plan.ports.find((each) => each.controller === wire.controller && each.port === wire.port)!;
  return { kind: 'chained', words: `follows ${runName(plan, itemAt(on.runs, wire.chainPosition - 2))}` };
}

function chainEnd(plan: Plan, prop: number, runIndex: number): StrandEnd {
  const run = plannedAt(plan, prop).firstRun + runIndex;
  const { wire } = runAt(plan, run);
  const on =
    wire && plan.ports.find((each) => each.controller === wire.controller && each.port === wire.port);
  const next = on?.runs[wire!.chainPosition];
  return next === undefined
    ? { kind: 'open', words: 'open end, sealed' }
    : { kind: 'chained', words: `on to ${runName(plan, next)}` };
}

/** The way of the data along some pixels: straight in one of four directions, or round and round. */
function wayOf(
  plan: Plan,
  first: number,
  count: number,
  side: ViewSide,
): { direction: string; dataIn: string } {
  const { xMm, yMm } = plan.pixels;
  if (count < 2) return { direction: '–', dataIn: '–' };
  const last = first + count - 1;
  const dx = xSeenFrom(side, xMm[last]! - xMm[first]!);
  const dy = yMm[last]! - yMm[first]!;
  let [lengthMm, twiceArea] = [0, 0];
  for (let i = first; i < last; i += 1) {
    lengthMm += Math.hypot(xMm[i + 1]! - xMm[i]!, yMm[i + 1]! - yMm[i]!);
    twiceArea += xMm[i]! * yMm[i + 1]! - xMm[i + 1]! * yMm[i]!;
  }
  twiceArea += xMm[last]! * yMm[first]! - xMm[first]! * yMm[last]!;
  // A way that comes back near its start goes round; its signed area tells which way.
  if (Math.hypot(dx, dy) < 0.6 * lengthMm && Math.abs(twiceArea) > 0.05 * lengthMm ** 2) {
    const clockwise = twiceArea < 0 === (side === 'front');
    return { direction: clockwise ? 'clockwise' : 'counter-clockwise', dataIn: 'start' };
  }
  if (Math.abs(dy) >= Math.abs(dx))
    return dy > 0 ? { direction: 'up', dataIn: 'bottom' } : { direction: 'down', dataIn: 'top' };
  return dx > 0 ? { direction: 'right', dataIn: 'left' } : { direction: 'left', dataIn: 'right' };
}

/** Places of strands from left to right; strands that hide one another are laid flat. */
function seatsOf(plan: Plan, prop: number, side: ViewSide): Map<number, number> {
  const { firstPixel, strands } = plannedAt(plan, prop);
  const ofShow = propAt(plan, prop);
  const flat = kindOf(ofShow).unrolled ? threadProp(ofShow, 'unrolled').xMm : null;
  const x = (pixel: number) => (flat ? flat[pixel]! : plan.pixels.xMm[firstPixel + pixel]!);
  return new Map(
    strands.map((strand) => [
      strand.number,
      Math.round(xSeenFrom(side, (x(strand.firstPixel) + x(strand.firstPixel + strand.pixelCount - 1)) / 2)),
    ]),
  );
}

/** The way of the data with an arrow, where there is one. */
const WAYS: Record<string, string> = {
  up: '↑ up',
  down: '↓ down',
  left: '← left',
  right: '→ right',
  clockwise: '↻ clockwise',
  'counter-clockwise': '↺ counter-clockwise',
};

/** A build sheet line by line. `sideWords` says from which side it is drawn up. */
export function buildSheetTable(
  propName: string,
  sideWords: string,
  { lines, strandWord, hasEmptyHoles }: BuildSheet,
): Table<BuildLine> {
  const end = ({ kind, words }: StrandEnd): Cell =>
    kind === 'open' ? { text: words, mood: 'quiet' } : words;
  return {
    name: `Build sheet of ${propName}, ${sideWords}`,
    rows: lines,
    keyOf: (line) => line.strand,
    columns: columnsOf<BuildLine>(
      {
        id: 'strand',
        head: capitalised(strandWord),
        meaning: 'its number, as the builder counts',
        as: 'figure',
        of: (line) => line.strand,
      },
      {
        id: 'way',
        head: 'Data goes',
        meaning: `the way of the data, ${sideWords}`,
        of: (line) => WAYS[line.direction] ?? line.direction,
      },
      { id: 'in', head: 'enters at', meaning: 'the end at which data enters', of: (line) => line.dataIn },
      lines.some((line) => line.inputEnd !== null) && {
        id: 'input-end',
        head: 'Input end',
        unit: 'plug, mark',
        meaning: 'how the end is known at which data enters; the other end has its counterpart',
        of: (line) => line.inputEnd,
      },
      {
        id: 'in-end',
        head: 'Plugged in there',
        meaning: 'what brings the data',
        of: (line) => end(line.dataInEnd),
      },
      {
        id: 'out-end',
        head: 'At the other end',
        meaning: 'where the data goes on',
        of: (line) => end(line.dataOutEnd),
      },
      hasEmptyHoles && {
        id: 'holes-top',
        head: 'Empty holes',
        unit: 'top',
        meaning: 'bare holes above the last pixel',
        as: 'figure',
        of: (line) => line.emptyHolesTop,
      },
      hasEmptyHoles && {
        id: 'holes-foot',
        head: 'Empty holes',
        unit: 'foot',
        meaning: 'bare holes below the first pixel',
        as: 'figure',
        of: (line) => line.emptyHolesBottom,
      },
      {
        id: 'pixels',
        head: 'Pixels',
        meaning: 'on the strand',
        as: 'figure',
        of: (line) => line.pixelCount,
      },
      { id: 'run', head: 'Run', meaning: 'the run that it belongs to', as: 'figure', of: (line) => line.run },
      {
        id: 'numbers',
        head: 'Numbers',
        unit: 'in the run',
        meaning: 'its first and its last pixel, counted in the run',
        as: 'figure',
        of: (line) => `${line.firstPixel}–${line.lastPixel}`,
      },
      { id: 'port', head: 'Port', meaning: 'the port that feeds it', of: (line) => line.port },
      {
        id: 'place',
        head: 'Place',
        unit: 'on the wire',
        meaning: 'of its first pixel, skipped ones counted',
        as: 'figure',
        of: (line) => line.firstPlace,
      },
      {
        id: 'address',
        head: 'Starts at',
        unit: 'universe, channel',
        meaning: 'the address of its first pixel',
        as: 'address',
        of: (line) => line.address,
      },
    ),
  };
}
