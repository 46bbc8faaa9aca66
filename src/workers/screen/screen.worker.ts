import { expose, transfer } from 'comlink';
import type { ScreenShape } from '@/core/screens/shape';
import { IndexWalk, type Seen, type WalkCandidate } from '@/core/screens/indexWalk';
import { Pipeline, type Frame } from '@/core/screens/pipeline';
import type { PipelineSettings } from '@/core/screens/pipelineSettings';
import { stillReport } from '@/core/screens/still';
import { zoneSides, zonesOf } from '@/core/screens/zones';

/** One for each way in which the same pictures are worked out. */
let pipelines: Pipeline[] = [];

/** The state of a walk: the next indices to light, or the result. */
export interface WalkStep {
  /** Indices to light, each in a colour of its own; null where no index says more. */
  next: number[] | null;
  /** Ways of wiring that are left. */
  left: number;
  found: WalkCandidate[];
  /** The answer contradicts the others, and was not taken. */
  isImpossible: boolean;
}

/** Those that are found at the end; more of them would be no answer. */
const MOST_FOUND = 8;

/** Sides seen of lit indices, kept with them: the next indices depend on those that can be lit. */
export interface WalkAnswer {
  indices: readonly number[];
  seen: readonly Seen[];
}

/** Differences from the plan that the walk allows, and indices that can be lit. */
export interface WalkWish {
  shape: ScreenShape;
  mostHidden: number;
  /** Indices from here on cannot be lit; null where all can. */
  litBelow: number | null;
}

/** A walk from its beginning: the answers that were given so far, one after another. */
function walked({ shape, mostHidden, litBelow }: WalkWish, answers: readonly WalkAnswer[]): WalkStep {
  const walk = IndexWalk.of(shape, { mostHidden, ...(litBelow !== null && { litBelow }) });
  let isImpossible = false;
  let next = walk.next();
  for (const { indices, seen } of answers) {
    isImpossible = !walk.answer(indices, seen);
    if (isImpossible) break;
    next = walk.next();
  }
  return { next, left: walk.count, found: next ? [] : (walk.found ?? []).slice(0, MOST_FOUND), isImpossible };
}

const lights = {
  walk: walked,
  begin: (shape: ScreenShape, ways: readonly PipelineSettings[]) => {
    const [zones, sides] = [zonesOf(shape), zoneSides(shape)];
    pipelines = ways.map((settings) => new Pipeline(zones, sides, settings));
  },
  /** As many as it began with. */
  set: (ways: readonly PipelineSettings[]) => {
    pipelines.forEach((pipeline, i) => {
      pipeline.settings = ways[i] ?? pipeline.settings;
    });
  },
  /** @returns red, green and blue of each zone by the first way, by the second and so on, and how long the first took, in ms */
  step: (frame: Frame, passedMs: number) => {
    const began = performance.now();
    let tookMs = 0;
    const lit = pipelines.map((pipeline, i) => {
      const bytes = pipeline.step(frame, passedMs);
      if (i === 0) tookMs = performance.now() - began;
      return bytes;
    });
    return transfer(
      { lit, tookMs },
      lit.map(({ buffer }) => buffer),
    );
  },
  still: (frame: Frame, threshold: number) => stillReport(frame, threshold),
};

export type ScreenWorker = typeof lights;

expose(lights);
