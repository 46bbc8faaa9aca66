import { z } from 'zod';
import { valueIn } from '../units/there';

/** A part of a lead that may be its weakest. */
interface ConnectorKind {
  id: string;
  words: string;
  amps: number;
  /** Source of the rating. */
  source: string;
}

/** Usual ratings of usual parts. What is printed on yours decides. */
export const CONNECTORS: readonly ConnectorKind[] = [
  ['barrel', 'barrel plug 5.5 × 2.1 mm', 5, 'usual rating of good ones; cheap ones get warm at 3 A'],
  ['pigtail', '3-pin waterproof pigtail', 3, 'usual rating with AWG 20 wire'],
  ['pushOn', 'push-on jumper', 1, 'usual rating of jumper wires'],
  ['stripEnd', 'thin lead that came with the strip', 2, 'AWG 24 or thinner, as sold with strips'],
  ['solderless', 'clip-on strip connector', 3, 'usual rating; contacts age outdoors'],
  ['lever', 'lever connector', 20, 'printed on usual ones, for 0.2 to 4 mm²'],
  ['screw', 'screw terminal', 10, 'usual rating of small terminals'],
  ['bladeHolder', 'lead of a fuse holder, AWG 16', 10, 'its wire'],
].map(([id, words, amps, source]) => ({
  id: String(id),
  words: String(words),
  amps: Number(amps),
  source: String(source),
}));

export const connectorIdSchema = z.enum(CONNECTORS.map((kind) => kind.id));

const BY_ID = new Map(CONNECTORS.map((kind) => [kind.id, kind]));

export function connectorKind(id: string): ConnectorKind {
  return valueIn(BY_ID, id);
}
