import { colourPlan } from '../../devices/colourOrders';
import { runName } from '../../plan/runName';
import { spansOfRun } from '../../plan/planIndex';
import type { Plan } from '../../plan/planned';
import { kindOf } from '../../props/registry';
import { capitalised } from '../../units/words';
import type { Table } from '../../pages/table';
import { propAt, plannedAt } from '../../plan/records';

/** A run as the program that shows it is told: how many pixels on how many strands, from where, and at which channels. */
interface ProgramRow {
  run: number;
  name: string;
  pixels: number;
  strandWord: string;
  strands: number;
  /** `50`, or `45–50` where strands differ. */
  pixelsPerStrand: string;
  threading: string;
  firstShowChannel: number | null;
  lastShowChannel: number | null;
  colourOrder: string;
}

export function programRows(plan: Plan): ProgramRow[] {
  return plan.runs.map((run, index) => {
    const prop = propAt(plan, run.prop);
    const planned = plannedAt(plan, run.prop);
    const kind = kindOf(prop);
    const first = run.firstPixel - planned.firstPixel;
    const lengths = planned.strands
      .filter((strand) => strand.firstPixel >= first && strand.firstPixel < first + run.pixelCount)
      .map((strand) => strand.pixelCount);
    const [least, most] = [Math.min(...lengths), Math.max(...lengths)];
    const spans = spansOfRun(plan, index).filter((span) => span.runChannel >= 0);
    const last = spans.at(-1);
    return {
      run: index,
      name: runName(plan, index),
      forDevices: true,
      pixels: run.pixelCount,
      strandWord: kind.strandWord(prop.threading),
      strands: lengths.length,
      pixelsPerStrand: lengths.length === 0 ? '–' : least === most ? `${most}` : `${least}–${most}`,
      threading: kind.threadingWords(prop.threading),
      firstShowChannel: spans[0]?.startShowChannel ?? null,
      lastShowChannel: last ? last.startShowChannel + last.channelCount - 1 : null,
      colourOrder: colourPlan(plan, index).sender,
    };
  });
}

/** Every run as the program that shows it asks for it. */
export function programTable(rows: readonly ProgramRow[]): Table<ProgramRow> {
  return {
    name: 'What the program is told',
    rows,
    keyOf: (row) => row.run,
    columns: [
      {
        id: 'string',
        head: 'String',
        meaning: 'a run: what hangs on one data line',
        as: 'key',
        of: (row) => row.name,
      },
      { id: 'pixels', head: 'Pixels', meaning: 'lit ones of the run', as: 'figure', of: (row) => row.pixels },
      {
        id: 'strands',
        head: 'Strands',
        meaning: 'of which the run is made',
        as: 'figure',
        of: (row) => row.strands,
      },
      {
        id: 'pixels-per-strand',
        head: 'Pixels',
        unit: 'a strand',
        meaning: 'on each of them',
        as: 'figure',
        of: (row) => row.pixelsPerStrand,
      },
      {
        id: 'strand-is',
        head: 'A strand is',
        meaning: 'what the builder calls one',
        of: (row) => `a ${row.strandWord}`,
      },
      {
        id: 'threading',
        head: 'Start and direction',
        meaning: 'where data enters and which way it goes, seen from the front',
        of: (row) => capitalised(row.threading),
      },
      {
        id: 'first-show-channel',
        head: 'Show channels',
        unit: 'first',
        meaning: 'counted over the show',
        as: 'figure',
        of: (row) => row.firstShowChannel,
      },
      {
        id: 'last-show-channel',
        head: 'Show channels',
        unit: 'last',
        meaning: 'gaps between universes counted',
        as: 'figure',
        of: (row) => row.lastShowChannel,
      },
      {
        id: 'colour-order',
        head: 'Colour order',
        meaning: 'to set in the program',
        of: (row) => row.colourOrder,
      },
    ],
  };
}
