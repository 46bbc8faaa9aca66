import { create } from 'zustand';
import type { Explained } from '@/core/figures/explained';

interface Explaining {
  /** The number that is explained, and where it stands on the page. */
  shown: { explained: Explained; at: HTMLElement } | null;
  /** It was asked for on purpose: it stays until it is let go, and its links can be reached. */
  held: boolean;
  show: (explained: Explained, at: HTMLElement, held: boolean) => void;
  /** Lets go of the explanation; of one that is held only when that is said. */
  hide: (held?: boolean) => void;
}

/** The one explanation that is open. */
export const useExplaining = create<Explaining>((set, get) => ({
  shown: null,
  held: false,
  show: (explained, at, held) => set({ shown: { explained, at }, held }),
  hide: (held = false) => {
    if (held || !get().held) set({ shown: null, held: false });
  },
}));

/** Lets go of the explanation that is open; who asked by key goes on from its number. @returns whether one was open */
export function letGoOfExplanation(): boolean {
  const { shown, held, hide } = useExplaining.getState();
  if (!shown) return false;
  if (held) shown.at.focus({ preventScroll: true });
  hide(true);
  return true;
}

const EXPLAINED = '[data-explained]';

/** Explains the number that has the focus, or the next one after the one that was explained last; the first on the right side first. */
export function explainNext(): void {
  const focused = document.activeElement?.closest<HTMLElement>(EXPLAINED);
  const { shown } = useExplaining.getState();
  if (focused && shown?.at !== focused) return focused.click();
  const all = [...document.querySelectorAll<HTMLElement>(`aside ${EXPLAINED}, main ${EXPLAINED}`)].filter(
    (each) => each.getClientRects().length > 0,
  );
  const ordered = [
    ...all.filter((each) => each.closest('aside')),
    ...all.filter((each) => !each.closest('aside')),
  ];
  const at = shown ? ordered.indexOf(shown.at) : -1;
  const next = ordered[(at + 1) % Math.max(1, ordered.length)];
  next?.scrollIntoView({ block: 'center' });
  next?.click();
}
