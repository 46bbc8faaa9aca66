import { z } from 'zod';
import { defineFault, nameOfRun, ofRun, onRun, type OnRun } from '../fault';
import { panelsOf, rewireRun, wallRunsOf } from '../rewire';

export interface PanelTurned extends OnRun {
  kind: 'panelTurned';
  /** From 1 at the top left of the front. */
  column: number;
  row: number;
}

export const panelTurned = defineFault<PanelTurned>({
  kind: 'panelTurned',
  name: 'A panel upside down',
  layer: 'place',
  schema: z.strictObject({
    kind: z.literal('panelTurned'),
    ...onRun,
    column: z.int().min(1).max(256),
    row: z.int().min(1).max(256),
  }),
  sentence: (plan, fault) =>
    `The panel ${fault.column} across, ${fault.row} down of ${nameOfRun(plan, fault)} hangs upside down.`,
  places: (plan) =>
    wallRunsOf(plan).map((place) => ({ kind: 'panelTurned' as const, ...place, column: 1, row: 1 })),
  touches: ofRun,
  apply: (rig, fault) => {
    const panels = panelsOf(rig.plan, fault);
    return panels
      ? rewireRun(rig, fault, (count) =>
          Array.from({ length: count }, (_, i) => {
            const { column, row, x, y } = panels.at(i);
            return column === fault.column - 1 && row === fault.row - 1
              ? panels.indexOf(column, row, panels.panel.columns - 1 - x, panels.panel.rows - 1 - y)
              : i;
          }),
        )
      : rig;
  },
});
