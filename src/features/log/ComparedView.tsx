import { Button, Group, Loader } from '@mantine/core';
import { useEffect, useState } from 'react';
import { isSame, type Compared } from '@/core/revisions/compare';
import { countOf } from '@/core/units/number';
import styles from './log.module.css';
import { refusalOf } from '../show/client';
import { answerOf } from '../show/answerOf';

const MOST_LINES = 60;

/** Differences between two states. */
export function ComparedView({
  showId,
  from,
  to,
  onClose,
  goBack,
}: {
  showId: string;
  from: number;
  to: number;
  onClose: () => void;
  /** Makes the show what it was after the second; null where that is no earlier state of this one. */
  goBack: (() => void) | null;
}) {
  const [compared, setCompared] = useState<Compared | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const ended = new AbortController();
    fetch(`/api/shows/${showId}/compare?from=${from}&to=${to}`, { signal: ended.signal })
      .then(async (response) => {
        if (!response.ok) throw await refusalOf(response);
        setCompared(await answerOf<Compared>(response));
      })
      .catch((error: Error) => ended.signal.aborted || setProblem(error.message));
    return () => ended.abort();
  }, [showId, from, to]);
  return (
    <section className={styles.compared} aria-label={`Revision ${from} and revision ${to}`}>
      <Group justify="space-between">
        <h2>
          Revision {from} → {to}
        </h2>
        <Group gap={8}>
          {goBack && compared && (
            <Button size="compact-sm" onClick={goBack}>
              Go back to revision {to}
            </Button>
          )}
          <Button size="compact-sm" variant="subtle" color="gray" onClick={onClose}>
            Close
          </Button>
        </Group>
      </Group>
      {goBack && compared && compared.moved.length + compared.values.length > 0 && (
        <p role="note" className={styles.moves}>
          Going back moves {countOf(compared.moved.length, 'address', 'addresses')} and makes{' '}
          {countOf(compared.values.length, 'value')} to be typed again: what devices and senders hold now does
          not fit any more then.
        </p>
      )}
      {problem !== null && <p role="alert">{problem}</p>}
      {compared === null && problem === null && (
        <p role="status">
          <Loader size="xs" /> Planning both…
        </p>
      )}
      {compared && isSame(compared) && (
        <p role="status">Nothing that is built, typed, bought or tested differs.</p>
      )}
      {compared && (
        <>
          <Lines title="Props" lines={compared.props.map(({ name, words }) => `${name}: ${words}`)} />
          <Lines
            title="Moved addresses"
            lines={compared.moved.map(
              (each) =>
                `${each.name} run ${each.run}: ${each.old ?? 'no address'} → ${each.new ?? 'no address'}`,
            )}
          />
          <Lines
            title="To type again"
            lines={compared.values.map(
              (each) =>
                `${each.device}${each.port && ` ${each.port}`}, ${each.what}: ${each.old} → ${each.new}`,
            )}
          />
          <Lines
            title="Parts"
            lines={compared.parts.map((each) => `${each.name}: ${each.before} → ${each.after}`)}
          />
          <Lines
            title="Power"
            lines={compared.power.map(
              ({ name, what, before, after }) => `${name}, ${what}: ${before} → ${after}`,
            )}
          />
          <Lines
            title="To be tested again"
            lines={compared.retest.map(({ name, steps }) => `${name}: ${countOf(steps, 'step')}`)}
          />
        </>
      )}
    </section>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <h3>
        {title} ({lines.length})
      </h3>
      <ul>
        {lines.slice(0, MOST_LINES).map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
      {lines.length > MOST_LINES && <p>And {lines.length - MOST_LINES} more.</p>}
    </>
  );
}
