import { spotlight } from '@mantine/spotlight';

let before: Element | null = null;

/** Whether the field of the search is on the page. */
let isThere = false;
/** Keys typed between the shortcut that opens the search and its field, which is fetched and drawn meanwhile; null while nobody waits for it. */
let typed: { text: string; entered: boolean } | null = null;

const MOST_WAIT_MS = 5000;
let givingUp: ReturnType<typeof setTimeout> | undefined;

function keep(event: KeyboardEvent): void {
  if (!typed || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === 'Escape') {
    stopKeeping();
    spotlight.close();
  } else if (event.key === 'Enter') typed.entered = true;
  else if (event.key === 'Backspace') typed.text = typed.text.slice(0, -1);
  else if (event.key.length === 1) typed.text += event.key;
  else return;
  event.preventDefault();
  event.stopPropagation();
}

function stopKeeping(): void {
  typed = null;
  window.removeEventListener('keydown', keep, true);
}

/** Opens the search, and remembers where the focus was. */
export function openSearch(): void {
  before = document.activeElement;
  if (!isThere && !typed) {
    typed = { text: '', entered: false };
    window.addEventListener('keydown', keep, true);
    // The keys are given back where the search cannot be fetched.
    clearTimeout(givingUp);
    givingUp = setTimeout(stopKeeping, MOST_WAIT_MS);
  }
  spotlight.open();
}

/** The field of the search has come, and takes the keys from here. @returns what was typed meanwhile */
export function fieldHasCome(): { text: string; entered: boolean } {
  isThere = true;
  const kept = typed ?? { text: '', entered: false };
  stopKeeping();
  return kept;
}

export function fieldHasGone(): void {
  isThere = false;
}

/** The focus before the search was opened. */
export function giveFocusBack(): void {
  if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
  before = null;
}
