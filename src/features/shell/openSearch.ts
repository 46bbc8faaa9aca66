import { spotlight } from '@mantine/spotlight';

let before: Element | null = null;

/** Opens the search, and remembers where the focus was. */
export function openSearch(): void {
  before = document.activeElement;
  spotlight.open();
}

/** Where the focus was before the search was opened. */
export function giveFocusBack(): void {
  if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
  before = null;
}
