const MOVED = 'rapid-lantern:moved';

/** Told whenever the browser's address changes, by its own buttons or by `moveTo`. */
export function onMove(listener: () => void): () => void {
  window.addEventListener('popstate', listener);
  window.addEventListener(MOVED, listener);
  return () => {
    window.removeEventListener('popstate', listener);
    window.removeEventListener(MOVED, listener);
  };
}

/** Goes to another address of the same page, without asking the server. */
export function moveTo(address: string, how: 'push' | 'replace' = 'push'): void {
  if (how === 'push') window.history.pushState(null, '', address);
  else window.history.replaceState(null, '', address);
  window.dispatchEvent(new Event(MOVED));
}
