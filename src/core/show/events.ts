import type { Fact } from './facts';
import type { MadeChange } from './revision';

/**
 * News of a show: its state when one begins to listen, changes, notes, and that it was removed. `noted` counts
 * all facts by then, so that one who missed some knows it.
 */
export type ShowMessage = { showId: string } & (
  | { is: 'at'; sequence: number; noted: number }
  | { is: 'changed'; changes: MadeChange[] }
  | { is: 'noted'; facts: Fact[]; noted: number }
  | { is: 'removed' }
  /** Said by the page's own end of the line: nothing is heard of the show at the moment. */
  | { is: 'unheard' }
);
