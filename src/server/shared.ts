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
  readonly listeners = new Map<string, Set<(event: ShowEvent) => void>>();
  /** By show, how many streams of events each window has open. */
  readonly windows = new Map<string, Map<string, number>>();
  /** A show's id never means another one and a sequence number never another state, so that what is here is true. */
  readonly documents = new Map<string, { sequence: number; show: Show }>();
}
