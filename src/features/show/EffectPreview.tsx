'use client';

import type { Edit } from '@/core/show/edits/registry';
import styles from './EffectPreview.module.css';
import { useAnswer } from './ShowProvider';

/** A pointer that only passes by asks nothing: what nobody waits for need not be planned. */
const HELD_MS = 120;

/** The start in `U5 ch 1 – U7 ch 492`, which is what gets typed. */
function startOf(words: string | null): string {
  return words?.split(' – ')[0] ?? 'no address';
}

/** Moves of an edit, in a few lines. Give it the edit as key: each is worked out once. */
export function EffectPreview({ edit }: { edit: Edit }) {
  const effect = useAnswer('effect', edit, HELD_MS);
  if (!effect) return <span className={styles.effect}>…</span>;
  return (
    <span className={styles.effect}>
      {effect.words}
      {effect.moved.map((moved) => (
        <span key={`${moved.propId} ${moved.run}`} className={`${styles.moved} mono`}>
          <b>
            {moved.name} {moved.run}
          </b>{' '}
          {startOf(moved.old)} → {startOf(moved.new)}
        </span>
      ))}
    </span>
  );
}
