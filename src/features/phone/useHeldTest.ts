import { useEffect } from 'react';
import { create } from 'zustand';
import { SENDING_MINUTES, type SentTest } from '@/core/rig/benchState';
import { postBench, sendTest } from '../sending/bench';
import { notify } from '../show/ShowProvider';
import { windowId } from '../show/windowId';

/** Target of a test from a phone. */
export type TestTarget = 'rig' | 'devices';

interface Held {
  to: TestTarget;
  /** The test of this phone; null while it sends nothing. */
  test: SentTest | null;
  /** Why the last word of ours did not reach the laptop; null while all did. */
  trouble: string | null;
}

/** The test of this phone. It goes on from page to page, and ends with the phone. */
export const useHeldTest = create<Held>(() => ({ to: 'rig', test: null, trouble: null }));

/** Well within the time after which the server ends what it does not hear of. */
const HOLD_MS = 1500;
const RATE_HZ = 20;

/**
 * Sends a test, or changes the one that is sent. It ends a few seconds after this phone is not heard of any more.
 *
 * @returns whether it was done: what was sent before goes on otherwise
 */
export async function sendHeld(showId: string, test: SentTest): Promise<boolean> {
  const { to, test: before } = useHeldTest.getState();
  const wish = { to, rateHz: RATE_HZ, isSynced: false, minutes: SENDING_MINUTES.usual };
  const done = await sendTest(showId, test, before ? null : wish, true);
  if (done) useHeldTest.setState({ test, trouble: null });
  return done;
}

/**
 * Stops whatever is sent, by whomever, at once or not at all: a stop that waits for a line would come when nobody means it any more.
 */
export async function stopNow(showId: string): Promise<void> {
  useHeldTest.setState({ test: null });
  const response = await postBench(showId, { do: 'stop' });
  useHeldTest.setState({
    trouble:
      response === null
        ? 'Not stopped: the laptop is not heard. What this phone sends ends by itself within 5 seconds; cut the power of anything else.'
        : null,
  });
}

/** Keeps what this phone sends going, as long as it is there. */
export function useHolding(showId: string): void {
  const isSending = useHeldTest(({ test }) => test !== null);
  useEffect(() => {
    if (!isSending) return;
    const timer = setInterval(async () => {
      const response = await postBench(showId, { do: 'hold', by: windowId() });
      if (response?.status !== 422 || useHeldTest.getState().test === null) return;
      useHeldTest.setState({ test: null });
      notify('The test has ended.');
    }, HOLD_MS);
    const end = () => void postBench(showId, { do: 'stop' }, true);
    window.addEventListener('pagehide', end);
    return () => {
      clearInterval(timer);
      window.removeEventListener('pagehide', end);
    };
  }, [showId, isSending]);
  // Left by a link, it ends as well: nobody would see it, and nobody could stop it.
  useEffect(
    () => () => {
      if (useHeldTest.getState().test === null) return;
      useHeldTest.setState({ test: null });
      void postBench(showId, { do: 'stop' });
    },
    [showId],
  );
}
