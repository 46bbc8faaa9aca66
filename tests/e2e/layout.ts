import type { Page } from '@playwright/test';

/** The least side of what is pressed, with a mouse and with a thumb. */
export const MOUSE_PX = 24;
export const THUMB_PX = 44;

/** Faults in the layout of a page as it stands, one line each. */
export function layoutProblems(page: Page, smallestTargetPx: number): Promise<string[]> {
  return page.evaluate((smallest) => {
    const problems = new Set<string>();
    const words = (element: Element) => {
      const name =
        element.getAttribute('aria-label') ??
        (element as HTMLInputElement).labels?.[0]?.textContent ??
        element.textContent ??
        '';
      return `${element.tagName.toLowerCase()} “${name.trim().replace(/\s+/g, ' ').slice(0, 50)}”`;
    };

    const root = document.documentElement;
    if (root.scrollWidth > root.clientWidth + 1)
      problems.add(`the page is ${root.scrollWidth} px wide on a screen of ${root.clientWidth}`);

    /** The element that takes the press: a choice is pressed by its label. */
    const targetOf = (element: Element): Element => {
      if (!element.matches('input[type="radio"], input[type="checkbox"], input[type="file"]')) return element;
      const label = (element as HTMLInputElement).labels?.[0];
      return label && label.getBoundingClientRect().width > 0 ? label : element;
    };
    const INTERACTIVE =
      'button, a[href], input:not([type="hidden"]), select, textarea, [role="button"], [role="application"], [role="slider"], [tabindex="0"]';
    for (const element of document.querySelectorAll(INTERACTIVE)) {
      const target = targetOf(element);
      if (!target.checkVisibility({ visibilityProperty: true, opacityProperty: false })) continue;
      if (element.closest('[aria-hidden="true"], [inert]') || (element as HTMLButtonElement).disabled)
        continue;
      const { pointerEvents, display } = getComputedStyle(target);
      if (pointerEvents === 'none') continue;
      let rect = target.getBoundingClientRect();
      // An element that is seen as a whole needs no scrolling, which lays the page out anew.
      if (!isWhole(rect, seenOf(target, rect)) || isCovered(element, target, rect)) {
        target.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
        rect = target.getBoundingClientRect();
      }
      if (rect.width <= 1 || rect.height <= 1) continue;
      // A link within a line of text has the height of the line.
      const inText = display === 'inline';
      const box = element === target ? rect : unionOf(rect, element.getBoundingClientRect());
      if (!inText && (box.width < smallest - 0.5 || box.height < smallest - 0.5))
        problems.add(
          `${words(element)} is ${Math.round(box.width)} x ${Math.round(box.height)} px, less than ${smallest}`,
        );
      const seen = seenOf(target, rect);
      if (seen.right - seen.left < Math.min(rect.width, innerWidth) - 2) {
        problems.add(`${words(element)} is cut at a side`);
        continue;
      }
      if (seen.bottom - seen.top < Math.min(rect.height, smallest) - 2) {
        problems.add(`${words(element)} is cut above or below`);
        continue;
      }
      // Words that reach beyond what they stand on lie over what is beside it.
      if (
        !inText &&
        element.matches('button, a') &&
        element.scrollWidth > element.clientWidth + 2 &&
        getComputedStyle(element).overflowX === 'visible'
      )
        problems.add(`the words of ${words(element)} reach beyond it`);
      const part = inText ? target.getClientRects()[0]! : seen;
      if (isCovered(element, target, part)) {
        const at = topmost(part);
        problems.add(`${words(element)} is covered by ${at ? words(at) : 'nothing'}`);
      }
    }

    // Text that is cut tells the whole of itself elsewhere.
    for (const element of document.querySelectorAll('body *')) {
      const style = getComputedStyle(element);
      if (style.textOverflow !== 'ellipsis' || element.scrollWidth <= element.clientWidth + 1) continue;
      if (element.getBoundingClientRect().width <= 1) continue;
      if (!element.checkVisibility() || element.closest('[title], input, [aria-hidden="true"]')) continue;
      problems.add(`the words “${element.textContent!.trim().slice(0, 60)}” are cut`);
    }
    return [...problems];

    type Box = Pick<DOMRect, 'left' | 'top' | 'right' | 'bottom'>;
    function topmost({ left, top, right, bottom }: Box) {
      return document.elementFromPoint((left + right) / 2, (top + bottom) / 2);
    }
    function isCovered(element: Element, target: Element, box: Box) {
      const at = topmost(box);
      return !at || !(target.contains(at) || at.contains(target) || targetOf(element).contains(at));
    }
    function isWhole(rect: Box, seen: Box) {
      return (
        seen.left <= rect.left &&
        seen.top <= rect.top &&
        seen.right >= rect.right &&
        seen.bottom >= rect.bottom
      );
    }
    function unionOf(a: DOMRect, b: DOMRect) {
      const left = Math.min(a.left, b.left);
      const top = Math.min(a.top, b.top);
      return {
        width: Math.max(a.right, b.right) - left,
        height: Math.max(a.bottom, b.bottom) - top,
      };
    }
    function seenOf(element: Element, rect: DOMRect) {
      let { left, top, right, bottom } = rect;
      for (let each = element.parentElement; each; each = each.parentElement) {
        const style = getComputedStyle(each);
        if (style.overflowX === 'visible' && style.overflowY === 'visible') continue;
        const clip = each.getBoundingClientRect();
        left = Math.max(left, clip.left);
        right = Math.min(right, clip.right);
        top = Math.max(top, clip.top);
        bottom = Math.min(bottom, clip.bottom);
      }
      return {
        left: Math.max(left, 0),
        right: Math.min(right, innerWidth),
        top: Math.max(top, 0),
        bottom: Math.min(bottom, innerHeight),
      };
    }
  }, smallestTargetPx);
}
