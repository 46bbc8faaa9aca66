import type { ReactNode } from 'react';
import styles from './quickChecks.module.css';

/** One question with what is asked for it, and its answer. */
export function QuickCheck({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <section className={styles.card} aria-label={title}>
      <h3>{title}</h3>
      <p className={styles.quiet}>{says}</p>
      {children}
    </section>
  );
}

export function HelpAnswer({ children }: { children: ReactNode }) {
  return (
    <div className={styles.answer} role="status">
      {children}
    </div>
  );
}
