import type { Show } from '@/core/show/schema';

/**
 * The difference that makes one show from another. Sending a show of thousands of props to a thread takes longer than planning it, and most edits
 * touch one of them: what is the very same object in both is sent as its index.
 */
interface ShowChanges {
  /** Every part of the show that is not the same; of lists, each item or its index in the list before. */
  parts: Record<string, Part>;
  /** Parts that the show does not have any more. */
  gone: string[];
}

type Part = { is: 'value'; value: unknown } | { is: 'list'; items: (number | { item: unknown })[] };

/** @param before null where the other side has no show yet */
export function changesBetween(before: Show | null, show: Show): ShowChanges {
  const earlier: Record<string, unknown> = { ...before };
  const parts: Record<string, Part> = {};
  for (const [name, value] of Object.entries(show) as [string, unknown][]) {
    const was = earlier[name];
    if (was === value && name in earlier) continue;
    parts[name] = Array.isArray(value) && Array.isArray(was) ? listPart(was, value) : { is: 'value', value };
  }
  return { parts, gone: Object.keys(earlier).filter((name) => !(name in show)) };
}

function listPart(before: unknown[], list: unknown[]): Part {
  const indexOf = new Map(before.map((item, index) => [item, index]));
  return { is: 'list', items: list.map((item) => indexOf.get(item) ?? { item }) };
}

/** The show that the changes lead to; what they leave alone is the same object as before. */
export function withChanges(before: Show | null, { parts, gone }: ShowChanges): Show {
  const show: Record<string, unknown> = { ...before };
  for (const name of gone) delete show[name];
  for (const [name, part] of Object.entries(parts)) {
    const earlier = show[name] as unknown[];
    show[name] =
      part.is === 'value'
        ? part.value
        : part.items.map((each) => (typeof each === 'number' ? earlier[each] : each.item));
  }
  return show as Show;
}

/** As many as both sides keep: the show as it is, and the one that a change is laid on while it waits for an answer. */
const KEPT = 2;

/** A show as it is named to the other side: by its number, with what makes it from the one before where it is new there. */
export interface SentShow {
  number: number;
  changes?: ShowChanges;
}

/** This side of a channel over which shows go, each sent once. What is sent must arrive in the same order. */
export class ShowSender {
  private kept: { number: number; show: Show }[] = [];

  send(show: Show): SentShow {
    const known = this.kept.find((each) => each.show === show);
    if (known) return { number: known.number };
    const last = this.kept.at(-1);
    const number = (last?.number ?? 0) + 1;
    this.kept = [...this.kept, { number, show }].slice(-KEPT);
    return { number, changes: changesBetween(last?.show ?? null, show) };
  }
}

/** The other side: the very same object for each time that a show is named. */
export class ShowReceiver {
  private kept: { number: number; show: Show }[] = [];

  receive({ number, changes }: SentShow): Show {
    if (!changes) return this.kept.find((each) => each.number === number)!.show;
    const show = withChanges(this.kept.at(-1)?.show ?? null, changes);
    this.kept = [...this.kept, { number, show }].slice(-KEPT);
    return show;
  }
}
