import { seldom } from '../prior';
import { z } from 'zod';
import { defineFault, nameOfRun, ofRun, onRun, type OnRun } from '../fault';
import { panelCells, panelsOf, rewireWall, wallRunsOf } from '../rewire';
import type { Plan } from '../../plan/planned';

interface QuarterTurn extends OnRun {
  kind: 'quarterTurn';
  /** From 1 at the top left of the front. */
  column: number;
  row: number;
}

const cell = z.int().min(1).max(256);

const squareWalls = (plan: Plan) =>
  wallRunsOf(plan).filter((place) => {
    const { panel } = panelsOf(plan, place)!;
    return panel.columns === panel.rows;
  });

export const quarterTurn = defineFault<QuarterTurn>({
  kind: 'quarterTurn',
  name: 'A square panel on its side',
  layer: 'place',
  prior: seldom('only square panels can be'),
  // A fault kept before panels were named is about the first.
  schema: z.strictObject({
    kind: z.literal('quarterTurn'),
    ...onRun,
    column: cell.default(1),
    row: cell.default(1),
  }),
  sentence: (plan, fault) =>
    `The panel ${fault.column} across, ${fault.row} down of ${nameOfRun(plan, fault)} lies on its side, by a quarter turn.`,
  places: (plan) =>
    squareWalls(plan).map((place) => ({ kind: 'quarterTurn' as const, ...place, column: 1, row: 1 })),
  everywhere: (plan, propId) =>
    squareWalls(plan)
      .filter((place) => place.propId === propId)
      .flatMap((place) =>
        panelCells(plan, place).map((each) => ({ kind: 'quarterTurn' as const, ...place, ...each })),
      ),
  touches: ofRun,
  apply: (rig, fault) =>
    rewireWall(rig, fault, (wall, at) =>
      at.column === fault.column - 1 && at.row === fault.row - 1
        ? { ...at, x: wall.panel.rows - 1 - at.y, y: at.x }
        : at,
    ),
});
