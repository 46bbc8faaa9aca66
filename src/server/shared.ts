import type { Fact } from '@/core/show/facts';
import type { MadeChange } from '@/core/show/revision';
import type { Show } from '@/core/show/schema';

/** Events for listeners of a show. */
export type ShowEvent =
  | { is: 'changed'; changes: MadeChange[] }
  | { is: 'noted'; facts: Fact[]; noted: number }
  | { is: 'removed' };

/** State that repositories in one process share: listeners, open windows, and the latest document of each show. */
export class Shared {
  private readonly listeners = new Map<string, Set<(event: ShowEvent) => void>>();
  /** By show, how many streams of events each window has open. */
  readonly windows = new Map<string, Map<string, number>>();
  /** A show's id never means another one and a sequence number never another state, so that what is here is true. */
  readonly documents = new Map<string, { sequence: number; show: Show }>();

  /**
   * Calls back with what happens to a show, and counts a window as open as long as somebody listens for it. Returns a way to stop.
   */
  listen(id: string, window: string | null, listener: (event: ShowEvent) => void): () => void {
    const { listeners, windows } = this;
    const all = listeners.get(id) ?? new Set();
    listeners.set(id, all.add(listener));
    const open = windows.get(id) ?? new Map<string, number>();
    if (window !== null) windows.set(id, open.set(window, (open.get(window) ?? 0) + 1));
    return () => {
      all.delete(listener);
      if (all.size === 0) listeners.delete(id);
      if (window === null) return;
      const left = (open.get(window) ?? 1) - 1;
      if (left > 0) open.set(window, left);
      else open.delete(window);
      if (open.size === 0) windows.delete(id);
    };
  }

  /** Tells those who listen to a show. */
  tell(id: string, event: ShowEvent): void {
    for (const listener of this.listeners.get(id) ?? []) listener(event);
  }
}
