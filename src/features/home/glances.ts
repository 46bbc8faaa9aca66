import type { Glance } from '@/core/reports/glance';
import { answerOf } from '../show/answerOf';

/** A browser has six lines to a server, and each glance takes a plan: what else the page asks for must not wait behind all of them. */
const AT_ONCE = 2;

let running = 0;
const waiting: (() => void)[] = [];

/**
 * A show at a glance. Those of many shows are asked for a few at a time, in the order in which they stand on the page.
 *
 * @returns null where it cannot be had: the show can be opened without it
 */
export async function askGlance(id: string, signal: AbortSignal): Promise<Glance | null> {
  if (running >= AT_ONCE) await new Promise<void>((resume) => waiting.push(resume));
  running += 1;
  try {
    if (signal.aborted) return null;
    const response = await fetch(`/api/shows/${id}/glance`, { signal });
    return response.ok ? await answerOf<Glance>(response) : null;
  } catch {
    return null;
  } finally {
    running -= 1;
    waiting.shift()?.();
  }
}
