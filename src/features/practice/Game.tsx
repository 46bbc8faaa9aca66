'use client';

import { Button, Group, NumberInput, Select } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { PERCEIVED } from '@/core/diagnose/perceive';
import type { GameState, Mended, Move, SolvedStep, Spent } from '@/core/practice/game';
import { planShow } from '@/core/plan/plan';
import type { Plan } from '@/core/plan/planned';
import { LAYERS, type Layer } from '@/core/rig/fault';
import { countOf } from '@/core/units/number';
import { startPractice, type Practice } from '@/workers/practice/practice';
import { AnswerPicture } from '../finding/AnswerPicture';
import { LAYER_WORDS } from '../finding/layerWords';
import styles from './practice.module.css';
import { useProgress } from './useProgress';
import type { RoundAddress } from './useRound';
import { propAt, plannedAt } from '@/core/plan/records';

/** One round, from the first test to the score. */
export function Game({ round: { level, seed }, onAnother }: { round: RoundAddress; onAnother: () => void }) {
  const [moves, setMoves] = useState<readonly Move[]>([]);
  const [game, setGame] = useState<GameState | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [, keep] = useProgress();
  const practice = useRef<Practice | null>(null);
  useEffect(() => {
    let left = false;
    practice.current ??= startPractice();
    practice.current.game(level, seed, moves).then(
      (next) => {
        if (left) return;
        setGame(next);
        if (next.isWon && next.score)
          keep({
            level,
            seed,
            points: next.score.points,
            tests: next.score.tests,
            at: new Date().toISOString(),
          });
      },
      (error: Error) => left || setProblem(error.message),
    );
    return () => {
      left = true;
    };
  }, [level, seed, moves, keep]);
  useEffect(
    () => () => {
      practice.current?.stop();
      practice.current = null;
    },
    [],
  );
  const show = game?.show;
  const plan = useMemo(() => (show ? planShow(show) : null), [show]);
  if (problem) return <p role="alert">{problem}</p>;
  if (!game || !plan) return <p role="status">Building a display…</p>;
  const isCurrent = game.movesCount === moves.length;
  const act = (move: Move) => setMoves([...moves, move]);
  const of = propAt(plan, game.prop);
  return (
    <div className={styles.game}>
      <section aria-label="Tests" className={styles.tests}>
        <h2>Tests</h2>
        <ul>
          {game.trials.map(({ id, name, says, blindTo }) => (
            <li key={id}>
              <button
                type="button"
                disabled={game.isOver || !isCurrent}
                title={`${says} It cannot show ${blindTo}.`}
                onClick={() => act({ test: id })}
              >
                {name}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="What was seen" className={styles.seen}>
        <h2>
          {of.name}, {countOf(plannedAt(plan, game.prop).pixelCount, 'light')}
        </h2>
        <p role="status" className={styles.quiet}>
          {!isCurrent
            ? 'Looking…'
            : game.isWon
              ? 'All of it is as planned.'
              : game.isOver
                ? 'Given up.'
                : `${countOf(game.left, 'thing')} the matter.`}
        </p>
        {game.isOver && <Ended plan={plan} game={game} onAnother={onAnother} onAgain={() => setMoves([])} />}
        {game.done.length === 0 && (
          <figure className={styles.whole}>
            <AnswerPicture plan={plan} prop={game.prop} seen={allWhite(plan, game.prop)} isBack={false} />
            <figcaption className={styles.quiet}>All of it, as it would be lit in white</figcaption>
          </figure>
        )}
        {game.done.length === 0 && (
          <p className={styles.empty}>
            Choose a test: what lights is drawn here, beside what is planned. Begin where most is told for
            little: which fill, which look?
          </p>
        )}
        <ol className={styles.log} reversed>
          {[...game.done].reverse().map((each, i) => (
            <li key={game.done.length - i}>
              {'fault' in each ? (
                <MendedLine mended={each} />
              ) : (
                <SpentLine plan={plan} prop={game.prop} spent={each} />
              )}
            </li>
          ))}
        </ol>
      </section>
      {!game.isOver && (
        <Mending game={game} isBusy={!isCurrent} onMend={act} onGiveUp={() => act({ giveUp: true })} />
      )}
    </div>
  );
}

/** A display on which all is lit. */
const allWhite = (plan: Plan, prop: number) =>
  new Uint8Array(plannedAt(plan, prop).pixelCount).fill(PERCEIVED.indexOf('white'));

function SpentLine({ plan, prop, spent }: { plan: Plan; prop: number; spent: Spent }) {
  return (
    <article className={styles.spent}>
      <h3>{spent.name}</h3>
      {spent.seen && spent.planned ? (
        <div className={styles.pair}>
          <figure>
            <AnswerPicture plan={plan} prop={prop} seen={spent.seen} isBack={false} />
            <figcaption>What lights</figcaption>
          </figure>
          <figure>
            <AnswerPicture plan={plan} prop={prop} seen={spent.planned} isBack={false} />
            <figcaption>As planned</figcaption>
          </figure>
        </div>
      ) : null}
      <p className={styles.quiet}>
        {spent.isAsPlanned
          ? 'As planned.'
          : spent.seen
            ? 'Not as planned.'
            : 'Something is not as it is to be.'}
      </p>
    </article>
  );
}

function MendedLine({ mended: { sentence, isRight } }: { mended: Mended }) {
  return (
    <p className={styles.mended} data-right={isRight}>
      {isRight ? '✓ Mended: ' : '✕ That was not the matter: '}
      {sentence}
    </p>
  );
}

/** The fault is chosen from all possible ones, and fixed. */
function Mending({
  game,
  isBusy,
  onMend,
  onGiveUp,
}: {
  game: GameState;
  isBusy: boolean;
  onMend: (move: Move) => void;
  onGiveUp: () => void;
}) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [place, setPlace] = useState<number | string>('');
  const data = useMemo(() => {
    const ofLayer = (layer: Layer) =>
      game.choices.flatMap((each, i) =>
        each.layer === layer ? [{ value: `f${i}`, label: each.sentence }] : [],
      );
    return [
      ...LAYERS.map((layer) => ({ group: LAYER_WORDS[layer], items: ofLayer(layer) })),
      {
        group: 'At a place of a wire',
        items: game.placed.map((each, i) => ({
          value: `p${i}`,
          label: `${each.name}, on port ${each.portName}`,
        })),
      },
    ].filter(({ items }) => items.length > 0);
  }, [game.choices, game.placed]);
  const index = Number(chosen?.slice(1));
  const placed = chosen?.startsWith('p') ? game.placed[index] : undefined;
  const isPlaced =
    placed === undefined || (typeof place === 'number' && place >= 1 && place <= placed.places);
  const mend = () => {
    const fixed = chosen?.startsWith('f') ? game.choices[index] : undefined;
    if (fixed) onMend({ mend: fixed.fault });
    else if (placed && typeof place === 'number') onMend({ mendAt: { placed: index, place } });
    setChosen(null);
    setPlace('');
  };
  return (
    <section aria-label="Mend" className={styles.mend}>
      <h2>What is the matter?</h2>
      <Select
        label="It is this"
        placeholder="Type a word, such as count or fuse"
        searchable
        nothingFoundMessage="Nothing of that sort"
        data={data}
        value={chosen}
        onChange={setChosen}
        limit={200}
      />
      {placed && (
        <NumberInput
          label={
            placed.kind === 'countWrong'
              ? 'The first light that is not counted'
              : 'At which light of the wire'
          }
          description={`From 1 to ${placed.places}, counted from the port`}
          min={1}
          max={placed.places}
          allowDecimal={false}
          value={place}
          onChange={setPlace}
        />
      )}
      <Group>
        <Button disabled={!chosen || !isPlaced || isBusy} onClick={mend}>
          Mend it
        </Button>
        <Button variant="subtle" color="gray" disabled={isBusy} onClick={onGiveUp}>
          Give up
        </Button>
      </Group>
      <p className={styles.quiet}>
        Mending what is right costs 15 points, a test beyond those of the engine 5.
      </p>
    </section>
  );
}

/** The score, what was hidden, and how the engine would have gone about it. */
function Ended({
  plan,
  game,
  onAnother,
  onAgain,
}: {
  plan: Plan;
  game: GameState;
  onAnother: () => void;
  onAgain: () => void;
}) {
  const { score, hidden, solution } = game;
  if (!score || !hidden || !solution) return null;
  return (
    <div className={styles.ended}>
      <h3>{score.points} points</h3>
      <ul>
        {score.lines.map(({ words, points }) => (
          <li key={words}>
            {words}: <span className="mono">{points > 0 ? `+${points}` : points}</span>
          </li>
        ))}
      </ul>
      <h3>What was the matter</h3>
      <ul>
        {hidden.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <h3>How the engine finds it</h3>
      <Replay plan={plan} prop={game.prop} steps={solution} />
      <Group>
        <Button onClick={onAnother}>Another display</Button>
        <Button variant="default" onClick={onAgain}>
          The same once more
        </Button>
      </Group>
    </div>
  );
}

/** The way of the engine, one step after another. */
function Replay({ plan, prop, steps }: { plan: Plan; prop: number; steps: readonly SolvedStep[] }) {
  const [at, setAt] = useState(0);
  const step = steps[at];
  if (!step) return <p>It asks nothing.</p>;
  return (
    <div className={styles.replay}>
      <p className={styles.quiet}>
        Step {at + 1} of {steps.length}
      </p>
      {'named' in step ? (
        <p>
          <strong>It names: {step.named}</strong>
        </p>
      ) : (
        <>
          <SpentLine plan={plan} prop={prop} spent={step.spent} />
          <p className={styles.quiet}>It suspects now: {step.suspects.join(' Or: ')}</p>
        </>
      )}
      <Group>
        <Button size="compact-sm" variant="default" disabled={at === 0} onClick={() => setAt(at - 1)}>
          Back
        </Button>
        <Button
          size="compact-sm"
          variant="default"
          disabled={at + 1 >= steps.length}
          onClick={() => setAt(at + 1)}
        >
          Next step
        </Button>
      </Group>
    </div>
  );
}
