import { USUAL_MINUTES_PER_JOINT, USUAL_SPARE_PERCENT, type PartsBook } from '../catalogue/partsBook';
import type { Plan } from '../plan/planned';
import { PartCount, type Part } from './part';
import { addPartsOfData } from './partsOfData';
import { addPartsOfPower } from './partsOfPower';
import { addPartsOfProps } from './partsOfProps';

/** A part with what is at hand, what is kept beyond the plan, and what is to be bought. */
export interface PartLine extends Part {
  have: number;
  spare: number;
  /** need + spare - have, never below nothing; whole pieces, and metres to a tenth. */
  buy: number;
  /** Price of one, or of one metre; null where nobody said it. */
  price: number | null;
  /** buy × price; null without a price. */
  cost: number | null;
}

interface Labour {
  /** Wires to solder: each end of a wire that is joined is one. */
  joints: number;
  minutesPerJoint: number;
  /** It is the builder's own pace, and not the usual one. */
  isOwnPace: boolean;
  minutes: number;
}

export interface PartsList {
  lines: PartLine[];
  labour: Labour;
  /** Total of the parts that have a price; null where none has. */
  cost: number | null;
  /** Parts to buy whose price nobody said: they are not in the sum. */
  withoutPrice: number;
  currency: string;
}

/** Everything that the plan takes, and how long its joints take. A pure function of the plan and its parts book. */
export function partsList(plan: Plan): PartsList {
  const book: PartsBook = plan.show.parts ?? {};
  const count = new PartCount();
  const joints = addPartsOfProps(plan, count) + addPartsOfPower(plan, count);
  addPartsOfData(plan, count);
  const items = new Map((book.items ?? []).map((item) => [item.part, item]));
  const percent = book.sparePercent ?? USUAL_SPARE_PERCENT;
  const lines = count.list().map((part): PartLine => {
    const own = items.get(part.id);
    const need = wholeUp(part.need, part.unit);
    const spare = own?.spare ?? spareOf(part, percent);
    const have = own?.have ?? 0;
    const buy = wholeUp(Math.max(0, need + spare - have), part.unit);
    const price = own?.price ?? null;
    return { ...part, need, have, spare, buy, price, cost: price === null ? null : buy * price };
  });
  const priced = lines.filter(({ cost }) => cost !== null);
  const minutesPerJoint = book.minutesPerJoint ?? USUAL_MINUTES_PER_JOINT;
  return {
    lines,
    labour: {
      joints,
      minutesPerJoint,
      isOwnPace: book.minutesPerJoint !== undefined,
      minutes: joints * minutesPerJoint,
    },
    cost: priced.length === 0 ? null : priced.reduce((sum, { cost }) => sum + cost!, 0),
    withoutPrice: lines.filter(({ cost, buy }) => cost === null && buy > 0).length,
    currency: book.currency ?? '',
  };
}

/** Large things that do not break by the dozen have no spare of their own accord. */
const NO_SPARE: readonly Part['group'][] = ['power', 'boards', 'hanging'];

function spareOf({ group, need, unit, id }: Part, percent: number): number {
  const isFuse = id.startsWith('fuse ') && id !== 'fuse holder';
  if (NO_SPARE.includes(group) && !isFuse) return 0;
  return wholeUp((need * percent) / 100, unit);
}

function wholeUp(amount: number, unit: Part['unit']): number {
  // Rounding must not make less than nothing of nothing.
  return Math.max(0, unit === 'm' ? Math.ceil(amount * 10 - 1e-6) / 10 : Math.ceil(amount - 1e-6));
}
