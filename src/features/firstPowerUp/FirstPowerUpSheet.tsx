'use client';

import { Button, Group, Select, TextInput } from '@mantine/core';
import { useMemo, useRef, useState } from 'react';
import { bringUpOf } from '@/core/bringUp/bringUp';
import {
  nextStep,
  notesOf,
  progressOf,
  readsAsPlanned,
  seenOf,
  stateOf,
  stoppedBy,
  type Said,
  type StepState,
} from '@/core/bringUp/record';
import { BRING_UP_STAGES, STAGE_WORDS, type BringUpStep } from '@/core/bringUp/step';
import type { Plan } from '@/core/plan/planned';
import { kindOf } from '@/core/props/registry';
import { SIDES } from '@/core/threading/view';
import type { Parsed } from '@/core/units/length';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Hint } from '@/ui/Panel';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useNote, useShow } from '../show/ShowProvider';
import { SideControl } from '../view/SideControl';
import { useGoTo, useView } from '../view/useView';
import { AnswerPicture } from '../finding/AnswerPicture';
import styles from './firstPowerUp.module.css';
import { SendTrial } from '../sending/SendTrial';
import { beginSearch } from '../finding/useSearch';
import { useSeenBy } from '../finding/useSeenBy';
import { useNothingSentYet } from '../sending/useTest';
import { itemAt } from '@/core/units/there';
import { propAt } from '@/core/plan/records';

const STATE_WORDS: Record<StepState, string> = {
  open: 'open',
  asPlanned: 'as planned',
  otherwise: 'seen otherwise',
  again: 'to be done again: it was checked with other values',
};
const STATE_SIGNS: Record<StepState, string> = { open: '○', asPlanned: '✓', otherwise: '✕', again: '↻' };

/** The list is longer than its window; the page itself stays where it is. */
function inView(element: HTMLElement | null): void {
  const list = element?.closest('nav');
  if (!element || !list || list.scrollHeight <= list.clientHeight) return;
  const [top, above] = [element.getBoundingClientRect().top, list.getBoundingClientRect().top];
  if (top < above || top + element.offsetHeight > above + list.clientHeight)
    list.scrollTop += top - above - list.clientHeight / 3;
}

const keyOf = ({ thing, id }: BringUpStep) => `${thing.list} ${thing.recordId} ${id}`;

/** A prop and its devices brought up step by step: what is done, what is to be seen, and what it means where it is otherwise. */
export function FirstPowerUpSheet({ plan, prop }: { plan: Plan; prop: number }) {
  const facts = useShow((state) => state.facts);
  const note = useNote();
  const [by, setBy] = useSeenBy();
  const [chosen, setChosen] = useState<string | null>(null);
  const heading = useRef<HTMLHeadingElement>(null);
  useNothingSentYet();
  const steps = useMemo(() => bringUpOf(plan, prop), [plan, prop]);
  const of = propAt(plan, prop);
  const progress = progressOf(facts, steps);
  const next = nextStep(facts, steps);
  const step = steps.find((each) => keyOf(each) === chosen) ?? next ?? itemAt(steps, 0);
  const isOnPort = plan.runs.some((run) => run.prop === prop && run.wire !== null && run.pixelCount > 0);
  if (!isOnPort)
    return (
      <div className={sheets.sheet}>
        <h2>First power-up</h2>
        <p className={sheets.empty}>
          {of.name} is on no port yet. Put it on one in Patch, and its steps stand here.
        </p>
      </div>
    );
  const say = (seen: Said | null) => {
    note(...notesOf(step, seen, by.trim() || undefined));
    const after = steps[steps.indexOf(step) + 1];
    // A bad result stays in view: it says what to do.
    if (seen?.seen === 'asPlanned' && after) setChosen(keyOf(after));
    else setChosen(keyOf(step));
    heading.current?.focus();
  };
  return (
    <div className={sheets.sheet}>
      <div className={styles.top}>
        <div>
          <h2>First power-up</h2>
          <p role="status" className={styles.progress}>
            {progress.done} of {progress.all} as planned
            {progress.isWrong ? ' · something was seen otherwise' : ''}
            {progress.isAgain ? ' · something changed since it was checked' : ''}
          </p>
        </div>
        <TextInput
          size="xs"
          label="Seen by"
          placeholder="your name, kept with what you see"
          value={by}
          onChange={(event) => setBy(event.currentTarget.value)}
        />
      </div>
      <div className={styles.columns}>
        <nav aria-label="Steps" className={styles.steps}>
          {BRING_UP_STAGES.map((stage) => {
            const own = steps.filter((each) => each.stage === stage);
            if (own.length === 0) return null;
            return (
              <section key={stage} aria-label={STAGE_WORDS[stage]}>
                <h3>{STAGE_WORDS[stage]}</h3>
                <ol>
                  {own.map((each) => {
                    const state = stateOf(facts, each);
                    return (
                      <li key={keyOf(each)}>
                        <button
                          type="button"
                          data-state={state}
                          aria-current={each === step ? 'step' : undefined}
                          ref={each === step ? inView : undefined}
                          onClick={() => setChosen(keyOf(each))}
                        >
                          <span aria-hidden>{STATE_SIGNS[state]}</span>
                          <span>
                            {each.name}
                            <span className={styles.hidden}>, {STATE_WORDS[state]}</span>
                          </span>
                        </button>
                      </li>
                    );
                  })}
                </ol>
              </section>
            );
          })}
        </nav>
        <OneStep
          key={keyOf(step)}
          plan={plan}
          prop={prop}
          step={step}
          steps={steps}
          headingRef={heading}
          onSay={say}
          onChoose={(other) => setChosen(keyOf(other))}
        />
      </div>
    </div>
  );
}

interface OneStepProps {
  plan: Plan;
  prop: number;
  step: BringUpStep;
  steps: readonly BringUpStep[];
  headingRef: React.RefObject<HTMLHeadingElement | null>;
  onSay: (seen: Said | null) => void;
  onChoose: (step: BringUpStep) => void;
}

function OneStep({ plan, prop, step, steps, headingRef, onSay, onChoose }: OneStepProps) {
  const facts = useShow((state) => state.facts);
  const showId = useShow((state) => state.id);
  const goTo = useGoTo();
  const { side } = useView();
  const [words, setWords] = useState('');
  const [lead, setLead] = useState<string | null>(null);
  const of = propAt(plan, prop);
  const state = stateOf(facts, step);
  const seen = seenOf(facts, step);
  const stop = stoppedBy(facts, steps, step);
  const at = steps.indexOf(step);
  const findFrom = () => {
    beginSearch(showId, of.id, {
      told: steps.flatMap((each) =>
        each.trial && each !== step && stateOf(facts, each) === 'asPlanned'
          ? [{ trial: each.trial, looksLike: [] }]
          : [],
      ),
      first: step.trial,
    });
    goTo({ sheet: 'find' });
  };
  return (
    <section aria-label="The step" className={styles.step}>
      <p className={styles.quiet}>
        Step {at + 1} of {steps.length} · {STAGE_WORDS[step.stage]}
        {step.isStop ? ' · stop point: nothing after it until it is right' : ''}
      </p>
      <h3 ref={headingRef} tabIndex={-1}>
        {step.name}
      </h3>
      {step.caution && <p className={sheets.note}>{step.caution}</p>}
      {stop && (
        <p className={sheets.wrong} role="alert">
          Stop: {stop.name} was seen otherwise than planned. Mend that first.{' '}
          <Button size="compact-sm" variant="default" onClick={() => onChoose(stop)}>
            To that step
          </Button>
        </p>
      )}
      {state === 'otherwise' && (
        <div className={styles.otherwise}>
          <h4>What it means</h4>
          <p>{step.otherwise}</p>
          <Group>
            {step.trial && (
              <Button variant="default" onClick={findFrom}>
                Find the fault from here
              </Button>
            )}
          </Group>
        </div>
      )}
      <p>{step.does}</p>
      <div className={styles.expect}>
        <div>
          <h4>What is to be seen</h4>
          <p>{step.expect}</p>
        </div>
        {step.picture && (
          <div className={styles.picture}>
            <SideControl sides={kindOf(of).sides ?? SIDES} />
            <Expected plan={plan} prop={prop} step={step} isBack={side === 'back'} />
          </div>
        )}
      </div>
      <Noted step={step} state={state} seen={seen} />
      {step.volts ? (
        <ParsedField
          label="Volts that are read, plus against ground"
          description={`Below zero where plus and ground are exchanged; ${step.volts.least.toFixed(2)} to ${step.volts.most.toFixed(2)} V is as planned`}
          className={styles.reading}
          inputMode="decimal"
          value={seen?.value.volts ?? null}
          format={(volts: number | null) => (volts === null ? '' : `${volts} V`)}
          parse={voltsOf}
          onCommit={(volts) => {
            if (volts !== null)
              onSay({ seen: readsAsPlanned(step, volts) ? 'asPlanned' : 'otherwise', volts });
          }}
        />
      ) : (
        <Group>
          <Button disabled={stop !== null} onClick={() => onSay({ seen: 'asPlanned' })}>
            As planned
          </Button>
          <Button
            variant="default"
            onClick={() =>
              onSay({
                seen: 'otherwise',
                ...(words.trim() && { words: words.trim() }),
                ...(lead && { leadId: lead }),
              })
            }
          >
            It is otherwise
          </Button>
        </Group>
      )}
      {step.leads.length > 0 && state !== 'asPlanned' && (
        <Select
          size="xs"
          label="Which lead is it?"
          description="Kept against it when you press “It is otherwise”"
          placeholder="none of them"
          clearable
          data={step.leads.map(({ id, name }) => ({ value: id, label: name }))}
          value={lead}
          onChange={setLead}
        />
      )}
      {step.picture && step.picture.by !== 'dark' && <SendTrial plan={plan} prop={prop} step={step} />}
      {!step.volts && state !== 'asPlanned' && (
        <TextInput
          size="xs"
          label="What you saw, in your words"
          description="Kept when you press “It is otherwise”"
          value={words}
          maxLength={300}
          onChange={(event) => setWords(event.currentTarget.value)}
        />
      )}
      <Group>
        {seen !== null || state === 'asPlanned' ? (
          <Button size="compact-sm" variant="subtle" color="gray" onClick={() => onSay(null)}>
            Take back what was noted
          </Button>
        ) : null}
        {at + 1 < steps.length && (
          <Button
            size="compact-sm"
            variant="subtle"
            color="gray"
            onClick={() => onChoose(itemAt(steps, at + 1))}
          >
            Look at the next step
          </Button>
        )}
      </Group>
    </section>
  );
}

/** The picture that is to be seen. */
function Expected({
  plan,
  prop,
  step,
  isBack,
}: {
  plan: Plan;
  prop: number;
  step: BringUpStep;
  isBack: boolean;
}) {
  const { picture } = step;
  const asked = useMemo(() => ({ prop, picture: picture! }), [prop, picture]);
  const seen = useAnswer('expected', asked);
  if (!seen) return <p role="status">Drawing what is to be seen…</p>;
  return <AnswerPicture plan={plan} prop={prop} seen={seen} isBack={isBack} />;
}

/** The person, the result and the time. */
function Noted({
  step,
  state,
  seen,
}: {
  step: BringUpStep;
  state: StepState;
  seen: ReturnType<typeof seenOf>;
}) {
  if (!seen)
    return state === 'asPlanned' && step.deviceStep ? (
      <Hint>It is ticked on the sheets of the device.</Hint>
    ) : null;
  const { value, fact } = seen;
  const when = new Date(fact.at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <p className={styles.noted} data-state={state}>
      <span aria-hidden>{STATE_SIGNS[state]}</span> {STATE_WORDS[state]}
      {value.volts !== undefined ? `, ${value.volts} V` : ''}
      {value.words ? `, “${value.words}”` : ''} · {fact.by ? `${fact.by}, ` : ''}
      {when}
    </p>
  );
}

function voltsOf(text: string): Parsed<number | null> {
  const trimmed = text
    .trim()
    .replace(',', '.')
    .replace(/\s*v(olts?)?$/i, '');
  if (trimmed === '') return { ok: true, value: null };
  const volts = Number(trimmed);
  return Number.isFinite(volts) && Math.abs(volts) <= 600
    ? { ok: true, value: volts }
    : { ok: false, message: `Volts from -600 to 600, such as 11.9 V; “${text.trim()}” is not.` };
}
