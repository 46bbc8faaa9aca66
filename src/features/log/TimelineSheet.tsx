'use client';

import { Button, Chip, Group, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { isByHand } from '@/core/log/about';
import { KIND_WORDS, logEntry, measuredValueSchema, type LogEntry } from '@/core/log/entry';
import { loggedEntries } from '@/core/papers/tables/log';
import type { Plan } from '@/core/plan/planned';
import { FACT_KINDS } from '@/core/show/facts';
import { photoUrl } from '../show/photos';
import sheets from '../sheets/sheets.module.css';
import { useEdit, useNote, useShow } from '../show/ShowProvider';
import type { Selection } from '../view/selection';
import styles from './log.module.css';
import { NoteForm } from './NoteForm';
import { thingOfSelection } from './things';

const MOST_SHOWN = 300;

/** Notes, the latest first: by kind, by thing, by words. */
export function TimelineSheet({ plan, selection }: { plan: Plan; selection: Selection }) {
  const note = useNote();
  const showId = useShow((state) => state.id);
  const facts = useShow((state) => state.facts);
  const [kinds, setKinds] = useState<string[]>([]);
  const [words, setWords] = useState('');
  const of = thingOfSelection(plan, selection);
  const wanted = words.trim().toLowerCase();
  const all = facts.all
    .toReversed()
    .filter((fact) => !of || (fact.list === of.list && fact.recordId === of.recordId));
  const entries = all
    .filter(({ kind }) => kinds.length === 0 || kinds.includes(kind))
    .map((fact) => logEntry(plan.show, fact))
    .filter(
      ({ thing, what, value, fact }) =>
        wanted === '' || `${thing} ${what} ${value ?? ''} ${fact.by ?? ''}`.toLowerCase().includes(wanted),
    );
  const isOnSheet = useMemo(() => loggedEntries(plan.show, facts).length > 0, [plan.show, facts]);
  const present = FACT_KINDS.filter((kind) => all.some((fact) => fact.kind === kind));
  return (
    <div className={`${sheets.sheet} ${styles.log}`}>
      <div>
        <NoteForm key={of?.recordId ?? ''} plan={plan} about={of} />
      </div>
      <section aria-label="What was noted">
        <Group mb={10} gap={8}>
          <TextInput
            aria-label="Find in the log"
            placeholder="Find in the log"
            value={words}
            onChange={(event) => setWords(event.currentTarget.value)}
          />
          <Chip.Group multiple value={kinds} onChange={setKinds}>
            {present.map((kind) => (
              <Chip key={kind} value={kind} size="xs" variant="outline">
                {KIND_WORDS[kind]}
              </Chip>
            ))}
          </Chip.Group>
          <Button
            component="a"
            size="compact-sm"
            variant="default"
            href={`/api/shows/${showId}/log.csv`}
            download
          >
            CSV, all that was ever noted
          </Button>
          {isOnSheet && (
            <>
              <Button
                component="a"
                size="compact-sm"
                variant="default"
                href={`/api/shows/${showId}/sheets/log.pdf`}
                target="_blank"
                rel="noreferrer"
              >
                Print (PDF)
              </Button>
              <Button
                component="a"
                size="compact-sm"
                variant="default"
                href={`/api/shows/${showId}/sheets/log.json`}
                download
              >
                JSON
              </Button>
            </>
          )}
        </Group>
        {entries.length === 0 && (
          <p className={sheets.empty}>
            {all.length === 0
              ? 'Nothing was noted yet. What is measured, ticked, tested and decided stands here, by the thing it is about, and stays when that is renamed.'
              : 'Nothing that was noted fits.'}
          </p>
        )}
        <ol className={styles.entries}>
          {entries.slice(0, MOST_SHOWN).map((entry) => (
            <Entry
              key={entry.fact.id}
              entry={entry}
              onTakeBack={() => note({ ...bare(entry), value: null })}
            />
          ))}
        </ol>
        {entries.length > MOST_SHOWN && (
          <p className={sheets.lead}>And {entries.length - MOST_SHOWN} more: look for them by their words.</p>
        )}
      </section>
    </div>
  );
}

/** A measurement in place of an assumption of the plan. It stays, whatever becomes of the plan. */
function UseIt({ entry, usable }: { entry: LogEntry; usable: NonNullable<LogEntry['usable']> }) {
  const edit = useEdit();
  const { measurable, number } = usable;
  const { planned } = measurable;
  // The plan keeps figures rounded, below anything that a meter shows.
  if (planned && Math.abs(planned.value - number) <= 1e-4 * Math.abs(number))
    return <span className={styles.quiet}>in use: {planned.standing}</span>;
  const { how } = measuredValueSchema.parse(entry.fact.value);
  const { by, at } = entry.fact;
  return (
    <Button
      size="compact-xs"
      variant="default"
      title={
        planned
          ? `The plan takes ${measurable.write(planned.value)}, ${planned.standing}`
          : 'The plan takes nothing of it yet'
      }
      onClick={() => edit(measurable.use(number, { at, ...(how && { how }), ...(by && { by }) }))}
    >
      Use it{planned ? ` in place of ${measurable.write(planned.value)}` : ''}
    </Button>
  );
}

function bare({ fact: { kind, list, recordId, field } }: LogEntry) {
  return { kind, list, recordId, field };
}

function Entry({ entry, onTakeBack }: { entry: LogEntry; onTakeBack: () => void }) {
  const { fact, kind, thing, isGone, what, value, photoId, usable } = entry;
  const canTakeBack = isByHand(fact);
  return (
    <li>
      <time dateTime={fact.at}>
        {fact.at.startsWith('1970') ? 'time not known' : fact.at.slice(0, 16).replace('T', ' ')}
      </time>
      <span className={styles.kind} data-kind={kind}>
        {KIND_WORDS[kind]}
      </span>
      <div>
        <strong data-gone={isGone}>{thing}</strong>
        {isGone && <span className={styles.gone}> not in the show any more</span>}
        <p>
          {what}
          {value !== null && kind !== 'decision' && (
            <>
              {': '}
              <b className="mono">{value}</b>
            </>
          )}
          {fact.by && <span className={styles.quiet}> by {fact.by}</span>}
        </p>
        {value !== null && kind === 'decision' && <p className={styles.quiet}>{value}</p>}
        {photoId && (
          <a href={photoUrl(photoId)} target="_blank" rel="noreferrer">
            <img className={styles.photo} src={photoUrl(photoId)} alt={what} loading="lazy" />
          </a>
        )}
      </div>
      {usable && <UseIt entry={entry} usable={usable} />}
      {canTakeBack && (
        <Button size="compact-xs" variant="subtle" color="gray" onClick={onTakeBack}>
          Take back
        </Button>
      )}
    </li>
  );
}
