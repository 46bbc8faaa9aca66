'use client';

import type { Finding } from '@/core/checks/check';
import { countOf } from '@/core/units/number';
import { STAGES, STAGE_NAMES } from '../view/address';
import { useGoTo, useView } from '../view/useView';
import styles from './shell.module.css';

/** The stages in the order of the work; each with the number of things on it that want attention. */
export function StageTabs({ findings }: { findings: readonly Finding[] }) {
  const { stage: current } = useView();
  const goTo = useGoTo();
  return (
    <nav className={styles.stages} aria-label="Stages">
      {STAGES.map((stage, i) => {
        const count = findings.filter((finding) => finding.stage === stage).length;
        return (
          <button
            key={stage}
            type="button"
            className={styles.stage}
            aria-current={stage === current ? 'page' : undefined}
            onClick={() => goTo({ stage })}
          >
            <span className={styles.number}>{i + 1}</span>
            {STAGE_NAMES[stage]}
            {count > 0 && (
              <span className={styles.count} title={`${countOf(count, 'finding')} here`}>
                {count}
              </span>
            )}
          </button>
        );
      })}
    </nav>
  );
}
