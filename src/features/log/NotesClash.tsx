'use client';

import { Button, Modal, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { logEntry } from '@/core/log/entry';
import type { Fact } from '@/core/show/facts';
import type { FactClash } from '@/core/show/lateFacts';
import type { Show } from '@/core/show/schema';
import { useShow, useShowStore } from '../show/ShowProvider';
import styles from './log.module.css';
import { itemAt } from '@/core/units/there';

/** Notes that differ here and elsewhere after a time without the server: the builder says which count, and nothing is sent before. */
export function NotesClash() {
  const clashes = useShow((state) => state.notes.clashes);
  return clashes.length === 0 ? null : <Asked key={itemAt(clashes, 0).mine.id} clashes={clashes} />;
}

function Asked({ clashes }: { clashes: readonly FactClash[] }) {
  const store = useShowStore();
  const show = useShow((state) => state.show);
  const [mine, setMine] = useState<ReadonlySet<string>>(new Set());
  const choose = (id: string, isMine: boolean) => {
    const next = new Set(mine);
    if (isMine) next.add(id);
    else next.delete(id);
    setMine(next);
  };
  return (
    <Modal
      opened
      centered
      withCloseButton={false}
      closeOnEscape={false}
      closeOnClickOutside={false}
      onClose={() => {}}
      title="Noted otherwise elsewhere"
    >
      <p className={styles.asked}>
        While the laptop was not heard, this was noted elsewhere too, and otherwise. Say which counts; what is
        given up here is not sent.
      </p>
      <ul className={styles.clashes}>
        {clashes.map(({ mine: here, theirs }) => (
          <li key={here.id}>
            <strong>{thingWords(show, here)}</strong>
            <SegmentedControl
              fullWidth
              orientation="vertical"
              size="md"
              aria-label={thingWords(show, here)}
              value={mine.has(here.id) ? 'mine' : 'theirs'}
              data={[
                { value: 'theirs', label: `There: ${saidWords(show, theirs)}` },
                { value: 'mine', label: `Here: ${saidWords(show, here)}` },
              ]}
              onChange={(chosen) => choose(here.id, chosen === 'mine')}
            />
          </li>
        ))}
      </ul>
      <Button fullWidth size="lg" data-autofocus onClick={() => store.getState().resolveNotes(mine)}>
        {mine.size === 0
          ? 'What was noted there counts'
          : mine.size === clashes.length
            ? 'What was noted here counts'
            : 'Take it so'}
      </Button>
    </Modal>
  );
}

function thingWords(show: Show, fact: Fact): string {
  const { thing, what } = logEntry(show, fact);
  return `${thing}: ${what}`;
}

function saidWords(show: Show, fact: Fact): string {
  const at = new Date(fact.at);
  const time = `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
  const said = fact.value === null ? 'taken back' : (logEntry(show, fact).value ?? 'done');
  return `${said}, ${time}${fact.by ? `, ${fact.by}` : ''}`;
}
