import { transfer } from 'comlink';
import type { Frame, PipelineSettings } from '@/core/screens/pipeline';
import type { Zone } from '@/core/screens/zones';
import type { ScreenShape } from '@/core/screens/frame';
import type { Seen } from '@/core/screens/indexWalk';
import { startThread } from '../thread';
import type { ScreenWorker, WalkStep } from './screen.worker';

export type { WalkStep } from './screen.worker';

/** The colours of a backlight, worked out in a thread of their own. */
export interface ScreenLights {
  begin: (zones: readonly Zone[], settings: PipelineSettings) => Promise<void>;
  set: (settings: PipelineSettings) => Promise<void>;
  step: (frame: Frame, passedMs: number) => Promise<{ bytes: Uint8Array; tookMs: number }>;
  /** How far a walk is that was answered so, look by look. */
  walk: (shape: ScreenShape, mostHidden: number, answers: readonly (readonly Seen[])[]) => Promise<WalkStep>;
  stop: () => void;
}

export function startScreenLights(): ScreenLights {
  const { remote, answer, stop } = startThread<ScreenWorker>(
    new Worker(new URL('./screen.worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    begin: (zones, settings) => answer(remote.begin(zones, settings)),
    set: (settings) => answer(remote.set(settings)),
    step: (frame, passedMs) =>
      answer(remote.step(transfer(frame, [frame.rgba.buffer as ArrayBuffer]), passedMs)),
    walk: (shape, mostHidden, answers) => answer(remote.walk(shape, mostHidden, answers)),
    stop,
  };
}
