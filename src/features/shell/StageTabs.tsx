'use client';

import type { Finding } from '@/core/checks/check';
import { countOf } from '@/core/units/number';
import { STAGES } from '../stages/registry';
import { keyOf } from '../stages/stages';
import { useGoTo, useView } from '../view/useView';
import styles from './shell.module.css';

/** The stages in the order of the work; each with the number of things on it that want attention. */
export function StageTabs({ findings }: { findings: readonly Finding[] }) {
  const { stage: current } = useView();
  const goTo = useGoTo();
  return (
    <nav className={styles.stages} aria-label="Stages">
      {STAGES.map((stage) => {
        const count = findings.filter((finding) => finding.stage === stage.id).length;
        return (
          <button
            key={stage.id}
            type="button"
            className={styles.stage}
            aria-current={stage.id === current ? 'page' : undefined}
            title={stage.purpose}
            onClick={() => goTo({ stage: stage.id })}
          >
            <span className={styles.number}>{keyOf(stage)}</span>
            {stage.label}
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
