import { transfer } from 'comlink';
import type { Frame } from '@/core/screens/pipeline';
import type { PipelineSettings } from '@/core/screens/pipelineSettings';
import type { ScreenShape } from '@/core/screens/shape';
import type { StillReport } from '@/core/screens/still';
import { startThread } from '../thread';
import type { ScreenWorker, WalkAnswer, WalkStep, WalkWish } from './screen.worker';

export type { WalkAnswer, WalkStep, WalkWish } from './screen.worker';

/** The colours of a backlight, worked out in a thread of their own. */
export interface ScreenLights {
  /** @param ways in which the same pictures are worked out beside each other */
  begin: (shape: ScreenShape, ways: readonly PipelineSettings[]) => Promise<void>;
  set: (ways: readonly PipelineSettings[]) => Promise<void>;
  /** @returns red, green and blue of each light in data order by each way; and how long the first took, in ms */
  step: (frame: Frame, passedMs: number) => Promise<{ lit: Uint8Array[]; tookMs: number }>;
  still: (frame: Frame, threshold: number) => Promise<StillReport>;
  /** State of a walk after these answers. */
  walk: (wish: WalkWish, answers: readonly WalkAnswer[]) => Promise<WalkStep>;
  stop: () => void;
}

export function startScreenLights(): ScreenLights {
  const { remote, answer, stop } = startThread<ScreenWorker>(
    new Worker(new URL('./screen.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    begin: (shape, ways) => answer(remote.begin(shape, ways)),
    set: (ways) => answer(remote.set(ways)),
    still: (frame, threshold) => answer(remote.still(transfer(frame, [frame.rgba.buffer]), threshold)),
    step: (frame, passedMs) => answer(remote.step(transfer(frame, [frame.rgba.buffer]), passedMs)),
    walk: (wish, answers) => answer(remote.walk(wish, answers)),
    stop,
  };
}
