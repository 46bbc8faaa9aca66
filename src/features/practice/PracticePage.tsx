'use client';

import { Button } from '@mantine/core';
import Link from 'next/link';
import { LEVELS } from '@/core/practice/round';
import { LanternMark } from '@/ui/LanternMark';
import { Game } from './Game';
import styles from './practice.module.css';
import { useProgress } from './useProgress';
import { anySeed, useRound } from './useRound';

/** A display with hidden faults: it is tested, mended and scored. */
export function PracticePage() {
  const [round, go] = useRound();
  return (
    <div className={styles.page}>
      <header className={styles.top}>
        <Link href="/" className={styles.home} aria-label="All shows">
          <LanternMark />
        </Link>
        <h1>Practice</h1>
        {round && (
          <>
            <p className={styles.quiet}>
              Level {round.level} · display {round.seed} · whoever opens this address plays the same one
            </p>
            <Button
              size="compact-sm"
              variant="default"
              onClick={() => go({ level: round.level, seed: anySeed() })}
            >
              Another display
            </Button>
            <Button size="compact-sm" variant="subtle" color="gray" onClick={() => go(null)}>
              All levels
            </Button>
          </>
        )}
      </header>
      <main className={styles.main}>
        {round ? (
          <Game
            key={`${round.level} ${round.seed}`}
            round={round}
            onAnother={() => go({ ...round, seed: anySeed() })}
          />
        ) : (
          <Levels onPlay={(level) => go({ level, seed: anySeed() })} />
        )}
      </main>
    </div>
  );
}

function Levels({ onPlay }: { onPlay: (level: number) => void }) {
  const [rounds] = useProgress();
  return (
    <>
      <p className={styles.lead}>
        A small display is built here with something the matter. Test it, say what it is, and mend it: each
        test costs, one that could tell nothing costs more, and mending what is right costs most. Nothing of
        it touches your shows.
      </p>
      <ul className={styles.levels}>
        {LEVELS.map(({ level, name, says }) => {
          const own = rounds.filter((each) => each.level === level);
          const best = own.reduce((most, { points }) => Math.max(most, points), 0);
          return (
            <li key={level}>
              <button type="button" onClick={() => onPlay(level)}>
                <strong>
                  {level} · {name}
                </strong>
                <span>{says}</span>
                <span className={styles.quiet}>
                  {own.length === 0 ? 'Not played yet' : `${own.length} found · best ${best} points`}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
