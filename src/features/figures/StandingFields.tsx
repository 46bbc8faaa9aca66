'use client';

import { Select, TextInput } from '@mantine/core';
import { BASES, BASIS_WORDS, type Basis, type Figure } from '@/core/figures/figure';
import { capitalised } from '@/core/units/words';
import { ParsedField } from '@/ui/fields/ParsedField';
import { Row } from '@/ui/Panel';

interface StandingFieldsProps<Value> {
  /** What the figure is: `Pixels a port`. */
  label: string;
  /** Absent while nobody has said a value. */
  figure: Figure<Value> | undefined;
  onCommit: (figure: Figure<Value>) => boolean | void;
}

/** What a figure stands on: from where it is known, and of a measurement by whom, when and how. */
export function StandingFields<Value>({ label, figure, onCommit }: StandingFieldsProps<Value>) {
  const set = (change: Partial<Figure<Value>>) => figure && onCommit(without({ ...figure, ...change }));
  const words = (field: 'source' | 'who' | 'how', name: string, most: number) => (
    <ParsedField
      label={name}
      aria-label={`${label}: ${name.toLowerCase()}`}
      disabled={!figure}
      value={figure?.[field] ?? ''}
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
    <>
      <Row>
        <Select
          label="Stands on"
          aria-label={`${label} stands on`}
          disabled={!figure}
          allowDeselect={false}
          value={figure?.basis ?? null}
          placeholder="nothing yet"
          data={BASES.map((basis) => ({ value: basis, label: capitalised(BASIS_WORDS[basis]) }))}
          onChange={(basis) => basis && set({ basis: basis as Basis })}
        />
        {words('source', 'Known from', 200)}
      </Row>
      {figure?.basis === 'measured' && (
        <Row>
          {words('who', 'By', 80)}
          <TextInput
            label="On"
            type="date"
            aria-label={`${label}: measured on`}
            value={figure.when ?? ''}
            onChange={(event) => set({ when: event.currentTarget.value })}
          />
          {words('how', 'How', 200)}
        </Row>
      )}
    </>
  );
}

/** Empty words say nothing, and are left out. */
function without<Value>(figure: Figure<Value>): Figure<Value> {
  return Object.fromEntries(
    Object.entries(figure).filter(([, value]) => value !== '' && value !== undefined),
  ) as Figure<Value>;
}
