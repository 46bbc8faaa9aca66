'use client';

import { Button, Group, Progress } from '@mantine/core';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { priorRaises } from '@/core/diagnose/priorsNoted';
import { raisesOf, type Raise } from '@/core/diagnose/raised';
import type { SessionState, Told } from '@/core/diagnose/session';
import type { Plan } from '@/core/plan/planned';
import { kindOf, isPanelled } from '@/core/props/registry';
import type { Fault } from '@/core/rig/faults/registry';
import { digestOf } from '@/core/show/facts';
import { SIDES } from '@/core/threading/view';
import { countOf, groupDigits } from '@/core/units/number';
import { MaybeWholeField } from '@/ui/fields/fields';
import { Hint } from '@/ui/Panel';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useNote, useShow } from '../show/ShowProvider';
import { SideControl } from '../view/SideControl';
import { useView } from '../view/useView';
import { Opening } from '../sheets/Opening';
import { AnswerPicture } from './AnswerPicture';
import { BackButtons } from './BackButtons';
import { Described } from './Described';
import styles from './find.module.css';
import { useRig } from '../sending/useRig';
import { PriorsTable } from './PriorsTable';
import { SendTrial } from '../sending/SendTrial';
import { useSearch } from './useSearch';
import { useSeenBy } from './useSeenBy';
import { useNothingSentYet } from '../sending/useTest';
import { itemAt } from '@/core/units/there';
import { propAt, plannedAt, runAt, controllerAt } from '@/core/plan/records';
import { ownJson } from '@/core/fields/parseJson';

const percent = (share: number) => (share < 0.01 ? 'under 1 %' : `${Math.round(100 * share)} %`);
const same = (a: Fault, b: Fault) => {
  const entries = (of: Fault) => JSON.stringify(Object.entries(of).sort());
  return entries(a) === entries(b);
};

/** From what is seen to what is wrong: one question at a time, with the answers as pictures. */
export function FindSheet({ plan, prop }: { plan: Plan; prop: number }) {
  const of = propAt(plan, prop);
  const showId = useShow((state) => state.id);
  const [{ told, first }, setTold] = useSearch(showId, of.id);
  const facts = useShow((state) => state.facts);
  const findings = useShow((state) => state.findings);
  const weighed = JSON.stringify([...raisesOf(plan, facts, findings, prop), ...priorRaises(facts)]);
  // A note that weighs nothing starts no new search.
  const raises = useMemo(() => ownJson<Raise[]>(weighed), [weighed]);
  const asked = useMemo(() => ({ prop, told, first, raises }), [prop, told, first, raises]);
  const whys = [...new Set(raises.map(({ why }) => why))];
  useNothingSentYet();
  const note = useNote();
  const [by] = useSeenBy();
  const [part, setPart] = useState(0);
  const answer = useAnswer('diagnosis', asked, 0, setPart);
  // The question for fewer answers is not the next one.
  const state = answer?.toldCount === told.length ? answer : null;
  const sides = kindOf(of).sides ?? SIDES;
  const isOnPort = plan.runs.some((run) => run.prop === prop && run.wire !== null && run.pixelCount > 0);
  if (!isOnPort)
    return (
      <div className={sheets.sheet}>
        <h2>Find the fault</h2>
        <p className={sheets.empty}>
          {of.name} is on no port, so nothing of it can be tried. Put it on one in Patch first.
        </p>
      </div>
    );
  const say = (one: Told) => setTold([...told, one]);
  const [best] = state?.classes ?? [];
  /** The fault found is kept on the record of the prop, with the tests that told it. */
  const mend = (faults: readonly Fault[]) => {
    note({
      kind: 'test',
      list: 'props',
      recordId: of.id,
      field: `mended.${digestOf(faults)}`,
      value: {
        was: best?.ways.find((way) => way.faults === faults)?.sentences ?? [],
        tests: told.flatMap((each) => ('trial' in each ? [each.trial] : [])),
      },
      ...(by.trim() && { by: by.trim() }),
    });
    say({ mended: faults });
  };
  return (
    <div className={sheets.sheet}>
      <Group justify="space-between">
        <h2>Find the fault</h2>
        <SideControl sides={sides} />
      </Group>
      <p className={sheets.lead}>
        Say what you see of {of.name}, one test after another. Each question is the one that tells most for
        its effort; wrong answers are survived. Switch off before you touch a joint.
      </p>
      <div className={styles.columns}>
        <section aria-label="The question" className={styles.question}>
          {!state ? (
            <Working part={part} />
          ) : state.isSure || !state.next ? (
            <Found state={state} onMend={mend} />
          ) : (
            <Question plan={plan} prop={prop} state={state} next={state.next} onSay={say} />
          )}
          <BackButtons words="Back one step" said={told} onChange={setTold} />
        </section>
        <Suspects state={state} saidCount={told.length} whys={whys} />
      </div>
      <Opening words="How often things are the matter">
        <PriorsTable />
      </Opening>
    </div>
  );
}

/** The end of a search: what it is, and what to do now. */
function Found({ state, onMend }: { state: SessionState; onMend: (faults: readonly Fault[]) => void }) {
  const [setup, changeRig] = useRig();
  const [top] = state.classes;
  const against = top?.against ?? [];
  const isNothing = top?.ways.some(({ faults }) => faults.length === 0) ?? false;
  const mended = top?.ways.find(({ faults }) => faults.length > 0)?.faults ?? [];
  const onRig = setup.faults.filter((fault) =>
    top?.ways.some(({ faults }) => faults.some((each) => same(each, fault))),
  );
  return (
    <>
      <h3>{headingOf(state, isNothing)}</h3>
      {isNothing ? (
        <p role="status">
          {against.length > 0
            ? `It does not fit what was said of ${against.join(', ')}: look at that once more.`
            : `Everything that was tried is as planned${state.isAfterMending ? ': what was mended is mended.' : '.'}`}
        </p>
      ) : (
        <>
          <ul className={styles.named} role="status">
            {top!.ways.slice(0, 4).map(({ sentences, faults }) => (
              <li key={sentences.join()}>
                {sentences.join(' ')}{' '}
                {top!.ways.length > 1 && (
                  <Button size="compact-sm" variant="default" onClick={() => onMend(faults)}>
                    It was this one: mended
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {top!.ways.length > 1 && (
            <Hint>
              Nothing that can be tried from here tells these apart: swap the part for another, or measure
              there.
            </Hint>
          )}
          {against.length > 0 && (
            <Hint>It does not explain what was said of {against.join(', ')}: look at that once more.</Hint>
          )}
          <Group>
            {top!.ways.length === 1 && (
              <Button onClick={() => onMend(mended)}>It is mended: what now?</Button>
            )}
            {onRig.length > 0 && (
              <Button
                variant="default"
                onClick={() => {
                  changeRig({ faults: setup.faults.filter((fault) => !onRig.includes(fault)) });
                  onMend(mended);
                }}
              >
                Mend it on the simulator
              </Button>
            )}
          </Group>
        </>
      )}
    </>
  );
}

interface QuestionProps {
  plan: Plan;
  prop: number;
  state: SessionState;
  next: NonNullable<SessionState['next']>;
  onSay: (one: Told) => void;
}

/** The trial that tells most, with what may be seen then. */
function Question({ plan, prop, state, next, onSay: say }: QuestionProps) {
  const [setup] = useRig();
  const { side } = useView();
  const { trial } = next;
  return (
    <>
      <h3>{trial.name}</h3>
      <p>{trial.says}</p>
      <p className={styles.quiet}>
        It tells most of what is left: {next.bits.toFixed(1)} of{' '}
        {Math.log2(Math.max(2, state.thoughtOf)).toFixed(0)} bits. It cannot show {trial.blindTo}.
      </p>
      <ul className={styles.answers} aria-label="What do you see">
        {next.answers.map((each) => (
          <li key={each.sentences.join() || 'planned'}>
            <button
              type="button"
              className={styles.answer}
              onClick={() => say({ trial: trial.id, looksLike: each.faults })}
            >
              {trial.how !== 'look' && (
                <AnswerPicture plan={plan} prop={prop} seen={each.seen} isBack={side === 'back'} />
              )}
              <span>{each.words}</span>
              {!each.isAsPlanned && trial.how !== 'look' && (
                <span className={styles.quiet}>{each.sentences.join(' ')}</span>
              )}
            </button>
          </li>
        ))}
      </ul>
      {next.more > 0 && <Hint>{groupDigits(next.more)} more that are less likely are not shown.</Hint>}
      {next.isStill && (
        <Described
          key={trial.id}
          count={plannedAt(plan, prop).pixelCount}
          onSay={(described) => say({ trial: trial.id, described })}
        />
      )}
      {next.planned && (
        <DarkFrom
          plan={plan}
          prop={prop}
          seen={next.planned}
          isBack={side === 'back'}
          onSay={(fault) => say({ trial: trial.id, looksLike: [fault], isOther: true })}
        />
      )}
      {trial.how === 'sent' && (
        <SendTrial plan={plan} prop={prop} step={{ trial: trial.id, percent: null }} />
      )}
      <Group>
        <Button variant="default" onClick={() => say({ trial: trial.id, cantTell: true })}>
          I can’t tell
        </Button>
        <Button variant="default" onClick={() => say({ trial: trial.id, byRig: setup })}>
          Answer from the simulator
        </Button>
      </Group>
    </>
  );
}

interface SuspectsProps {
  /** Null while it is being worked out. */
  state: SessionState | null;
  saidCount: number;
  whys: readonly string[];
}

/** Everything that it may be, the likeliest first. */
function Suspects({ state, saidCount, whys }: SuspectsProps) {
  return (
    <section aria-label="Suspects" className={styles.suspects}>
      <h3>Suspects</h3>
      <ol>
        {state?.classes.map(({ share, ways, against: own }) => (
          <li key={ways.map(({ sentences }) => sentences.join()).join()}>
            <span className={styles.share}>
              <span>{itemAt(ways, 0).sentences.join(' ') || 'Nothing: all as planned'}</span>
              <output className="mono">{percent(share)}</output>
            </span>
            <span className={styles.bar}>
              <span style={{ width: `${100 * share}%` }} />
            </span>
            {state.evidenceCount > 0 && (
              <span className={styles.quiet}>
                {state.evidenceCount - own.length} of {countOf(state.evidenceCount, 'answer')} fit
                {own.length > 0 ? `; not ${own.join(', ')}` : ''}
                {'. '}
              </span>
            )}
            {ways.length > 1 && (
              <span className={styles.quiet}>{countOf(ways.length - 1, 'other cause')} look the same</span>
            )}
          </li>
        ))}
      </ol>
      <p className={styles.quiet}>
        {state ? `${groupDigits(state.thoughtOf)} causes are considered. ` : ''}
        {countOf(saidCount, 'answer')} so far.
      </p>
      {whys.length > 0 && (
        <>
          <p className={styles.quiet}>Weighed by what the show says:</p>
          <ul className={styles.whys}>
            {whys.map((why) => (
              <li key={why}>{why}</li>
            ))}
          </ul>
        </>
      )}
      <p className={styles.quiet}>
        <Link href="/practice">Practise on displays with hidden faults</Link>
      </p>
    </section>
  );
}

/** Long work shows its progress. */
function Working({ part }: { part: number }) {
  return (
    <div className={styles.working}>
      <p role="status">Working out what to ask…</p>
      {part > 0 && <Progress value={100 * part} size="sm" aria-label="How much is worked out" />}
    </div>
  );
}

/** Only what is sure is said to be so; where nothing tells more, the likeliest is told as such. */
function headingOf({ isSure, classes }: SessionState, isNothing: boolean): string {
  const against = classes[0]?.against ?? [];
  if (isNothing) return isSure && against.length === 0 ? 'Nothing is the matter' : 'Nothing more shows';
  return isSure ? 'This is the matter' : 'The likeliest, as far as can be told';
}

/** A wire that is lit up to a place: where it goes dark is tapped, or typed. */
function DarkFrom({
  plan,
  prop,
  seen,
  isBack,
  onSay,
}: {
  plan: Plan;
  prop: number;
  seen: Uint8Array;
  isBack: boolean;
  onSay: (fault: Fault) => void;
}) {
  const [isOpen, setIsOpen] = useState(false);
  const { firstPixel, pixelCount } = plannedAt(plan, prop);
  const say = (light: number) => {
    const run = runAt(plan, plan.pixels.run[firstPixel + light]!);
    if (!run.wire) return;
    onSay({
      kind: 'brokenJoint',
      controllerId: controllerAt(plan, run.wire.controller).id,
      port: run.wire.port,
      place: run.wire.firstPlace + firstPixel + light - run.firstPixel,
    });
  };
  if (isPanelled(propAt(plan, prop))) return null;
  if (!isOpen)
    return (
      <Group>
        <Button variant="default" onClick={() => setIsOpen(true)}>
          Lit up to a place, dark behind it…
        </Button>
      </Group>
    );
  return (
    <div className={styles.darkFrom}>
      <AnswerPicture plan={plan} prop={prop} seen={seen} isBack={isBack} onTap={say} />
      <MaybeWholeField
        label="Tap the first dark light, or type its number"
        description={`From 1 to ${groupDigits(pixelCount)}, in the order of the data`}
        what="The first dark light"
        least={1}
        most={pixelCount}
        value={null}
        onCommit={(number) => {
          if (number !== null) say(number - 1);
        }}
      />
    </div>
  );
}
