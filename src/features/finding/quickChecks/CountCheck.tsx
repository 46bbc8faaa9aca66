import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import {
  afterLook,
  looksLeft,
  MOST_COUNTED,
  nextLight,
  wholeRange,
  type CountRange,
} from '@/core/diagnose/help/countFinder';
import type { Plan } from '@/core/plan/planned';
import { countOf, groupDigits } from '@/core/units/number';
import { WholeField } from '@/ui/fields/fields';
import { BackButtons } from '../BackButtons';
import { setTest, stepBy } from '../../sending/useTest';
import { useGoTo } from '../../view/useView';
import { HelpAnswer, QuickCheck } from './QuickCheck';
import styles from './quickChecks.module.css';
import { plannedAt } from '@/core/plan/records';

/** Number of pixels, by halving. */
export function CountCheck({ plan, prop }: { plan: Plan; prop: number | null }) {
  const planned = prop === null ? null : plannedAt(plan, prop).pixelCount;
  const [most, setMost] = useState(planned ? Math.min(MOST_COUNTED, 2 * planned) : 1023);
  const [looks, setLooks] = useState<readonly CountRange[]>([]);
  const goTo = useGoTo();
  const range = looks.at(-1) ?? wholeRange(most);
  const light = nextLight(range);
  const say = (isLit: boolean) => light !== null && setLooks([...looks, afterLook(range, light, isLit)]);
  return (
    <QuickCheck
      title="How many lights are there?"
      says="Light one single light at a time, and say whether it is lit: each look halves what is left. Tell the device more lights than there can be first."
    >
      {looks.length === 0 && (
        <WholeField
          label="There are no more than"
          what="The most lights"
          least={1}
          most={MOST_COUNTED}
          value={most}
          onCommit={setMost}
        />
      )}
      {light === null ? (
        <HelpAnswer>
          <p>
            {countOf(range.least, 'light')}, found in {countOf(looks.length, 'look')}.
            {planned !== null && planned !== range.least ? ` ${groupDigits(planned)} are planned.` : ''} Look
            at light {groupDigits(range.beyond)} once more: one past the last stays dark.
          </p>
        </HelpAnswer>
      ) : (
        <>
          <p className={styles.big}>Light {groupDigits(light)} alone: is it lit?</p>
          <Group>
            <Button onClick={() => say(true)}>It is lit</Button>
            <Button variant="default" onClick={() => say(false)}>
              It stays dark
            </Button>
            {planned !== null && light <= planned && (
              <Button
                variant="subtle"
                color="gray"
                onClick={() => {
                  stepBy(0);
                  setTest({ pattern: 'walk', step: light - 1, isRunning: true });
                  goTo({ sheet: null });
                }}
              >
                Light it on Live test
              </Button>
            )}
          </Group>
          <p className={styles.quiet}>At most {countOf(looksLeft(range), 'look')} more.</p>
        </>
      )}
      <BackButtons words="Back one look" said={looks} onChange={setLooks} />
    </QuickCheck>
  );
}
