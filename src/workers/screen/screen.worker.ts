import { expose, transfer } from 'comlink';
import type { ScreenShape } from '@/core/screens/frame';
import { IndexWalk, type Seen, type WalkCandidate } from '@/core/screens/indexWalk';
import { Pipeline, type Frame, type PipelineSettings } from '@/core/screens/pipeline';
import type { Zone } from '@/core/screens/zones';

let pipeline: Pipeline | null = null;

/** Where a walk stands: what to light next, or what was found. */
export interface WalkStep {
  /** Indices to light, each in a colour of its own; null where no index says more. */
  next: number[] | null;
  /** Ways of wiring that are left. */
  left: number;
  found: WalkCandidate[];
  /** What was said does not go together, and was not taken. */
  isImpossible: boolean;
}

/** Those that are found at the end; more of them would be no answer. */
const MOST_FOUND = 8;

/** A walk from its beginning: the answers that were given so far, one after another. */
function walked(shape: ScreenShape, mostHidden: number, answers: readonly (readonly Seen[])[]): WalkStep {
  const walk = IndexWalk.of(shape, mostHidden > 0 ? 2 : 3, mostHidden);
  let isImpossible = false;
  let next = walk.next();
  for (const seen of answers) {
    if (!next) break;
    isImpossible = !walk.answer(next, seen);
    if (isImpossible) break;
    next = walk.next();
  }
  return { next, left: walk.count, found: next ? [] : (walk.found ?? []).slice(0, MOST_FOUND), isImpossible };
}

const lights = {
  walk: walked,
  begin: (zones: readonly Zone[], settings: PipelineSettings) => {
    pipeline = new Pipeline(zones, settings);
  },
  set: (settings: PipelineSettings) => {
    if (pipeline) pipeline.settings = settings;
  },
  /** @returns red, green and blue of each zone, and how long that took, in ms */
  step: (frame: Frame, passedMs: number) => {
    const began = performance.now();
    const bytes = pipeline?.step(frame, passedMs) ?? new Uint8Array(0);
    return transfer({ bytes, tookMs: performance.now() - began }, [bytes.buffer]);
  },
};

export type ScreenWorker = typeof lights;

expose(lights);
