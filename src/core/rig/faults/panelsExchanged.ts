import { nowAndThen } from '../prior';
import { z } from 'zod';
import { defineFault, nameOfRun, ofRun, onRun, type OnRun } from '../fault';
import { panelCells, panelsOf, rewireWall, wallRunsOf, type WallPlace } from '../rewire';

const cell = z.strictObject({ column: z.int().min(1).max(256), row: z.int().min(1).max(256) });

interface PanelsExchanged extends OnRun {
  kind: 'panelsExchanged';
  /** From 1 at the top left of the front. */
  one: z.infer<typeof cell>;
  other: z.infer<typeof cell>;
}

export const panelsExchanged = defineFault<PanelsExchanged>({
  kind: 'panelsExchanged',
  name: 'Two panels exchanged',
  layer: 'place',
  prior: nowAndThen('panels look alike'),
  schema: z.strictObject({ kind: z.literal('panelsExchanged'), ...onRun, one: cell, other: cell }),
  sentence: (plan, { one, other, ...place }) =>
    `The panels ${one.column} across, ${one.row} down and ${other.column} across, ${other.row} down of ${nameOfRun(plan, place)} are exchanged, or their ribbons are.`,
  places: (plan) =>
    wallRunsOf(plan).map((place) => {
      const { columns, rows } = panelsOf(plan, place)!;
      const other = columns > 1 ? { column: 2, row: 1 } : { column: 1, row: Math.min(2, rows) };
      return { kind: 'panelsExchanged' as const, ...place, one: { column: 1, row: 1 }, other };
    }),
  everywhere: (plan, propId) =>
    wallRunsOf(plan)
      .filter((place) => place.propId === propId)
      .flatMap((place) =>
        pairsOf(panelCells(plan, place)).map(([one, other]) => ({
          kind: 'panelsExchanged' as const,
          ...place,
          one,
          other,
        })),
      ),
  touches: ofRun,
  apply: (rig, fault) => {
    const panels = panelsOf(rig.plan, fault);
    const isThere = ({ column, row }: PanelsExchanged['one']) =>
      panels !== null && column <= panels.columns && row <= panels.rows;
    if (!panels || !isThere(fault.one) || !isThere(fault.other)) return rig;
    return rewireWall(rig, fault, (_, at) => {
      const to = isAt(at, fault.one) ? fault.other : isAt(at, fault.other) ? fault.one : null;
      return to ? { ...at, column: to.column - 1, row: to.row - 1 } : at;
    });
  },
});

const isAt = (at: WallPlace, cell: PanelsExchanged['one']) =>
  at.column === cell.column - 1 && at.row === cell.row - 1;

/** Among many panels only those that hang side by side are mixed up. */
const MOST_PAIRED = 24;

function pairsOf<Cell extends { column: number; row: number }>(cells: readonly Cell[]): [Cell, Cell][] {
  return cells.flatMap((one, i) =>
    cells
      .slice(i + 1)
      .filter(
        (other) =>
          cells.length <= MOST_PAIRED ||
          Math.abs(one.column - other.column) + Math.abs(one.row - other.row) === 1,
      )
      .map((other): [Cell, Cell] => [one, other]),
  );
}
