import { useCallback, useMemo, useSyncExternalStore } from 'react';
import type { ViewSide } from '@/core/threading/view';
import { moveTo, onMove } from '../view/browserAddress';
import { presentName } from '../view/oldAddresses';

/** The subject of pages that can be about anything. */
type PhoneAbout = 'show' | 'prop' | 'device';

/** The page, kept in the address, so that a phone that slept comes back to it. */
export interface PhoneView {
  page: string;
  about: PhoneAbout;
  /** Id of a controller; null for the first. */
  device: string | null;
  /** Number of a port of it; null for the list. */
  port: number | null;
  /** Id of a prop; null for the first. */
  prop: string | null;
  /** A pixel of it, counted in data order from 1; null while none is looked for. */
  pixel: number | null;
  side: ViewSide;
  /** The kind of note; null for a measurement. */
  way: string | null;
  /** A code of a label or a mark of a sheet that was scanned or typed; null while there is none. */
  code: string | null;
}

function viewOf(search: string): PhoneView {
  const query = new URLSearchParams(search);
  const number = (name: string) => {
    const value = Number(query.get(name));
    return Number.isSafeInteger(value) && value > 0 ? value : null;
  };
  // A camera reads only the code itself.
  const code = query.get('code') ?? query.get('mark');
  const about = query.get('about');
  return {
    page: presentName(query.get('page') ?? (code === null ? '' : 'code')),
    about: about === 'prop' || about === 'device' ? about : 'show',
    device: query.get('device'),
    port: number('port'),
    prop: query.get('prop'),
    pixel: number('pixel'),
    side: query.get('side') === 'back' ? 'back' : 'front',
    way: query.get('way'),
    code: code === null ? null : code.slice(0, 40),
  };
}

/** The view, and the way to another one. Moving asks no server. */
export function usePhoneView(): [PhoneView, (change: Partial<PhoneView>) => void] {
  const search = useSyncExternalStore(
    onMove,
    () => window.location.search,
    () => '',
  );
  const view = useMemo(() => viewOf(search), [search]);
  const goTo = useCallback((change: Partial<PhoneView>) => {
    const before = viewOf(window.location.search);
    const next = { ...before, ...change };
    const query = new URLSearchParams();
    const put = (name: keyof PhoneView, usual: unknown = null) => {
      if (next[name] !== usual && next[name] !== '') query.set(name, String(next[name]));
    };
    put('page');
    put('about', 'show');
    put('device');
    put('port');
    put('prop');
    put('pixel');
    put('side', 'front');
    put('way');
    put('code');
    moveTo(`${window.location.pathname}?${query}`);
    // The position on the same page stays.
    if (next.page !== before.page) window.scrollTo(0, 0);
  }, []);
  return [view, goTo];
}
