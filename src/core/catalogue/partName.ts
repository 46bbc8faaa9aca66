/** Groups of parts: the list is read shelf by shelf. */
export const PART_GROUPS = ['lights', 'wires', 'joints', 'power', 'data', 'boards', 'hanging'] as const;
export type PartGroup = (typeof PART_GROUPS)[number];

/** A kind of part, without how much of it is needed. */
export interface PartName {
  /** The same for the same part, whatever else changes. */
  id: string;
  group: PartGroup;
  name: string;
  /** Pieces, metres or pixels. */
  unit: 'pieces' | 'm' | 'px';
  /** Advice before buying. */
  note?: string;
}

/** A joint of a prop with so many wires: plus, ground and data. */
export const WIRES_OF_JOINT = 3;
