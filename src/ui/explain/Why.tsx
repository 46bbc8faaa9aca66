'use client';

import { useEffect, useRef, type ReactNode } from 'react';
import { textOf, type Explained } from '@/core/figures/explained';
import styles from './explain.module.css';
import { useExplaining } from './explaining';
import { useLengths } from '../lengths';

/** A pointer that only passes by asks nothing. */
const HELD_MS = 250;

/** A number that says how it came about when it is hovered, focused, tapped or asked by key. */
export function Why({ of: explained, children }: { of: Explained; children?: ReactNode }) {
  const button = useRef<HTMLButtonElement>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const { show, hide } = useExplaining.getState();
  const lengths = useLengths();
  const showHere = (held: boolean) => button.current && show(explained, button.current, held);
  const isHere = () => useExplaining.getState().shown?.at === button.current;

  useEffect(() => {
    // The explanation that is open goes with its number.
    const { shown, held } = useExplaining.getState();
    if (shown && shown.at === button.current && shown.explained !== explained)
      show(explained, button.current, held);
  }, [explained, show]);
  useEffect(() => {
    const here = button.current;
    return () => {
      clearTimeout(timer.current);
      if (useExplaining.getState().shown?.at === here) hide(true);
    };
  }, [hide]);

  return (
    <button
      ref={button}
      type="button"
      className={styles.why}
      data-explained
      aria-haspopup="dialog"
      onMouseEnter={() => {
        timer.current = setTimeout(() => useExplaining.getState().held || showHere(false), HELD_MS);
      }}
      onMouseLeave={() => {
        clearTimeout(timer.current);
        if (isHere()) hide();
      }}
      onFocus={(event) => event.currentTarget.matches(':focus-visible') && showHere(false)}
      onBlur={() => isHere() && hide()}
      onClick={(event) => {
        event.stopPropagation();
        clearTimeout(timer.current);
        if (isHere() && useExplaining.getState().held) hide(true);
        else showHere(true);
      }}
    >
      {children ?? textOf(explained, lengths)}
    </button>
  );
}
