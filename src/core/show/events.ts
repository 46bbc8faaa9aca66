import type { Fact } from './facts';
import type { MadeChange } from './revision';

/**
 * What is told of a show: where it stands when one begins to listen, what was changed or noted, and that it was removed. `noted` counts
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
