import type { HeardFigures, SendingFigures, SendWish, SentTest } from '@/core/rig/benchState';

/** Requests to the thread that sends. */
export interface SenderAsks {
  /** The targets of a test, and whether its level is more than the power of the show carries. */
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
      /** Ports of the simulator by index of the controller; null to send to the devices themselves. */
      rig: { ports: (number | null)[]; groups: number } | null;
      from: string | null;
    };
    answer: null;
  };
  change: { ask: SentTest; answer: null };
  stop: { ask: null; answer: null };
  report: { ask: null; answer: SendingFigures | null };
}

/** Requests to the thread of the simulator. */
export interface RigAsks {
  open: {
    ask: { showId: string };
    answer: { ports: (number | null)[]; groups: number; notes: string[] };
  };
  /** The picture now: four bytes a pixel for a prop, or for the whole show. */
  frame: { ask: { propId: string | null }; answer: Uint8Array };
  report: { ask: null; answer: { heard: HeardFigures[]; notes: string[] } };
  close: { ask: null; answer: null };
}
