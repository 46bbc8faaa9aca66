import { deviceSteps } from '@/core/bringUp/deviceSteps';
import { notesOf, progressOf, stateOf, stoppedBy, type Said } from '@/core/bringUp/record';
import { STAGE_WORDS, type BringUpStep } from '@/core/bringUp/step';
import type { Plan } from '@/core/plan/planned';
import { useNote, useShow } from '../show/ShowProvider';
import styles from './phone.module.css';

/** A device brought up by itself, with one hand: the same steps as on the sheet of its props. */
export function FirstPowerUpPage({ plan, controller }: { plan: Plan; controller: number }) {
  const note = useNote();
  const facts = useShow((state) => state.facts);
  const steps = deviceSteps(plan, controller);
  const { done, all } = progressOf(facts, steps);
  const say = (step: BringUpStep, said: Said | null) => note(...notesOf(step, said));
  return (
    <>
      <p className={styles.count} role="status">
        {done} of {all} as planned
      </p>
      {steps.map((step) => {
        const state = stateOf(facts, step);
        const stop = stoppedBy(facts, steps, step);
        return (
          <section key={step.id} aria-label={step.name}>
            <h2 className={styles.group}>{STAGE_WORDS[step.stage]}</h2>
            <label className={styles.tick} data-done={state === 'asPlanned'}>
              <input
                type="checkbox"
                checked={state === 'asPlanned'}
                disabled={stop !== null}
                onChange={(event) => say(step, event.currentTarget.checked ? { seen: 'asPlanned' } : null)}
              />
              <span>
                {step.name}
                <small>{step.does}</small>
                <small>{step.expect}</small>
                {step.caution && <small>{step.caution}</small>}
                {stop && <small>Stop: {stop.name} was seen otherwise. Mend that first.</small>}
              </span>
            </label>
            {state !== 'asPlanned' && (
              <label className={styles.tick}>
                <input
                  type="checkbox"
                  checked={state === 'otherwise'}
                  onChange={(event) => say(step, event.currentTarget.checked ? { seen: 'otherwise' } : null)}
                />
                <span>
                  It is otherwise
                  {state === 'otherwise' && <small role="alert">{step.otherwise}</small>}
                </span>
              </label>
            )}
          </section>
        );
      })}
    </>
  );
}
