import type { Show } from '@/core/show/schema';

/**
 * What makes one show from another. Sending a show of thousands of props to a thread takes longer than planning it, and most edits
 * touch one of them: what is the very same object in both is sent as its index.
 */
export interface ShowChanges {
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
