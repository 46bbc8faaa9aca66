import { useEffect, useRef } from 'react';
import { create } from 'zustand';
import type { Colour } from '@/core/patterns/pattern';

interface Test {
  pattern: string;
  isOwnTest: boolean;
  /** In percent of the fullest byte. */
  percent: number;
  colour: Colour;
  /** Which pixel of a walk; null while time moves it. */
  step: number | null;
  isRunning: boolean;
  timeS: number;
  frame: number;
}

/** Tests begin at a low level: nobody is dazzled, and no fuse opens. */
const START: Test = {
  pattern: 'off',
  isOwnTest: false,
  percent: 30,
  colour: [255, 160, 60, 0],
  step: null,
  isRunning: false,
  timeS: 0,
  frame: 0,
};

/** What is being tested, on whatever prop is looked at. It is no part of the show. */
export const useTest = create<Test>(() => START);

export const setTest = (change: Partial<Test>) => useTest.setState(change);

export function startPattern(pattern: string): void {
  useTest.setState({ pattern, step: null, timeS: 0, isRunning: true });
}

/** A walk goes on by hand from where it is. */
export function stepBy(by: number): void {
  const { step, timeS } = useTest.getState();
  useTest.setState({
    pattern: 'walk',
    step: Math.max(0, (step ?? Math.floor(timeS * 2)) + by),
    isRunning: true,
  });
}

export const stopTest = () => useTest.setState({ pattern: 'off', isRunning: false, step: null });

/** Escape stops what runs before it does anything else; with nothing running it is for others. */
export function useStopKey(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyped =
        event.target instanceof HTMLElement &&
        event.target.closest('input, [role="dialog"], [role="listbox"]');
      if (event.key !== 'Escape' || isTyped || !useTest.getState().isRunning) return;
      event.stopImmediatePropagation();
      stopTest();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, []);
}

/** So many pictures a second are asked for; a hidden tab asks for none. */
const RATE_HZ = 25;

/** Lets time go on while something moves. */
export function useClock(isMoving: boolean): void {
  const isRunning = useTest((state) => state.isRunning);
  const last = useRef(0);
  useEffect(() => {
    if (!isMoving || !isRunning) return;
    let handle = 0;
    last.current = performance.now();
    const tick = (now: number) => {
      handle = requestAnimationFrame(tick);
      const passed = now - last.current;
      if (passed < 1000 / RATE_HZ) return;
      last.current = now;
      // A tab that was hidden goes on where it was.
      const seconds = Math.min(passed, 250) / 1000;
      useTest.setState(({ timeS, frame }) => ({ timeS: timeS + seconds, frame: frame + 1 }));
    };
    handle = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(handle);
  }, [isMoving, isRunning]);
}
