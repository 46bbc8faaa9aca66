'use client';

import { Select, TextInput } from '@mantine/core';
import { IconChevronDown, IconChevronUp } from '@tabler/icons-react';
import { useState } from 'react';
import { BASES, BASIS_WORDS, standingWords, type Figure } from '@/core/figures/figure';
import { capitalised } from '@/core/units/words';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Row, Stack } from '@/ui/Panel';
import styles from './figures.module.css';

interface StandingFieldsProps<Value> {
  /** The name of the figure: `Pixels a port`. */
  label: string;
  /** Absent where no value is set. */
  figure: Figure<Value> | undefined;
  onCommit: (figure: Figure<Value>) => boolean | void;
}

/** The basis of a figure, in a line that opens: its source, and for a measurement by whom, when and how. */
export function StandingFields<Value>({ label, figure, onCommit }: StandingFieldsProps<Value>) {
  const [open, setOpen] = useState(false);
  if (!figure) return null;
  const set = (change: Partial<Figure<Value>>) => onCommit(without({ ...figure, ...change }));
  const words = (field: 'source' | 'who' | 'how', name: string, most: number) => (
    <ParsedField
      label={name}
      aria-label={`${label}: ${name.toLowerCase()}`}
      value={figure[field] ?? ''}
      format={(text) => text}
      parse={(text) =>
        text.trim().length <= most
          ? { ok: true, value: text.trim() }
          : { ok: false, message: `At most ${most} letters.` }
      }
      onCommit={(text) => set({ [field]: text })}
    />
  );
  return (
    <div className={styles.standing}>
      <button
        type="button"
        aria-expanded={open}
        aria-label={`What ${label} stands on: ${standingWords(figure)}`}
        onClick={() => setOpen(!open)}
      >
        {open ? <IconChevronUp size={13} /> : <IconChevronDown size={13} />} {standingWords(figure)}
      </button>
      {open && (
        <Stack>
          <Row>
            <Select
              label="Stands on"
              aria-label={`${label} stands on`}
              allowDeselect={false}
              value={figure.basis}
              data={BASES.map((basis) => ({ value: basis, label: capitalised(BASIS_WORDS[basis]) }))}
              onChange={(basis) => basis && set({ basis })}
            />
            {words('source', 'Known from', 200)}
          </Row>
          {figure.basis === 'measured' && (
            <>
              <Row>
                {words('who', 'By', 80)}
                <TextInput
                  label="On"
                  type="date"
                  aria-label={`${label}: measured on`}
                  value={figure.when ?? ''}
                  onChange={(event) => set({ when: event.currentTarget.value })}
                />
              </Row>
              {words('how', 'How', 200)}
            </>
          )}
        </Stack>
      )}
    </div>
  );
}

/** Empty words say nothing, and are left out. */
function without<Value>(figure: Figure<Value>): Figure<Value> {
  return Object.fromEntries(
    Object.entries(figure).filter(([, value]) => value !== '' && value !== undefined),
  ) as Figure<Value>;
}
