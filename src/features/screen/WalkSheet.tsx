'use client';

import { Button, Group, SegmentedControl, Switch } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { BAND_WORDS } from '@/core/patterns/pattern';
import type { Plan } from '@/core/plan/planned';
import type { PropOf } from '@/core/props/registry';
import { framePieces, withoutCounts } from '@/core/screens/frame';
import { asWalked, fromBack, type Seen, type WalkCandidate } from '@/core/screens/indexWalk';
import { seenByLight } from '@/core/answers/screenSeen';
import type { ScreenShape } from '@/core/screens/shape';
import { startWords } from '@/core/screens/sides';
import type { TestAsked } from '@/core/rig/testLight';
import { countOf, groupDigits } from '@/core/units/number';
import { Hint } from '@/ui/Panel';
import {
  startScreenLights,
  type ScreenLights,
  type WalkAnswer,
  type WalkStep,
} from '@/workers/screen/screenLights';
import { useRig } from '../sending/useRig';
import { useTest } from '../sending/useTest';
import sheets from '../sheets/sheets.module.css';
import { useAnswer, useEdit } from '../show/ShowProvider';
import { ScreenDrawing } from './ScreenDrawing';
import styles from './screen.module.css';
import { WalkBench } from './WalkBench';
import { WalkPicture } from './WalkPicture';
import { plannedAt } from '@/core/plan/records';
import { ownJson } from '@/core/fields/parseJson';

const SEEN: readonly Seen[] = ['top', 'right', 'bottom', 'left', 'dark'];
/** First ones that may be hidden, where somebody says so. */
const MOST_HIDDEN = 3;

/** Finds how the strip is really wired, from where a few lit indices are seen. */
export function WalkSheet({ plan, index, prop }: { plan: Plan; index: number; prop: PropOf<'screen'> }) {
  const { shape, name, id } = prop;
  const edit = useEdit();
  const lights = useRef<ScreenLights | null>(null);
  const [answers, setAnswers] = useState<readonly WalkAnswer[]>([]);
  const [mostHidden, setMostHidden] = useState(0);
  const [isBehind, setIsBehind] = useState(false);
  const goes = useTest((test) => test.goes);
  const [known, setKnown] = useState<{ key: string; step: WalkStep } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [seen, setSeen] = useState<readonly (Seen | null)[]>([]);

  useEffect(() => {
    const started = startScreenLights();
    lights.current = started;
    return () => started.stop();
  }, []);
  // The walk is through the frame as planned: its own results must not change its question.
  const planned = JSON.stringify(withoutCounts(shape));
  // Tests from here end where the run ends; somebody's own program lights pixels as it likes.
  const litBelow = goes === 'preview' ? null : plannedAt(plan, index).pixelCount;
  const key = JSON.stringify([planned, mostHidden, litBelow, answers]);
  const step = known?.key === key ? known.step : null;
  useEffect(() => {
    let isOver = false;
    lights.current
      ?.walk({ shape: ownJson<ScreenShape>(planned), mostHidden, litBelow }, answers)
      .then((next) => {
        if (isOver) return;
        setKnown({ key, step: next });
        setSeen((next.next ?? []).map(() => null));
      })
      .catch((error: Error) => isOver || setProblem(error.message));
    return () => {
      isOver = true;
    };
  }, [key, planned, mostHidden, litBelow, answers]);

  const answer = () => {
    const told = seen.map((each) => (isBehind ? fromBack(each!) : each!));
    const indices = step?.next;
    if (indices)
      setAnswers([...(step.isImpossible ? answers.slice(0, -1) : answers), { indices, seen: told }]);
  };
  const use = (found: WalkCandidate) => edit({ type: 'setShape', propId: id, shape: asWalked(shape, found) });
  const rigSees = useRigAnswer(plan, index, prop, step?.next ?? null);
  return (
    <div className={sheets.sheet}>
      <h2>Index walk</h2>
      <p className={sheets.lead}>
        Where does the strip begin, which way does it go, and how many lights are on each side? Light the
        indices below, each in its colour, and say where they are seen. A few looks are enough.
      </p>
      <Group gap={24} mb={14}>
        <Switch
          label="I stand behind the screen"
          checked={isBehind}
          onChange={(event) => setIsBehind(event.currentTarget.checked)}
        />
        <Switch
          label="Some first ones may be hidden"
          checked={mostHidden > 0}
          onChange={(event) => {
            setAnswers([]);
            setMostHidden(event.currentTarget.checked ? MOST_HIDDEN : 0);
          }}
        />
        {answers.length > 0 && (
          <>
            <Button variant="default" size="compact-sm" onClick={() => setAnswers(answers.slice(0, -1))}>
              Back one look
            </Button>
            <Button variant="subtle" color="gray" size="compact-sm" onClick={() => setAnswers([])}>
              From the beginning
            </Button>
          </>
        )}
      </Group>
      <WalkBench propId={id} places={step?.next ?? null} />
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      {!step ? (
        <p role="status">Working out what to light…</p>
      ) : (
        <>
          {step.isImpossible && (
            <p role="alert" className={styles.problem}>
              No way of wiring with these counts shows that. Look once more at the last ones; if it is right,
              say on the left side of Build how many lights there are first.
            </p>
          )}
          {step.next ? (
            <Look
              step={step}
              places={step.next}
              number={answers.length + (step.isImpossible ? 0 : 1)}
              seen={seen}
              onSeen={setSeen}
              isBehind={isBehind}
              rigSees={goes === 'rig' ? rigSees : undefined}
              onAnswer={answer}
            />
          ) : (
            <Found
              name={name}
              shape={ownJson<ScreenShape>(planned)}
              found={step.found}
              isBounded={litBelow !== null}
              looks={answers.length}
              onUse={use}
            />
          )}
        </>
      )}
      <Hint>
        Right and left are as you stand. The numbers count every light of the wire from 0, hidden ones too.
      </Hint>
    </div>
  );
}

interface LookProps {
  step: WalkStep;
  /** Indices that are lit. */
  places: readonly number[];
  /** From 1, counted over all looks. */
  number: number;
  seen: readonly (Seen | null)[];
  onSeen: (seen: readonly (Seen | null)[]) => void;
  isBehind: boolean;
  /** The answer of the simulator; null while it is worked out, undefined where nothing is sent to it. */
  rigSees: readonly Seen[] | null | undefined;
  onAnswer: () => void;
}

/** One look at the screen: where each index that is lit is seen. */
function Look({ step, places, number, seen, onSeen, isBehind, rigSees, onAnswer }: LookProps) {
  return (
    <>
      <p className={styles.told} role="status">
        Look {number}: {groupDigits(step.left)} ways are left.
      </p>
      <div className={styles.beside}>
        <ul className={styles.looks} aria-label="Where is each seen">
          {places.map((place, i) => (
            <li key={place}>
              <span>
                Index <b className="mono">{place}</b>, {BAND_WORDS[i]}
              </span>
              <SegmentedControl
                size="xs"
                aria-label={`Index ${place} is seen at`}
                value={seen[i] ?? ''}
                onChange={(value) => onSeen(seen.map((each, at) => (at === i ? (value as Seen) : each)))}
                data={SEEN.map((value) => ({ value, label: value === 'dark' ? 'not lit' : value }))}
              />
            </li>
          ))}
        </ul>
        <WalkPicture seen={seen} side={isBehind ? 'back' : 'front'} />
      </div>
      <Group>
        <Button disabled={seen.length === 0 || seen.some((each) => each === null)} onClick={onAnswer}>
          That is what I see
        </Button>
        {rigSees !== undefined && (
          <Button
            variant="default"
            disabled={!rigSees}
            onClick={() => rigSees && onSeen(isBehind ? rigSees.map(fromBack) : rigSees)}
          >
            Look at the simulator
          </Button>
        )}
      </Group>
    </>
  );
}

/** Sides of the marked pixels on the simulator, seen from the front; null while they are worked out, or nothing is marked. */
function useRigAnswer(
  plan: Plan,
  index: number,
  { id, shape }: PropOf<'screen'>,
  places: readonly number[] | null,
): Seen[] | null {
  const [setup] = useRig();
  const asked = useMemo(
    () =>
      ({
        prop: index,
        on: { on: 'pixels', propId: id, places: [...(places ?? [0])] },
        pattern: 'marks',
        isOwnTest: false,
        isAfterCut: false,
        level: 0.3,
        colour: [0, 0, 0, 0],
        timeS: 0,
        step: null,
        frame: 0,
        setup,
      }) satisfies TestAsked,
    [index, id, places, setup],
  );
  const light = useAnswer('test', asked);
  if (!places || light?.seen.length !== 4 * plannedAt(plan, index).pixelCount) return null;
  return seenByLight(shape, light.seen, places.length);
}

function Found({
  name,
  shape,
  found,
  isBounded,
  looks,
  onUse,
}: {
  name: string;
  shape: ScreenShape;
  found: readonly WalkCandidate[];
  /** Nothing behind the end of the run could be lit. */
  isBounded: boolean;
  looks: number;
  onUse: (found: WalkCandidate) => void;
}) {
  const [first] = found;
  if (!first) return null;
  const pieces = framePieces(shape);
  const words = (each: WalkCandidate) =>
    `begins at ${startWords(each.start)}${each.startOffset > 0 ? ` and ${each.startOffset} further on` : ''} and goes ${
      each.direction === 'clockwise' ? 'clockwise' : 'counter-clockwise'
    }, seen from the front${
      each.hiddenFirst > 0 ? `, behind ${countOf(each.hiddenFirst, 'hidden light')}` : ''
    }: ${pieces.map((piece, i) => `${piece.words} ${each.counts[i]}`).join('; ')}.`;
  return (
    <div className={styles.beside}>
      <div>
        <p role="status">
          Found in {countOf(looks, 'look')}: {name} {words(first)}
        </p>
        <Button onClick={() => onUse(first)}>Use it</Button>
        {found.length > 1 && (
          <>
            <p className={styles.told}>
              {isBounded
                ? 'These show the same on every light of the run. If there are more lights than planned, give the run an unused tail of some pixels and walk again; else:'
                : 'These show the same on every index:'}
            </p>
            <ul className={styles.plain}>
              {found.slice(1).map((each) => (
                <li key={JSON.stringify(each)}>
                  It {words(each)}{' '}
                  <Button size="compact-xs" variant="default" onClick={() => onUse(each)}>
                    Use this one
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <ScreenDrawing shape={asWalked(shape, first)} numbers={null} />
    </div>
  );
}
