'use client';

import { useEffect, useRef } from 'react';
import type { Finding } from '@/core/checks/check';
import { rankWords } from '@/core/checks/rank';
import { countOf } from '@/core/units/number';
import { STAGES, keyOf } from '@/core/stages/stages';
import { useGoTo, useView } from '../view/useView';
import styles from './shell.module.css';
import { itemAt } from '@/core/units/there';

/** The stages in the order of the work; each with the number of things on it that want attention. */
export function StageTabs({ findings }: { findings: readonly Finding[] }) {
  const { stage: current } = useView();
  const goTo = useGoTo();
  const strip = useRef<HTMLElement>(null);
  /** Somebody scrolled the stages: from then on they stay where they are. */
  const isHeld = useRef(false);
  useEffect(() => {
    const nav = strip.current;
    if (!nav) return;
    isHeld.current = false;
    // They become wider when the letters and the counts of findings arrive.
    const observer = new ResizeObserver(() => {
      if (!isHeld.current) bringIntoSight(nav);
    });
    for (const each of [nav, ...nav.children]) observer.observe(each);
    return () => observer.disconnect();
  }, [current]);
  const hold = () => {
    isHeld.current = true;
  };
  return (
    <nav ref={strip} className={styles.stages} aria-label="Stages" onWheel={hold} onTouchMove={hold}>
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
                data-rank={itemAt(here, 0).rank ?? 'next'}
                title={`${countOf(here.length, 'finding')} here. ${rankWords(itemAt(here, 0).rank)}: ${itemAt(here, 0).message}`}
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

/** On a narrow screen the stages reach beyond it: the one that is on is scrolled into sight. */
function bringIntoSight(nav: HTMLElement) {
  const tab = nav.querySelector<HTMLElement>('[aria-current]');
  if (!tab) return;
  const from = tab.offsetLeft - nav.offsetLeft;
  const to = from + tab.offsetWidth;
  if (from < nav.scrollLeft || to > nav.scrollLeft + nav.clientWidth) nav.scrollLeft = from - 24;
}
