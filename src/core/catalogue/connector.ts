import { z } from 'zod';
import { valueIn } from '../units/there';

/** A part of a lead that may be its weakest. */
interface ConnectorKind {
  id: string;
  words: string;
  amps: number;
  /** Resistance of one contact. */
  milliohm: number;
  /** Source of the rating. */
  source: string;
}

/** Usual ratings and contacts of usual parts. What is printed on yours decides. */
export const CONNECTORS: readonly ConnectorKind[] = [
  part('barrel', 'barrel plug 5.5 × 2.1 mm', 5, 20, 'usual rating of good ones; cheap ones get warm at 3 A'),
  part('pigtail', '3-pin waterproof pigtail', 3, 10, 'usual rating with AWG 20 wire'),
  part('round20', 'round waterproof plug, AWG 20', 5, 5, 'its wire; 3 A where it is a cheap one'),
  part('round18', 'round waterproof plug, AWG 18', 7.5, 5, 'its wire; 5 A where it is a cheap one'),
  part('pushOn', 'push-on jumper', 1, 20, 'usual rating of jumper wires'),
  part('stripEnd', 'thin lead that came with the strip', 2, 0.5, 'AWG 24 or thinner, as sold with strips'),
  part('solderless', 'clip-on strip connector', 2, 30, 'usual rating; contacts age outdoors'),
  part('lever', 'lever connector', 20, 1, 'printed on usual ones, for 0.2 to 4 mm²'),
  part('screw', 'screw terminal', 10, 1, 'usual rating of small terminals'),
  part('bladeHolder', 'lead of a fuse holder, AWG 16', 10, 0.5, 'its wire'),
];

function part(id: string, words: string, amps: number, milliohm: number, source: string): ConnectorKind {
  return { id, words, amps, milliohm, source };
}

export const connectorIdSchema = z.enum(CONNECTORS.map((kind) => kind.id));

const BY_ID = new Map(CONNECTORS.map((kind) => [kind.id, kind]));

export function connectorKind(id: string): ConnectorKind {
  return valueIn(BY_ID, id);
}
