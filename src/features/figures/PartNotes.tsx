'use client';

import { ActionIcon, Button, Select, TextInput } from '@mantine/core';
import { IconPlus, IconX } from '@tabler/icons-react';
import { useState } from 'react';
import { OUTCOMES, OUTCOME_WORDS, type Outcome, type PartNote } from '@/core/catalogue/partNotes';
import { capitalised } from '@/core/units/words';
import { Row, Stack } from '@/ui/Panel';
import styles from './figures.module.css';

/** Experience with a part, shown where the part is used. Nothing where there is none. */
export function PartNotes({
  notes,
  onRemove,
}: {
  notes: readonly PartNote[] | undefined;
  onRemove?: (index: number) => void;
}) {
  if (!notes || notes.length === 0) return null;
  return (
    <ul className={styles.notes} aria-label="Found with this part">
      {notes.map((note, index) => (
        <li key={index} className={styles.note} data-outcome={note.outcome}>
          <span>
            <b>{capitalised(OUTCOME_WORDS[note.outcome])}:</b> {note.text}
            {(note.who ?? note.when) && (
              <span className={styles.about}> ({[note.who, note.when].filter(Boolean).join(', ')})</span>
            )}
          </span>
          {onRemove && (
            <ActionIcon
              variant="subtle"
              color="gray"
              size="sm"
              aria-label={`Remove the note “${note.text}”`}
              onClick={() => onRemove(index)}
            >
              <IconX size={14} />
            </ActionIcon>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The notes of a part, with a line to add one. */
export function PartNotesEditor({
  part,
  notes,
  onChange,
}: {
  /** Its name: `12 V bullet string`. */
  part: string;
  notes: readonly PartNote[] | undefined;
  /** Undefined takes the last one away. */
  onChange: (notes: PartNote[] | undefined) => boolean | void;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [outcome, setOutcome] = useState<Outcome>('odd');
  const add = () => {
    const words = text.trim().slice(0, 300);
    if (words === '') return;
    const note: PartNote = { outcome, text: words, when: new Date().toISOString().slice(0, 10) };
    if (onChange([...(notes ?? []), note]) === false) return;
    setText('');
    setOpen(false);
  };
  return (
    <>
      <PartNotes
        notes={notes}
        onRemove={(gone) => {
          const kept = (notes ?? []).filter((_, index) => index !== gone);
          onChange(kept.length > 0 ? kept : undefined);
        }}
      />
      {open ? (
        <Stack>
          <Row>
            <Select
              aria-label={`What became of it, with ${part}`}
              allowDeselect={false}
              value={outcome}
              data={OUTCOMES.map((value) => ({ value, label: capitalised(OUTCOME_WORDS[value]) }))}
              onChange={(value) => value && setOutcome(value)}
            />
            <Button variant="default" onClick={add} disabled={text.trim() === ''}>
              Note it
            </Button>
          </Row>
          <TextInput
            data-autofocus
            aria-label={`A note on ${part}`}
            placeholder="What was found with it"
            maxLength={300}
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
            onKeyDown={(event) => event.key === 'Enter' && add()}
          />
        </Stack>
      ) : (
        <div className={styles.standing}>
          <button
            type="button"
            aria-label={`Note what was found with it: ${part}`}
            onClick={() => setOpen(true)}
          >
            <IconPlus size={13} /> Note what was found with it
          </button>
        </div>
      )}
    </>
  );
}
