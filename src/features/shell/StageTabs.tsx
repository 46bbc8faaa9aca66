'use client';

import { useEffect, useRef } from 'react';
import type { Finding } from '@/core/checks/check';
import { rankWords } from '@/core/checks/rank';
import { countOf } from '@/core/units/number';
import { STAGES } from '../stages/registry';
import { keyOf } from '../stages/stages';
import { useGoTo, useView } from '../view/useView';
import styles from './shell.module.css';

/** The stages in the order of the work; each with the number of things on it that want attention. */
export function StageTabs({ findings }: { findings: readonly Finding[] }) {
  const { stage: current } = useView();
  const goTo = useGoTo();
  const strip = useRef<HTMLElement>(null);
  useEffect(() => {
    // On a narrow screen the stages reach beyond it.
    const nav = strip.current;
    const tab = nav?.querySelector<HTMLElement>('[aria-current]');
    if (!nav || !tab) return;
    const from = tab.offsetLeft - nav.offsetLeft;
    const to = from + tab.offsetWidth;
    if (from < nav.scrollLeft || to > nav.scrollLeft + nav.clientWidth) nav.scrollLeft = from - 24;
  }, [current]);
  return (
    <nav ref={strip} className={styles.stages} aria-label="Stages">
      {STAGES.map((stage) => {
        const here = findings.filter((finding) => finding.stage === stage.id);
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
            {here.length > 0 && (
              // The list begins with the worst.
              <span
                className={styles.count}
                data-rank={here[0]!.rank ?? 'next'}
                title={`${countOf(here.length, 'finding')} here. ${rankWords(here[0]!.rank)}: ${here[0]!.message}`}
              >
                {here.length}
              </span>
            )}
          </button>
        );
      })}
    </nav>
  );
}
