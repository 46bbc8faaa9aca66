import { useCallback, useEffect, useRef } from 'react';
import type { TestSelection } from '@/core/patterns/selection';
import type { BenchState, SendWish, SentTest } from '@/core/rig/benchState';
import { sendTest, stopSending, useBench } from './bench';
import { windowId } from '../show/windowId';
import { setTest, stopTest, useTest, type Test } from './useTest';
import { ownJson } from '@/core/fields/parseJson';

const sentAs = () => useBench.getState().sentAs;
const setSentAs = (as: string | null) => useBench.setState({ sentAs: as });

const goesOut = ({ goes, isRunning, isOwnTest }: Pick<Test, 'goes' | 'isRunning' | 'isOwnTest'>) =>
  goes !== 'preview' && isRunning && !isOwnTest;
const isOutNow = () => goesOut(useTest.getState());

/** A level that is dragged is not sent at every step. */
const CHANGE_MS = 60;

/**
 * Keeps what is sent the same as what is chosen here.
 *
 * @returns what stops it, whoever sends; and whether it is another window that sends
 */
export function useSending(
  showId: string,
  all: TestSelection,
  wish: Omit<SendWish, 'to'>,
  state: BenchState | null,
): { stop: () => void; isOthers: boolean } {
  const { pattern, on, percent, colour, step, isRunning, isOwnTest, goes } = useTest();
  const isOut = goesOut({ goes, isRunning, isOwnTest });
  const [red, green, blue, white] = colour;
  const key = JSON.stringify({
    pattern,
    on: on ?? all,
    level: percent / 100,
    colour: [red, green, blue, white],
    step,
  } satisfies SentTest);
  const wishKey = JSON.stringify({ to: goes, ...wish });

  useEffect(() => {
    if (!isOut) {
      if (sentAs() === null) return;
      setSentAs(null);
      void stopSending(showId);
      return;
    }
    const timer = setTimeout(async () => {
      const test = ownJson<SentTest>(key);
      const done = await sendTest(showId, test, sentAs() === wishKey ? null : ownJson<SendWish>(wishKey));
      if (done) setSentAs(wishKey);
      // It was stopped while it was on its way.
      if (done && !isOutNow()) {
        setSentAs(null);
        void stopSending(showId);
      }
      // A test that was not agreed to is not sent; the one before goes on as it was.
      else if (sentAs() === null) setTest({ goes: 'preview' });
    }, CHANGE_MS);
    return () => clearTimeout(timer);
  }, [isOut, key, showId, wishKey]);

  // It ended by itself, another window ended it, or another one sends now.
  const by = state?.sending ? (state.sending.by ?? '') : null;
  const isOwn = by !== null && by === windowId();
  const wasOwn = useRef(false);
  useEffect(() => {
    if (wasOwn.current && !isOwn && state && sentAs() !== null) {
      setSentAs(null);
      if (by === null) stopTest();
      else setTest({ goes: 'preview' });
    }
    wasOwn.current = isOwn;
  }, [isOwn, by, state]);

  const isOpen = state?.isOpen ?? false;
  const stop = useCallback(() => {
    stopTest();
    // Nobody is asked to stop what nobody began.
    const isKnown = isOpen || sentAs() !== null;
    setSentAs(null);
    if (isKnown) void stopSending(showId);
  }, [showId, isOpen]);
  return { stop, isOthers: by !== null && !isOwn };
}
