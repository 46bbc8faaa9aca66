import { PART_GROUPS, type PartGroup, type PartName } from '../catalogue/partName';

export const GROUP_WORDS: Record<PartGroup, string> = {
  lights: 'Lights',
  wires: 'Leads and cable',
  joints: 'Plugs and joints',
  power: 'Supplies and fuses',
  data: 'Data',
  boards: 'Boards',
  hanging: 'Stakes, poles and mounting',
};

/** Something that is bought or made, with how much of it the plan takes. */
export interface Part extends Omit<PartName, 'note'> {
  need: number;
  /** Its uses, and the source of its number: `Net curtain 11, Quay rail 4`. */
  for: string;
  /** Advice before buying; null where there is none. */
  note: string | null;
}

/** A part that a prop is made of, and how much of it: pieces, metres or pixels. */
export type MadeOf = PartName & { need: number };

/** Adds up parts by id, and tells for what each is. */
export class PartCount {
  private readonly parts = new Map<string, Part & { uses: Map<string, number> }>();

  /** @param use what it is for: a prop, a controller, a supply */
  add(part: PartName, need: number, use: string): void {
    if (need <= 0) return;
    const known = this.parts.get(part.id);
    if (!known) {
      const uses = new Map([[use, need]]);
      this.parts.set(part.id, { note: null, ...part, need, for: '', uses });
      return;
    }
    known.need += need;
    known.note ??= part.note ?? null;
    known.uses.set(use, (known.uses.get(use) ?? 0) + need);
  }

  /** In the order of the groups, and in each as they came. */
  list(): Part[] {
    return [...this.parts.values()]
      .map(({ uses, ...part }) => ({ ...part, for: usesWords(uses, part.unit) }))
      .sort((a, b) => PART_GROUPS.indexOf(a.group) - PART_GROUPS.indexOf(b.group));
  }
}

const MOST_USES = 4;

function usesWords(uses: ReadonlyMap<string, number>, unit: Part['unit']): string {
  const named = [...uses].slice(0, MOST_USES).map(([use, need]) => `${use} ${amountWords(need, unit)}`);
  const more = uses.size - MOST_USES;
  return named.join(', ') + (more > 0 ? ` and ${more} more` : '');
}

/** `12`, `7.5 m`, `150 px` */
export function amountWords(amount: number, unit: Part['unit']): string {
  const rounded = unit === 'm' ? Math.ceil(amount * 10 - 1e-6) / 10 : Math.ceil(amount - 1e-6);
  const text = rounded.toLocaleString('en-GB', { maximumFractionDigits: 1 });
  return unit === 'pieces' ? text : `${text} ${unit}`;
}
