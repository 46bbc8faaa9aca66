const TRIES = 40;
const BETWEEN_MS = 50;
const AFTER_DIALOG_MS = 120;

/** Puts the focus into the field with a label, as soon as it is there; gives up quietly where it does not come. */
export function focusField(label: string): void {
  // The dialog from which this is asked gives the focus back as it closes, and must have done so.
  setTimeout(() => tryToFocus(label, TRIES), AFTER_DIALOG_MS);
}

function tryToFocus(label: string, left: number): void {
  const field = fieldLabelled(label);
  if (!field) {
    if (left > 0) setTimeout(() => tryToFocus(label, left - 1), BETWEEN_MS);
    return;
  }
  field.scrollIntoView({ block: 'center' });
  field.focus({ preventScroll: true });
}

function fieldLabelled(label: string): HTMLElement | null {
  for (const each of document.querySelectorAll<HTMLElement>('aside label, aside [aria-label]')) {
    const words = each.getAttribute('aria-label') ?? each.textContent?.trim();
    if (words !== label) continue;
    if (each instanceof HTMLLabelElement && each.htmlFor) return document.getElementById(each.htmlFor);
    return each.matches('input, button, select, textarea')
      ? each
      : each.querySelector<HTMLElement>('input, button, select, textarea');
  }
  return null;
}
