'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { useShow, useShowStore } from '../show/ShowProvider';
import { stageOf } from '@/core/stages/stages';
import { addressOfView, viewOfAddress, type View } from './address';
import { moveTo, onMove } from './browserAddress';
import { selectionOf, type Selection } from './selection';

/** The view in the browser's address at this very moment, also before anything was drawn anew. */
export function currentView(): View {
  return viewOfAddress(window.location.pathname, window.location.search);
}

/** The view in the browser's address. */
export function useView(): View {
  // The router tells the address while the page is rendered on the server, the browser from then on: it is never late.
  const rendered = `${usePathname()}?${useSearchParams().toString()}`;
  const address = useSyncExternalStore(
    onMove,
    () => `${window.location.pathname}?${window.location.search.slice(1)}`,
    () => rendered,
  );
  return useMemo(() => {
    const at = address.indexOf('?');
    return viewOfAddress(address.slice(0, at), address.slice(at));
  }, [address]);
}

/**
 * Goes to another view. Walking from pixel to pixel replaces the entry in the browser's history, so that Back leaves the
 * walk in one step. Another stage, or another kind of subject, opens at its first sheet.
 */
export function useGoTo(): (change: Partial<View>, how?: 'push' | 'replace') => void {
  const store = useShowStore();
  return useCallback(
    (change, how = 'push') => {
      const now = currentView();
      const leaves =
        (change.stage !== undefined && change.stage !== now.stage) ||
        (!stageOf(now.stage).wholeShow &&
          change.subject !== undefined &&
          change.subject?.kind !== now.subject?.kind);
      const next = { ...now, ...(leaves ? { sheet: null, paper: null } : {}), ...change };
      moveTo(addressOfView(store.getState().id, next), how);
    },
    [store],
  );
}

/** Subject of the view in the latest plan. */
export function useSelection(): Selection {
  const { subject } = useView();
  const plan = useShow((state) => state.plan);
  return useMemo(() => (plan ? selectionOf(plan, subject) : {}), [plan, subject]);
}
