import type { Problem } from '@/core/fields/problem';
import { startThread } from '../thread';
import type { CheckWorker } from './check.worker';

/**
 * The faults of a show file, found in a thread of its own before anything is sent; null where nothing is.
 *
 * @throws the reason of `signal` when it is stopped
 */
export async function checkShowFile(file: Blob, signal: AbortSignal): Promise<readonly Problem[] | null> {
  const { remote, answer, stop } = startThread<CheckWorker>(
    new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' }),
  );
  const stopped = new Promise<never>((_, refuse) => {
    signal.addEventListener('abort', () => refuse(signal.reason as Error), { once: true });
  });
  try {
    signal.throwIfAborted();
    return await Promise.race([answer(remote.problemsOf(file)), stopped]);
  } finally {
    stop();
  }
}
