import type { ReactNode } from 'react';

/** A line of the search. */
export interface SearchItem {
  key: string;
  label: string;
  description: string;
  /** Other words that people look for it by. */
  also?: string;
  icon: ReactNode;
  run: () => void;
}

const MOST_ITEMS = 40;

/** Those that hold every word that was typed, in their order; those whose label begins with it first. */
export function fittingItems(items: readonly SearchItem[], query: string): SearchItem[] {
  const words = query.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ label, also = '' }: SearchItem) => {
    const text = `${label} ${also}`.toLowerCase();
    return words.every((word) => text.includes(word));
  };
  const begins = ({ label }: SearchItem) => label.toLowerCase().startsWith(words.join(' '));
  const found = items.filter(fits);
  return [...found.filter(begins), ...found.filter((item) => !begins(item))].slice(0, MOST_ITEMS);
}
