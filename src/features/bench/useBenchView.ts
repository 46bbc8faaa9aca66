import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { moveTo, onMove } from '../view/browserAddress';

/** What is looked at on the bench: kept in the address, so that a phone that slept comes back to it. */
export interface BenchView {
  page: string;
  /** Id of a controller; null for the first. */
  device: string | null;
  /** Number of a port of it; null for the list. */
  port: number | null;
  /** A code of a label or a mark of a sheet that was scanned or typed; null while there is none. */
  code: string | null;
}

function viewOf(search: string): BenchView {
  const query = new URLSearchParams(search);
  const port = Number(query.get('port'));
  // What a camera reads says only what it is.
  const code = query.get('code') ?? query.get('mark');
  return {
    page: query.get('page') ?? (code === null ? '' : 'code'),
    device: query.get('device'),
    port: Number.isSafeInteger(port) && port > 0 ? port : null,
    code: code === null ? null : code.slice(0, 40),
  };
}

/** The view, and the way to another one. Moving asks no server. */
export function useBenchView(): [BenchView, (change: Partial<BenchView>) => void] {
  const search = useSyncExternalStore(
    onMove,
    () => window.location.search,
    () => '',
  );
  const view = useMemo(() => viewOf(search), [search]);
  const goTo = useCallback((change: Partial<BenchView>) => {
    const next = { ...viewOf(window.location.search), ...change };
    const query = new URLSearchParams();
    if (next.page) query.set('page', next.page);
    if (next.device !== null) query.set('device', next.device);
    if (next.port !== null) query.set('port', String(next.port));
    if (next.code !== null) query.set('code', next.code);
    moveTo(`${window.location.pathname}?${query}`);
    window.scrollTo(0, 0);
  }, []);
  return [view, goTo];
}
