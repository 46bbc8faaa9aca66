import { useEffect, useRef } from 'react';
import { create } from 'zustand';
import type { Colour } from '@/core/patterns/pattern';
import type { TestSelection } from '@/core/patterns/selection';

/** Target of a test: nowhere, the simulator on this machine, or the devices. */
export type Goes = 'preview' | 'rig' | 'devices';

export interface Test {
  pattern: string;
  /** On what of what is looked at; null on all of it. */
  on: TestSelection | null;
  isOwnTest: boolean;
  /** The power was cut and came back. */
  isAfterCut: boolean;
  /** In percent of the fullest byte. */
  percent: number;
  colour: Colour;
  /** Which pixel of a walk; null while time moves it. */
  step: number | null;
  isRunning: boolean;
  timeS: number;
  frame: number;
  goes: Goes;
}

/** Tests begin at a low level: nobody is dazzled, and no fuse opens. */
const START: Test = {
  pattern: 'off',
  on: null,
  isOwnTest: false,
  isAfterCut: false,
  percent: 30,
  colour: [255, 160, 60, 0],
  step: null,
  isRunning: false,
  timeS: 0,
  frame: 0,
  goes: 'preview',
};

/** The test, on whatever is looked at. It is no part of the show. */
export const useTest = create<Test>(() => START);

export const setTest = (change: Partial<Test>) => useTest.setState(change);

export function startPattern(pattern: string): void {
  useTest.setState({ pattern, step: null, timeS: 0, isRunning: true });
}

/** A walk goes on by hand from where it is; another test becomes a walk at its first pixel. */
export function stepBy(by: number): void {
  const { pattern, step, timeS } = useTest.getState();
  const next = pattern === 'walk' ? (step ?? Math.floor(timeS * 2)) + by : 0;
  useTest.setState({ pattern: 'walk', step: Math.max(0, next), isRunning: true });
}

export const stopTest = () => useTest.setState({ pattern: 'off', isRunning: false, step: null });

/** A test sent from another sheet is not sent on from this one: that is chosen anew. */
export function useNothingSentYet(): void {
  useEffect(() => setTest({ goes: 'preview' }), []);
}

/**
 * Escape stops what runs before it does anything else; with nothing running it is for others.
 *
 * @param isSending something is being sent, by whatever window
 */
export function useStopKey(isSending: boolean, onStop: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyped =
        event.target instanceof HTMLElement && event.target.closest('[role="dialog"], [role="listbox"]');
      if (event.key !== 'Escape' || isTyped || !(useTest.getState().isRunning || isSending)) return;
      event.stopImmediatePropagation();
      onStop();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [isSending, onStop]);
}

/** So many pictures a second are asked for; a hidden tab asks for none. */
const RATE_HZ = 30;
/** Screens are drawn at moments of their own: one that comes a little early is taken, the next would be late. */
const EARLY_MS = 4;

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
      if (passed < 1000 / RATE_HZ - EARLY_MS) return;
      last.current = now;
      // A tab that was hidden goes on where it was.
      const seconds = Math.min(passed, 250) / 1000;
      useTest.setState(({ timeS, frame }) => ({ timeS: timeS + seconds, frame: frame + 1 }));
    };
    handle = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(handle);
  }, [isMoving, isRunning]);
}
