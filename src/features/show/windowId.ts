import { newId } from '@/core/fields/fields';

const KEY = 'rapid-lantern-window';
const IN_USE = 'rapid-lantern-window-in-use';

let known: string | null = null;

/**
 * Id of this window, by which it knows its own changes. It is kept over reloads. A window that was copied has the storage of the
 * other one, with the mark that it is in use, and takes an id of its own.
 */
export function windowId(): string {
  if (known !== null) return known;
  const kept = read(KEY);
  known = kept !== null && read(IN_USE) === null ? kept : newId('window');
  write(KEY, known);
  write(IN_USE, 'yes');
  window.addEventListener('pagehide', () => write(IN_USE, null));
  window.addEventListener('pageshow', () => write(IN_USE, 'yes'));
  return known;
}

// A browser may forbid storage; then the id lasts as long as the page.
function read(key: string): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}

function write(key: string, value: string | null): void {
  try {
    if (value === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, value);
  } catch {
    /* see above */
  }
}
