import type { HeardFigures, SendingFigures, SendWish, SentTest } from '@/core/rig/benchState';

/** What the thread that sends is asked. */
export interface SenderAsks {
  /** What would be sent where, and whether a level is more than what feeds the show carries. */
  look: {
    ask: { showId: string; wish: SendWish };
    answer: { addresses: { address: string; words: string }[] };
  };
  safeLevel: { ask: { showId: string }; answer: { percent: number; heldBackBy: string | null } | null };
  start: {
    ask: {
      showId: string;
      test: SentTest;
      wish: SendWish;
      /** Of the rig by index of the controller; null to send to the devices themselves. */
      rig: { ports: (number | null)[]; groups: number } | null;
      from: string | null;
    };
    answer: null;
  };
  change: { ask: SentTest; answer: null };
  stop: { ask: null; answer: null };
  report: { ask: null; answer: SendingFigures | null };
}

/** What the thread of the rig is asked. */
export interface RigAsks {
  open: {
    ask: { showId: string };
    answer: { ports: (number | null)[]; groups: number; notes: string[] };
  };
  /** What lights now: of a prop four bytes a pixel, or of the whole show. */
  frame: { ask: { propId: string | null }; answer: Uint8Array };
  report: { ask: null; answer: { heard: HeardFigures[]; notes: string[] } };
  close: { ask: null; answer: null };
}
