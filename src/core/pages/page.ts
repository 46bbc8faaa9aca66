import type { PageRoom } from './format';
import type { Ink } from './ink';

/** A page as it is written, without what stands at its head and foot. */
export interface Page {
  room: PageRoom;
  inks: Ink[];
  /** A page of labels has its places to the millimetre, and nothing else on it. */
  isBare: boolean;
}
