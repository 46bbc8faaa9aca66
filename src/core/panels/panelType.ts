import { z } from 'zod';
import { partNotesSchema } from '../catalogue/partNotes';
import { figureSchema, usual } from '../figures/figure';
import { nameSchema } from '../fields/fields';

export const PANEL_LIMITS = { side: 256, mostPitchMm: 100, mostAmps: 20 };

export const PANEL_COLOUR_ORDERS = ['RGB', 'RBG', 'GRB', 'GBR', 'BRG', 'BGR'] as const;

/** A panel as it is bought. Figures are those of its data sheet, or what was measured. */
export const panelTypeSchema = z.strictObject({
  name: nameSchema,
  /** Pixels across and down, with the printed arrow up. */
  columns: z.int().min(4).max(PANEL_LIMITS.side),
  rows: z.int().min(4).max(PANEL_LIMITS.side),
  /** Between the middles of neighbouring pixels. */
  pitchMm: z.number().min(0.5).max(PANEL_LIMITS.mostPitchMm),
  /** One in so many rows is lit at a time. */
  scan: z.int().min(1).max(64),
  ampsFullWhite: figureSchema(z.number().min(0.05).max(PANEL_LIMITS.mostAmps)),
  colourOrder: z.enum(PANEL_COLOUR_ORDERS),
  /** Side of the data socket, seen from the back with the arrow up. */
  dataInAtBack: z.enum(['left', 'right']),
  /** Somebody looked at the back of a panel; until then the usual place of the socket stands. */
  socketSeen: z.literal(true).optional(),
  /** Interleaving of its rows, as its data sheet or the test of a card utility calls it; absent where it is plain. */
  interleave: z.string().max(60).optional(),
  notes: partNotesSchema,
});
export type PanelType = z.infer<typeof panelTypeSchema>;

/** Panels to start from: usual sizes with usual figures. The data sheet of yours decides. */
export const SHIPPED_PANELS: readonly PanelType[] = [
  ['P5, 64 × 32', 64, 32, 5, 16, 4],
  ['P10 outdoor, 32 × 16', 32, 16, 10, 4, 3.5],
  ['P4, 64 × 32', 64, 32, 4, 16, 3],
  ['P3, 64 × 64', 64, 64, 3, 32, 4],
  ['P2.5, 64 × 64', 64, 64, 2.5, 32, 4],
].map(([name, columns, rows, pitchMm, scan, ampsFullWhite]) => ({
  name: String(name),
  columns: Number(columns),
  rows: Number(rows),
  pitchMm: Number(pitchMm),
  scan: Number(scan),
  ampsFullWhite: usual(Number(ampsFullWhite), 'panels of this size; its data sheet decides'),
  colourOrder: 'RGB',
  // Seen from the front with the arrow up, the usual socket is at the right.
  dataInAtBack: 'left',
}));
