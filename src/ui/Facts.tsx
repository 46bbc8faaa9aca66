import { Fragment, type ReactNode } from 'react';
import type { Explained } from '@/core/figures/explained';
import { Why } from './explain/Why';
import styles from './Facts.module.css';

export interface Fact {
  name: string;
  value: ReactNode;
  /** Derivation of the value. */
  why?: Explained | null | undefined;
  /** Meaning or basis of the value, in smaller type. */
  note?: ReactNode;
  address?: boolean;
}

/** Computed facts, name by value, with the figures in columns. */
export function Facts({ facts }: { facts: readonly (Fact | false | null | undefined)[] }) {
  return (
    <dl className={styles.facts}>
      {facts.map(
        (fact) =>
          fact && (
            <Fragment key={fact.name}>
              <dt>{fact.name}</dt>
              <dd className={fact.address ? styles.address : undefined}>
                {fact.why ? <Why of={fact.why}>{fact.value}</Why> : fact.value}
                {fact.note && <span className={styles.note}>{fact.note}</span>}
              </dd>
            </Fragment>
          ),
      )}
    </dl>
  );
}
