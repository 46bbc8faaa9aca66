'use client';

import { useMemo } from 'react';
import { bringUpOf } from '@/core/bringUp/bringUp';
import { nextStep, progressOf } from '@/core/bringUp/record';
import type { Plan } from '@/core/plan/planned';
import sheets from '../sheets/sheets.module.css';
import { useShow } from '../show/ShowProvider';
import { useGoTo } from '../view/useView';
import styles from './firstPowerUp.module.css';

/** Progress of every prop of the show, and the next step of each. */
export function FirstPowerUpOverview({ plan }: { plan: Plan }) {
  const facts = useShow((state) => state.facts);
  const goTo = useGoTo();
  const lists = useMemo(
    () =>
      plan.show.props.flatMap((of, prop) =>
        plan.runs.some((run) => run.prop === prop && run.wire !== null && run.pixelCount > 0)
          ? [{ of, steps: bringUpOf(plan, prop) }]
          : [],
      ),
    [plan],
  );
  if (lists.length === 0)
    return (
      <div className={sheets.sheet}>
        <h2>First power-up</h2>
        <p className={sheets.empty}>
          Nothing is on a port yet. Put a prop on one in Patch, and its steps stand here.
        </p>
      </div>
    );
  return (
    <div className={sheets.sheet}>
      <h2>First power-up</h2>
      <p className={sheets.lead}>
        One prop after another, from the first plug to full light. The steps of a device count for every prop
        on it.
      </p>
      <ul className={styles.overview}>
        {lists.map(({ of, steps }) => {
          const { done, all, isWrong, isAgain } = progressOf(facts, steps);
          const next = nextStep(facts, steps);
          return (
            <li key={of.id}>
              <button
                type="button"
                onClick={() => goTo({ subject: { kind: 'prop', propId: of.id }, sheet: 'first-power-up' })}
              >
                <strong>{of.name}</strong>
                <span className="mono">
                  {done} of {all}
                </span>
                <span className={styles.bar}>
                  <span style={{ width: `${(100 * done) / all}%` }} data-wrong={isWrong} />
                </span>
                <span className={styles.quiet}>
                  {next === null
                    ? 'All as planned'
                    : `${isWrong ? 'Seen otherwise' : isAgain ? 'To be done again' : 'Next'}: ${next.name}`}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
