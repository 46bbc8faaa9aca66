import { create } from 'zustand';
import type { Told } from '@/core/diagnose/session';

/** Observations in the search for a fault of a prop. */
interface Search {
  told: readonly Told[];
  /** A trial that is asked for before all others. */
  first: string | null;
}

const NONE: Search = { told: [], first: null };

/** Searches by show and prop: they stay while one looks at something else. They are no part of the show. */
const useSearches = create<Record<string, Search>>(() => ({}));

const keyOf = (showId: string, propId: string) => `${showId} ${propId}`;

export function useSearch(showId: string, propId: string): [Search, (told: readonly Told[]) => void] {
  const key = keyOf(showId, propId);
  const search = useSearches((all) => all[key] ?? NONE);
  return [search, (told) => useSearches.setState({ [key]: { ...search, told } })];
}

/** Begins a search from what is known already. */
export function beginSearch(showId: string, propId: string, search: Search): void {
  useSearches.setState({ [keyOf(showId, propId)]: search });
}
