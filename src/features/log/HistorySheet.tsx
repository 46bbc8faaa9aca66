'use client';

import { Button, Group, Select } from '@mantine/core';
import { useEffect, useState } from 'react';
import { z } from 'zod';
import { newId } from '@/core/fields/fields';
import { namedRevisions, nameRevision } from '@/core/revisions/named';
import { historyEntrySchema, type HistoryEntry } from '@/core/show/revision';
import { countOf } from '@/core/units/number';
import sheets from '../sheets/sheets.module.css';
import { notify, useNote, useShow } from '../show/ShowProvider';
import { windowId } from '../show/windowId';
import { ComparedView } from './ComparedView';
import styles from './log.module.css';
import { NameDialog } from './NameDialog';
import { SeasonButton } from './SeasonButton';
import { refusalOf } from '../show/client';

const answerSchema = z.object({ changes: z.array(historyEntrySchema) });
const MOST_SHOWN = 400;

/** The changes of a show, the latest first; null until they are there. */
function useHistory(id: string, sequence: number) {
  const [changes, setChanges] = useState<readonly HistoryEntry[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let left = false;
    fetch(`/api/shows/${id}/history`)
      .then(async (response) => answerSchema.parse(await response.json()))
      .then(
        (answer) => {
          if (left) return;
          setChanges(answer.changes.toReversed());
          setProblem(null);
        },
        () => left || setProblem('The history could not be fetched; the show itself is as it was.'),
      );
    return () => {
      left = true;
    };
  }, [id, sequence]);
  return { changes, problem, setProblem };
}

/** Every change, states with names, and what is otherwise between any two of them. */
export function HistorySheet() {
  const note = useNote();
  const id = useShow((state) => state.id);
  const name = useShow((state) => state.show.name);
  const sequence = useShow((state) => state.sequence);
  const facts = useShow((state) => state.facts);
  const { changes, problem, setProblem } = useHistory(id, sequence);
  const [naming, setNaming] = useState<number | null>(null);
  const [pair, setPair] = useState<{ from: number; to: number } | null>(null);
  // A show file carries its notes and no history: states of another show's mean nothing here.
  const named = namedRevisions(facts).filter((each) => each.sequence <= sequence);
  const nameOf = (of: number) => named.find((each) => each.sequence === of)?.name ?? null;
  const goBack = async (to: number) => {
    const response = await fetch(`/api/shows/${id}/restore`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        changeId: newId('restore'),
        baseSequence: sequence,
        window: windowId(),
        sequence: to,
      }),
    });
    if (response.ok) notify(`The show is what it was at revision ${to}. Undo brings the rest again.`);
    else setProblem((await refusalOf(response)).message);
  };
  const states = [
    { value: String(sequence), label: `now, revision ${sequence}` },
    ...named
      .filter((each) => each.sequence !== sequence)
      .map((each) => ({ value: String(each.sequence), label: `${each.name}, revision ${each.sequence}` })),
    ...(sequence !== 0 && nameOf(0) === null ? [{ value: '0', label: 'the beginning, revision 0' }] : []),
  ];
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Every change is kept, and every state can be made again from them; of whole copies the program keeps
        few, the older the fewer. Give a state a name when it hangs, or before the opening night: it is then
        compared with any other, down to the values to type again, and gone back to where that is wanted.
      </p>
      <Group mb={6}>
        <Button onClick={() => setNaming(sequence)}>Name the state of now</Button>
        <SeasonButton showId={id} name={name} />
      </Group>
      {named.length > 0 && (
        <NamedStates named={named} now={sequence} onCompare={(from) => setPair({ from, to: sequence })} />
      )}
      {states.length > 1 && <ComparedPair states={states} pair={pair} now={sequence} onPair={setPair} />}
      {pair && (
        <ComparedView
          key={`${pair.from} ${pair.to}`}
          showId={id}
          {...pair}
          onClose={() => setPair(null)}
          // The moves are read before it is done: an address may have been typed somewhere.
          goBack={
            pair.from === sequence && pair.to < sequence
              ? () => {
                  setPair(null);
                  void goBack(pair.to);
                }
              : null
          }
        />
      )}
      {problem !== null && <p role="alert">{problem}</p>}
      {changes === null && problem === null && <p role="status">Fetching the history…</p>}
      {changes?.length === 0 && <p className={sheets.empty}>Nothing was changed yet.</p>}
      {changes && changes.length > 0 && (
        <Changes
          changes={changes}
          now={sequence}
          nameOf={nameOf}
          onName={setNaming}
          onPair={(from, to) => setPair({ from, to })}
        />
      )}
      <NameDialog
        key={String(naming)}
        sequence={naming}
        known={naming === null ? '' : (nameOf(naming) ?? '')}
        onClose={() => setNaming(null)}
        onName={(given) => note(nameRevision(id, naming!, given))}
      />
    </div>
  );
}

interface NamedStatesProps {
  named: ReturnType<typeof namedRevisions>;
  now: number;
  onCompare: (sequence: number) => void;
}

function NamedStates({ named, now, onCompare }: NamedStatesProps) {
  const note = useNote();
  const id = useShow((state) => state.id);
  return (
    <ul className={styles.named} aria-label="States with a name">
      {named.map((each) => (
        <li key={each.sequence}>
          <strong>{each.name}</strong>
          <span className={styles.quiet}>rev {each.sequence}</span>
          <Button
            size="compact-xs"
            variant="default"
            disabled={each.sequence === now}
            onClick={() => onCompare(each.sequence)}
          >
            Compare with now
          </Button>
          <Button
            size="compact-xs"
            variant="subtle"
            color="gray"
            onClick={() => note(nameRevision(id, each.sequence, null))}
          >
            Take the name away
          </Button>
        </li>
      ))}
    </ul>
  );
}

interface Pair {
  from: number;
  to: number;
}

interface ComparedPairProps {
  states: readonly { value: string; label: string }[];
  pair: Pair | null;
  now: number;
  onPair: (pair: Pair) => void;
}

function ComparedPair({ states, pair, now, onPair }: ComparedPairProps) {
  return (
    <Group mb={14} align="flex-end">
      <Select
        label="Compare"
        placeholder="a state"
        value={pair ? String(pair.from) : null}
        data={withState(states, pair?.from)}
        onChange={(from) => from && onPair({ from: Number(from), to: pair?.to ?? now })}
      />
      <Select
        label="with"
        placeholder="another"
        value={pair ? String(pair.to) : null}
        data={withState(states, pair?.to)}
        onChange={(to) => to && onPair({ from: pair?.from ?? 0, to: Number(to) })}
      />
    </Group>
  );
}

interface ChangesProps {
  changes: readonly HistoryEntry[];
  now: number;
  nameOf: (sequence: number) => string | null;
  onName: (sequence: number) => void;
  onPair: (from: number, to: number) => void;
}

function Changes({ changes, now, nameOf, onName, onPair }: ChangesProps) {
  return (
    <>
      <h2>{countOf(changes.length, 'change')}</h2>
      <ol className={`${styles.entries} ${styles.history}`} aria-label="Changes, the latest first">
        {changes.slice(0, MOST_SHOWN).map((each) => (
          <li key={each.sequence}>
            <span className="mono">rev {each.sequence}</span>
            <time dateTime={each.madeAt}>{each.madeAt.slice(0, 16).replace('T', ' ')}</time>
            <div>
              {each.kind === 'undo' ? 'Undone: ' : each.kind === 'redo' ? 'Again: ' : ''}
              {each.label}
              {nameOf(each.sequence) !== null && <strong> · {nameOf(each.sequence)}</strong>}
            </div>
            <Group gap={6} wrap="nowrap">
              <Button size="compact-xs" variant="subtle" color="gray" onClick={() => onName(each.sequence)}>
                Name
              </Button>
              <Button
                size="compact-xs"
                variant="subtle"
                color="gray"
                disabled={each.sequence === now}
                onClick={() => onPair(each.sequence, now)}
              >
                Compare
              </Button>
              <Button
                size="compact-xs"
                variant="subtle"
                color="gray"
                disabled={each.sequence === now}
                onClick={() => onPair(now, each.sequence)}
              >
                Go back to it…
              </Button>
            </Group>
          </li>
        ))}
      </ol>
      {changes.length > MOST_SHOWN && (
        <p className={sheets.lead}>And {changes.length - MOST_SHOWN} earlier ones.</p>
      )}
    </>
  );
}

/** A state that is compared stands in the list even where it has no name. */
function withState(states: readonly { value: string; label: string }[], sequence: number | undefined) {
  return sequence === undefined || states.some(({ value }) => value === String(sequence))
    ? states
    : [...states, { value: String(sequence), label: `revision ${sequence}` }];
}
