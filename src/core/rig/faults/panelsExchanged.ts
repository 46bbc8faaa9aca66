import { z } from 'zod';
import { defineFault, nameOfRun, ofRun, onRun, type OnRun } from '../fault';
import { panelsOf, rewireRun, wallRunsOf } from '../rewire';

const cell = z.strictObject({ column: z.int().min(1).max(256), row: z.int().min(1).max(256) });

export interface PanelsExchanged extends OnRun {
  kind: 'panelsExchanged';
  /** From 1 at the top left of the front. */
  one: z.infer<typeof cell>;
  other: z.infer<typeof cell>;
}

export const panelsExchanged = defineFault<PanelsExchanged>({
  kind: 'panelsExchanged',
  name: 'Two panels exchanged',
  layer: 'place',
  schema: z.strictObject({ kind: z.literal('panelsExchanged'), ...onRun, one: cell, other: cell }),
  sentence: (plan, { one, other, ...place }) =>
    `The panels ${one.column} across, ${one.row} down and ${other.column} across, ${other.row} down of ${nameOfRun(plan, place)} are exchanged, or their ribbons are.`,
  places: (plan) =>
    wallRunsOf(plan).map((place) => {
      const { columns, rows } = panelsOf(plan, place)!;
      const other = columns > 1 ? { column: 2, row: 1 } : { column: 1, row: Math.min(2, rows) };
      return { kind: 'panelsExchanged' as const, ...place, one: { column: 1, row: 1 }, other };
    }),
  touches: ofRun,
  apply: (rig, fault) => {
    const panels = panelsOf(rig.plan, fault);
    const isThere = ({ column, row }: PanelsExchanged['one']) =>
      panels !== null && column <= panels.columns && row <= panels.rows;
    if (!panels || !isThere(fault.one) || !isThere(fault.other)) return rig;
    return rewireRun(rig, fault, (count) =>
      Array.from({ length: count }, (_, i) => {
        const { column, row, x, y } = panels.at(i);
        const is = (of: PanelsExchanged['one']) => column === of.column - 1 && row === of.row - 1;
        const to = is(fault.one) ? fault.other : is(fault.other) ? fault.one : null;
        return to ? panels.indexOf(to.column - 1, to.row - 1, x, y) : i;
      }),
    );
  },
});
