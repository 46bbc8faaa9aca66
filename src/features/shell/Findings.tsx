'use client';

import { Button, Tooltip } from '@mantine/core';
import type { Finding } from '@/core/checks/check';
import { rankWords } from '@/core/checks/rank';
import { countOf } from '@/core/units/number';
import { EffectPreview } from '../show/EffectPreview';
import { useEdit } from '../show/ShowProvider';
import styles from './Findings.module.css';

const MOST_SHOWN = 12;

/** Findings in the order of their ranks, with their mends as buttons; what a mend would move is said beside it before it is pressed. */
export function Findings({ findings }: { findings: readonly Finding[] }) {
  const edit = useEdit();
  return (
    <div data-testid="findings">
      {findings.slice(0, MOST_SHOWN).map((finding) => (
        <div
          key={finding.check + finding.message}
          className={styles.finding}
          data-rank={finding.rank ?? 'next'}
        >
          <span className={styles.word}>{rankWords(finding.rank)}: </span>
          {finding.message}
          {finding.mends.length > 0 && (
            <div className={styles.mends}>
              {finding.mends.map((mend) => (
                <Tooltip
                  key={mend.label}
                  multiline
                  position="left"
                  w={340}
                  events={{ hover: true, focus: true, touch: true }}
                  label={<EffectPreview edit={mend.edit} />}
                >
                  <Button
                    size="compact-sm"
                    variant="default"
                    className={styles.mend}
                    classNames={{ label: styles.mendLabel }}
                    onClick={() => edit(mend.edit)}
                  >
                    {mend.label}
                  </Button>
                </Tooltip>
              ))}
            </div>
          )}
        </div>
      ))}
      {findings.length > MOST_SHOWN && <p>And {countOf(findings.length - MOST_SHOWN, 'more', 'more')}.</p>}
    </div>
  );
}
