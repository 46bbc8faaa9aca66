'use client';

import { Button, Group, SegmentedControl, Switch } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { PropOf } from '@/core/props/registry';
import { framePieces, PIECE_WORDS, type ScreenShape } from '@/core/screens/frame';
import { fromBack, type Seen, type WalkCandidate } from '@/core/screens/indexWalk';
import { countOf, groupDigits } from '@/core/units/number';
import { Hint } from '@/ui/Panel';
import { startScreenLights, type ScreenLights, type WalkStep } from '@/workers/screen/screenLights';
import sheets from '../sheets/sheets.module.css';
import { useEdit } from '../show/ShowProvider';
import { ScreenDrawing } from './ScreenDrawing';
import styles from './screen.module.css';

/** In which indices are lit at once, told apart by brightness too. */
const COLOURS = ['red', 'green', 'blue', 'white', 'amber', 'violet'] as const;
const SEEN: readonly Seen[] = ['top', 'right', 'bottom', 'left', 'dark'];

/** Finds how the strip is really wired, from where a few lit indices are seen. */
export function WalkSheet({ prop }: { prop: PropOf<'screen'> }) {
  const { shape, name, id } = prop;
  const edit = useEdit();
  const lights = useRef<ScreenLights | null>(null);
  const [answers, setAnswers] = useState<readonly (readonly Seen[])[]>([]);
  const [mostHidden, setMostHidden] = useState(0);
  const [isBehind, setIsBehind] = useState(false);
  const [known, setKnown] = useState<{ key: string; step: WalkStep } | null>(null);
  const [seen, setSeen] = useState<readonly (Seen | null)[]>([]);

  useEffect(() => {
    const started = startScreenLights();
    lights.current = started;
    return () => started.stop();
  }, []);
  // What is walked is the frame as it is planned: what the walk finds must not change its own question.
  const planned = JSON.stringify({ ...shape, installed: undefined });
  const key = JSON.stringify([planned, mostHidden, answers]);
  const step = known?.key === key ? known.step : null;
  useEffect(() => {
    let isOver = false;
    void lights.current?.walk(JSON.parse(planned) as ScreenShape, mostHidden, answers).then((next) => {
      if (isOver) return;
      setKnown({ key, step: next });
      setSeen((next.next ?? []).map(() => null));
    });
    return () => {
      isOver = true;
    };
  }, [key, planned, mostHidden, answers]);

  const answer = () => {
    const told = seen.map((each) => (isBehind ? fromBack(each!) : each!));
    setAnswers([...(step?.isImpossible ? answers.slice(0, -1) : answers), told]);
  };
  const use = (found: WalkCandidate) => {
    const pieces = framePieces(JSON.parse(planned) as ScreenShape);
    const installed = Object.fromEntries(
      pieces.flatMap(({ name: piece, planned: want }, i) =>
        found.counts[i] === want ? [] : [[piece, found.counts[i]!]],
      ),
    );
    const { installed: _, ...rest } = shape;
    edit({
      type: 'setShape',
      propId: id,
      shape: {
        ...rest,
        start: found.start,
        startOffset: 0,
        direction: found.direction,
        hiddenFirst: found.hiddenFirst,
        ...(Object.keys(installed).length > 0 && { installed }),
      },
    });
  };
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
            setMostHidden(event.currentTarget.checked ? 3 : 0);
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
            <>
              <p className={styles.told} role="status">
                Look {answers.length + (step.isImpossible ? 0 : 1)}: {groupDigits(step.left)} ways are left.
              </p>
              <ul className={styles.looks} aria-label="Where is each seen">
                {step.next.map((index, i) => (
                  <li key={index}>
                    <span>
                      Index <b className="mono">{index}</b>, {COLOURS[i]}
                    </span>
                    <SegmentedControl
                      size="xs"
                      aria-label={`Index ${index} is seen at`}
                      value={seen[i] ?? ''}
                      onChange={(value) =>
                        setSeen(seen.map((each, at) => (at === i ? (value as Seen) : each)))
                      }
                      data={SEEN.map((value) => ({ value, label: value === 'dark' ? 'not lit' : value }))}
                    />
                  </li>
                ))}
              </ul>
              <Button disabled={seen.length === 0 || seen.some((each) => each === null)} onClick={answer}>
                That is what I see
              </Button>
            </>
          ) : (
            <Found
              name={name}
              shape={JSON.parse(planned) as ScreenShape}
              found={step.found}
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

function Found({
  name,
  shape,
  found,
  looks,
  onUse,
}: {
  name: string;
  shape: ScreenShape;
  found: readonly WalkCandidate[];
  looks: number;
  onUse: (found: WalkCandidate) => void;
}) {
  const [first] = found;
  if (!first) return null;
  const pieces = framePieces(shape);
  const installed = Object.fromEntries(pieces.map(({ name: piece }, i) => [piece, first.counts[i]!]));
  const wired: ScreenShape = {
    ...shape,
    start: first.start,
    startOffset: 0,
    direction: first.direction,
    hiddenFirst: first.hiddenFirst,
    installed,
  };
  return (
    <div className={styles.beside}>
      <div>
        <p role="status">
          Found in {countOf(looks, 'look')}: {name} begins at{' '}
          {first.start.replace(/[A-Z]/, (letter) => ` ${letter.toLowerCase()}`)} and goes{' '}
          {first.direction === 'clockwise' ? 'clockwise' : 'counter-clockwise'}, seen from the front
          {first.hiddenFirst > 0 && `, behind ${countOf(first.hiddenFirst, 'hidden light')}`}:{' '}
          {pieces.map(({ name: piece }, i) => `${PIECE_WORDS[piece]} ${first.counts[i]}`).join('; ')}.
        </p>
        <Button onClick={() => onUse(first)}>Use it</Button>
      </div>
      <ScreenDrawing shape={wired} numbers={null} />
    </div>
  );
}
