import { nowAndThen } from '../prior';
import { z } from 'zod';
import { defineFault, nameOfRun, ofRun, onRun, type OnRun } from '../fault';
import { panelCells, rewireWall, wallRunsOf } from '../rewire';

interface PanelTurned extends OnRun {
  kind: 'panelTurned';
  /** From 1 at the top left of the front. */
  column: number;
  row: number;
}

export const panelTurned = defineFault<PanelTurned>({
  kind: 'panelTurned',
  name: 'A panel upside down',
  layer: 'place',
  prior: nowAndThen('an arrow that was not looked at'),
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
  everywhere: (plan, propId) =>
    wallRunsOf(plan)
      .filter((place) => place.propId === propId)
      .flatMap((place) =>
        panelCells(plan, place).map((cell) => ({ kind: 'panelTurned' as const, ...place, ...cell })),
      ),
  touches: ofRun,
  apply: (rig, fault) =>
    rewireWall(rig, fault, ({ panel }, at) =>
      at.column === fault.column - 1 && at.row === fault.row - 1
        ? { ...at, x: panel.columns - 1 - at.x, y: panel.rows - 1 - at.y }
        : at,
    ),
});
